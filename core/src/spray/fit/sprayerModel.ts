/** `up`: a larger setting gives more fluid. */
export type Sense = 'up' | 'down';

/** A sprayer's dial or speed, in its maker's own units, and which way it goes. */
export interface SprayerSetting {
  least: number;
  most: number;
  sense: Sense;
}

/** @returns +1 where more setting gives more, -1 where it gives less */
export const signOf = ({ sense }: SprayerSetting): 1 | -1 => (sense === 'up' ? 1 : -1);

/** Where a setting is in its range by its logarithm: 0 at the least, 1 at the most. */
export const placeOf = ({ least, most }: SprayerSetting, setting: number): number =>
  Math.log(setting / least) / Math.log(most / least);

export const settingAt = ({ least, most }: SprayerSetting, t: number): number => least * (most / least) ** t;

/** One weighing: what a setting gave with so many passes. */
export interface SprayWeighing {
  setting: number;
  passes: number;
  gm2: number;
}

/** Places on the curve that are told: t = 0, 1/64 … 1. */
export const CURVE_PLACES = 65;

// priors: trade ranges and free choices, all overridden by weighings
const LEVEL = { mean: Math.log(130), sd: 0.8 };
const SLOPE = { mean: 0.9, sd: 0.4 };
const DOUBLE = { mean: Math.log(2), sd: 0.08 };
const BEND_LENGTH = 0.35;
const BENDS = [
  { sd: 0.03, weight: 0.3 },
  { sd: 0.1, weight: 0.4 },
  { sd: 0.25, weight: 0.3 },
];
const NOISES = [0.01, 0.02, 0.03, 0.045, 0.07, 0.11].map((sd) => ({
  sd,
  weight: Math.exp(-0.5 * (Math.log(sd / 0.03) / 0.6) ** 2),
}));
const OUTLIER = { weight: 0.02, variance: 1 };
const LEAST_WEIGHT = 1e-5; // a thousand hypotheses so unlikely together move no bound by a hundredth of it

/** One hypothesis, solved: how crooked, how noisy, which weighing is wrong. */
export interface Component {
  /** Of all hypotheses, 0–1. */
  weight: number;
  noiseSd: number;
  bendSd: number;
  /** Lower triangle of the factor of the weighings' covariance, row by row. */
  factor: Float64Array;
  /** Factor's inverse times what the weighings are off the prior. */
  whitened: Float64Array;
}

interface Input {
  /** Place on the curve, 0 at the least setting, 1 at the most. */
  t: number;
  isDouble: boolean;
}

/**
 * ln(g/m²) over the place t of a setting (its logarithm, from 0 to 1 over the range) as a Gaussian process: level, slope, a smooth
 * bend and the gain of a second pass, with noise; a mixture over hyper-parameters and over one gross error (textbook: Rasmussen &
 * Williams, ch. 2 and 5).
 */
export class SprayerModel {
  readonly components: Component[];
  /** Probability that a weighing is grossly wrong. */
  readonly outlierShares: Float64Array;
  /** Mean scatter of one spray, as a share. */
  readonly meanNoise: number;
  private readonly inputs: Input[];
  private readonly span: number;
  private readonly range: SprayerSetting;

  constructor(range: SprayerSetting, weighings: readonly SprayWeighing[]) {
    if (weighings.length < 2)
      throw new RangeError(`${weighings.length} weighings were given: two of one nozzle are needed at least`);
    this.range = range;
    this.span = Math.log(range.most / range.least);
    this.inputs = weighings.map(({ setting, passes }) => ({
      t: this.placeOf(setting),
      isDouble: passes === 2,
    }));
    const off = Float64Array.from(weighings, ({ gm2 }, i) => Math.log(gm2) - this.priorMean(this.inputs[i]));
    this.outlierShares = new Float64Array(weighings.length);
    this.components = this.solveAll(off);
    this.meanNoise = this.components.reduce((sum, { weight, noiseSd }) => sum + weight * noiseSd, 0);
  }

  /** @returns +1 where the curve rises along t, -1 where it falls */
  get sign(): 1 | -1 {
    return signOf(this.range);
  }

  placeOf(setting: number): number {
    return placeOf(this.range, setting);
  }

  settingAt(t: number): number {
    return settingAt(this.range, t);
  }

  /** Curve of so many passes at places t in one component, before its noise: means and variances; what they come from too. */
  posterior(component: Component, places: readonly number[], isDouble: boolean): Posterior {
    const n = this.inputs.length;
    const { factor, whitened, bendSd } = component;
    const mean = new Float64Array(places.length);
    const variance = new Float64Array(places.length);
    const shared = new Float64Array(places.length * n);
    for (const [j, t] of places.entries()) {
      const point = { t, isDouble };
      const row = shared.subarray(j * n, (j + 1) * n);
      for (let i = 0; i < n; i++) row[i] = this.covariance(point, this.inputs[i], bendSd);
      solveLower(factor, row, n);
      mean[j] = this.priorMean(point);
      variance[j] = this.covariance(point, point, bendSd);
      for (let i = 0; i < n; i++) {
        mean[j] += row[i] * whitened[i];
        variance[j] -= row[i] * row[i];
      }
      variance[j] = Math.max(variance[j], 1e-12);
    }
    return { mean, variance, shared };
  }

  covariance(a: Input, b: Input, bendSd: number): number {
    const apart = (a.t - b.t) / BEND_LENGTH;
    return (
      LEVEL.sd ** 2 +
      (SLOPE.sd * this.span) ** 2 * (a.t - 0.5) * (b.t - 0.5) +
      (a.isDouble && b.isDouble ? DOUBLE.sd ** 2 : 0) +
      bendSd ** 2 * Math.exp(-0.5 * apart * apart)
    );
  }

  private priorMean({ t, isDouble }: Input): number {
    return LEVEL.mean + this.sign * SLOPE.mean * this.span * (t - 0.5) + (isDouble ? DOUBLE.mean : 0);
  }

  private solveAll(off: Float64Array): Component[] {
    const n = off.length;
    const noiseTotal = NOISES.reduce((sum, { weight }) => sum + weight, 0);
    const found: (Component & { lnWeight: number; outlier: number })[] = [];
    for (const bend of BENDS)
      for (const noise of NOISES)
        for (let outlier = -1; outlier < n; outlier++) {
          const { factor, whitened, lnDensity } = this.solve(off, bend.sd, noise.sd, outlier);
          const prior = bend.weight * (noise.weight / noiseTotal) * (outlier < 0 ? 1 : OUTLIER.weight);
          const lnWeight = Math.log(prior) + lnDensity;
          found.push({ weight: 0, lnWeight, outlier, noiseSd: noise.sd, bendSd: bend.sd, factor, whitened });
        }
    const most = Math.max(...found.map(({ lnWeight }) => lnWeight));
    const total = found.reduce((sum, { lnWeight }) => sum + Math.exp(lnWeight - most), 0);
    for (const own of found) {
      own.weight = Math.exp(own.lnWeight - most) / total;
      if (own.outlier >= 0) this.outlierShares[own.outlier] += own.weight;
    }
    return found.filter(({ weight }) => weight >= LEAST_WEIGHT);
  }

  private solve(
    off: Float64Array,
    bendSd: number,
    noiseSd: number,
    outlier: number,
  ): { factor: Float64Array; whitened: Float64Array; lnDensity: number } {
    const n = off.length;
    const factor = new Float64Array(n * n);
    for (let i = 0; i < n; i++)
      for (let j = 0; j <= i; j++)
        factor[i * n + j] =
          this.covariance(this.inputs[i], this.inputs[j], bendSd) +
          (i === j ? noiseSd ** 2 + (i === outlier ? OUTLIER.variance : 0) : 0);
    factorise(factor, n);
    const whitened = off.slice();
    solveLower(factor, whitened, n);
    let lnDensity = (-n / 2) * Math.log(2 * Math.PI);
    for (let i = 0; i < n; i++) lnDensity -= Math.log(factor[i * n + i]) + whitened[i] ** 2 / 2;
    return { factor, whitened, lnDensity };
  }
}

export interface Posterior {
  mean: Float64Array;
  variance: Float64Array;
  /** Of each place, its whitened covariance with the weighings, place by place. */
  shared: Float64Array;
}

/** Cholesky factor in place, lower triangle of an n × n matrix kept row by row. */
function factorise(a: Float64Array, n: number): void {
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j];
      for (let k = 0; k < j; k++) sum -= a[i * n + k] * a[j * n + k];
      a[i * n + j] = i === j ? Math.sqrt(sum) : sum / a[j * n + j];
    }
}

/** Solves L x = b in place. */
function solveLower(factor: Float64Array, b: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    let sum = b[i];
    for (let k = 0; k < i; k++) sum -= factor[i * n + k] * b[k];
    b[i] = sum / factor[i * n + i];
  }
}
