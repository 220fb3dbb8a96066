/**
 * Mulberry32 (public domain): 32-bit numbers from 0 up to 1. Kept beside the planner's generator since charts, hands and
 * sprayers that were made with it elsewhere are to come out the same here.
 *
 * @param seed any whole number
 */
export function mulberry32(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Numbers of the standard normal distribution, two uniforms each (Box–Muller). */
export const normalFrom = (uniform: () => number) => (): number => {
  const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
  return radius * Math.cos(2 * Math.PI * uniform());
};
