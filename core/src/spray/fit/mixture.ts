/** One normal distribution of a mixture. */
export interface Bell {
  weight: number;
  mean: number;
  sd: number;
}

/** Standard normal distribution function: the tail as a rational function (Hart, 1968, as in West, 2005), 14 digits. */
export function normalBelow(x: number): number {
  const off = Math.abs(x);
  if (off > 37) return x > 0 ? 1 : 0;
  const tail = Math.exp((-off * off) / 2);
  let beyond: number;
  if (off < 7.07106781186547) {
    let above = 3.52624965998911e-2 * off + 0.700383064443688;
    above = above * off + 6.37396220353165;
    above = above * off + 33.912866078383;
    above = above * off + 112.079291497871;
    above = above * off + 221.213596169931;
    above = above * off + 220.206867912376;
    let below = 8.83883476483184e-2 * off + 1.75566716318264;
    below = below * off + 16.064177579207;
    below = below * off + 86.7807322029461;
    below = below * off + 296.564248779674;
    below = below * off + 637.333633378831;
    below = below * off + 793.826512519948;
    below = below * off + 440.413735824752;
    beyond = (tail * above) / below;
  } else {
    let fraction = off + 0.65;
    for (let k = 4; k >= 1; k--) fraction = off + k / fraction;
    beyond = tail / fraction / 2.506628274631;
  }
  return x > 0 ? 1 - beyond : beyond;
}

/**
 * The value that a share of a mixture lies below, by Newton's method kept between bounds that close in.
 *
 * @param near where it is looked for first; the mean where nothing is known
 */
export function mixtureQuantile(bells: readonly Bell[], share: number, near?: number): number {
  let [low, high] = [Infinity, -Infinity];
  let [total, middle] = [0, 0];
  for (const { weight, mean, sd } of bells) {
    low = Math.min(low, mean - 6 * sd);
    high = Math.max(high, mean + 6 * sd);
    total += weight;
    middle += weight * mean;
  }
  const wanted = share * total;
  let x = near !== undefined && near > low && near < high ? near : middle / total;
  for (let i = 0; i < 60; i++) {
    let [below, density] = [0, 0];
    for (const { weight, mean, sd } of bells) {
      const z = (x - mean) / sd;
      if (z > 9) below += weight;
      else if (z > -9) {
        below += weight * normalBelow(z);
        density += (weight * Math.exp((-z * z) / 2)) / (sd * 2.5066282746310002);
      }
    }
    if (below < wanted) low = x;
    else high = x;
    const next = density > 0 ? x - (below - wanted) / density : NaN;
    const to = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(to - x) < 1e-8) return to;
    x = to;
  }
  return x;
}
