/**
 * Uniform numbers from 0 up to 1 from a seed: the one generator for all that is to come out the same again.
 * Numerical Recipes' 32-bit linear congruential generator (textbook): good enough to shuffle and to search, not to hide.
 *
 * @param seed any whole number
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
