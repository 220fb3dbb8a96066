import { halfFan } from '../gun.ts';
import type { Gun } from '../gun.ts';
import { bandSums, tabulated } from './bandSums.ts';
import type { BandSums, TabulatedProfile } from './bandSums.ts';
import { USUAL_PATTERN } from './handPath.ts';
import type { HandPattern, Wobble } from './handPath.ts';
import { passHalfWidthMm, passProfile } from './passProfile.ts';

export interface PatternProblem {
  gun: Gun;
  /** What is to be covered, mm. */
  widthMm: number;
  heightMm: number;
  targetGm2: number;
  distanceMm: number;
  slowestMmPerS: number;
  fastestMmPerS: number;
  hand: Pick<Wobble, 'speed' | 'lateralMm'>;
  maxBands: number;
  /** Most of what is sprayed that may miss the target, 0–1. */
  maxWasteShare: number;
}

/** A hand as it usually is (trade range). */
export const USUAL_HAND: Wobble = { speed: 0.1, lateralMm: 8, heightMm: 0 };
export const USUAL_MOST_BANDS = 6;
export const USUAL_MOST_WASTE = 0.65;

export interface PatternForecast {
  meanGm2: number;
  /** Unevenness that the bands alone leave, %. */
  cvPct: number;
  /** With the hand's own wobble: an expectation, slightly high. */
  cvHandPct: number;
  sprayedG: number;
  wasteShare: number;
  /** `null` where no band runs that way. */
  secondsPerBandH: number | null;
  secondsPerBandV: number | null;
}

export type PatternPlan =
  | { pattern: HandPattern; predicted: PatternForecast; bestCvHandPct: number }
  | { pattern: null; reason: 'waste' | 'too-slow' | 'too-fast' };

/** So much beside the footprint, for the eye, mm (free choice). */
const MARGIN_MM = 20;
/** Spacings tried, as shares of a pass's half width. */
const SPACINGS = { from: 0.1, to: 1.9, count: 61 };
const FINEST_SHARE = 0.002;
/** What is so much more uneven than the best on the grid is not refined: that gains a few per cent at most. */
const NEAR = { factor: 1.2, points: 1 };

/** Bands one way: how many, how far apart, and what they give across. */
interface Way {
  count: number;
  spacingMm: number;
  sums: BandSums;
}

interface Layout {
  across: Way;
  down: Way;
  cvHand: number;
  speedMmPerS: number;
  wasteShare: number;
}

/**
 * Finds the bands that cover an area most evenly by a hand that is not quite steady. Bands run fully across, so a deposit is a sum of
 * a profile down the area and one across it, and its variance the sum of theirs; a hand adds the variance of slowness and of
 * straying, band by band. All counts and a grid of spacings are weighed against each other by sums tabulated once, the best
 * of each pair of counts is refined, and of those that are nearly as even as the best the fewest bands are taken.
 */
export function planPattern(problem: PatternProblem): PatternPlan {
  const bench = new PatternBench(problem);
  const found = bench.search();
  if (found.length === 0) return { pattern: null, reason: bench.whyNot() };
  const near = NEAR.factor * Math.min(...found.map(({ cvHand }) => cvHand)) + NEAR.points;
  const refined = found.filter(({ cvHand }) => cvHand <= near).map((layout) => bench.refine(layout));
  const best = Math.min(...refined.map(({ cvHand }) => cvHand));
  const close = best + Math.max(0.3, 0.05 * best);
  const bands = ({ across, down }: Layout): number => across.count + down.count;
  const chosen = refined
    .filter(({ cvHand }) => cvHand <= close)
    .reduce((least, own) => {
      if (bands(own) !== bands(least)) return bands(own) < bands(least) ? own : least;
      return own.cvHand < least.cvHand ? own : least;
    });
  return { ...bench.told(chosen), bestCvHandPct: best };
}

class PatternBench {
  private readonly problem: PatternProblem;
  private readonly profile: TabulatedProfile;
  private readonly halfWidthMm: number;
  /** Of layouts that are out of the range of speeds: the nearest one, by its ratio to the range's end. */
  private nearest = { ratio: Infinity, reason: 'too-slow' as 'too-slow' | 'too-fast' };
  private isWasteful = false;

  constructor(problem: PatternProblem) {
    this.problem = problem;
    this.halfWidthMm = passHalfWidthMm(problem.gun.fan, problem.distanceMm);
    this.profile = tabulated(passProfile(problem.gun.shape, this.halfWidthMm));
  }

  whyNot(): 'waste' | 'too-slow' | 'too-fast' {
    return this.isWasteful ? 'waste' : this.nearest.reason;
  }

  /** The best of each pair of counts on the grid of spacings. */
  search(): Layout[] {
    const { widthMm, heightMm, maxBands } = this.problem;
    const across = this.ways(heightMm);
    const down = this.ways(widthMm);
    const best: Layout[] = [];
    for (let h = 0; h <= maxBands; h++)
      for (let v = h === 0 ? 1 : 0; h + v <= maxBands; v++) {
        const least = this.bestOf(across[h], down[v]);
        if (least !== null) best.push(least);
      }
    return best;
  }

  private bestOf(across: readonly Way[], down: readonly Way[]): Layout | null {
    let least: Layout | null = null;
    for (const first of across)
      for (const second of down) {
        // the few flops that tell whether a pair is worth judging
        if (least !== null && this.unevenness(first.sums, second.sums) >= least.cvHand) continue;
        least = this.judge(first, second) ?? least;
      }
    return least;
  }

  /** Moves both spacings by ever smaller steps as long as it helps. */
  refine(start: Layout): Layout {
    const { widthMm, heightMm } = this.problem;
    let best = start;
    let step = ((SPACINGS.to - SPACINGS.from) / (SPACINGS.count - 1) / 2) * this.halfWidthMm;
    while (step > FINEST_SHARE * this.halfWidthMm) {
      const before = best;
      for (const by of [-step, step]) {
        const { across, down } = best;
        const tries = [
          [this.moved(across, by, heightMm), down],
          [across, this.moved(down, by, widthMm)],
        ] as const;
        for (const [first, second] of tries) {
          const layout = this.judge(first, second);
          if (layout !== null && layout.cvHand < best.cvHand) best = layout;
        }
      }
      if (best === before) step /= 2;
    }
    return best;
  }

  told({ across, down, speedMmPerS }: Layout): { pattern: HandPattern; predicted: PatternForecast } {
    const { widthMm, heightMm, distanceMm, targetGm2 } = this.problem;
    const [h, v] = [
      this.exactly(across.count, across.spacingMm, heightMm),
      this.exactly(down.count, down.spacingMm, widthMm),
    ];
    const landed = h.mean + v.mean;
    const speed = (speedMmPerS * landed) / (across.sums.mean + down.sums.mean);
    const takes = (sideMm: number): number => this.bandSeconds(sideMm, speed);
    const spread = h.variance + v.variance;
    const sprayedG = this.sprayedG(across.count, down.count, speed);
    const own = (count: number, spacingMm: number): number | null => (count > 1 ? spacingMm : null);
    return {
      pattern: {
        ...USUAL_PATTERN,
        kind: 'bands',
        horizontal: across.count,
        vertical: down.count,
        spacingHMm: own(across.count, across.spacingMm),
        spacingVMm: own(down.count, down.spacingMm),
        speedMmPerS: speed,
        distanceMm,
        leadMm: this.leadMm(speed),
      },
      predicted: {
        meanGm2: targetGm2,
        cvPct: (100 * Math.sqrt(spread)) / landed,
        cvHandPct: this.unevenness(h, v),
        sprayedG,
        wasteShare: 1 - (targetGm2 * widthMm * heightMm) / 1e6 / sprayedG,
        secondsPerBandH: across.count > 0 ? takes(widthMm) : null,
        secondsPerBandV: down.count > 0 ? takes(heightMm) : null,
      },
    };
  }

  private ways(lengthMm: number): Way[][] {
    const { from, to, count: tries } = SPACINGS;
    return Array.from({ length: this.problem.maxBands + 1 }, (_, count) =>
      Array.from({ length: count < 2 ? 1 : tries }, (__, i) => {
        const spacingMm = this.halfWidthMm * (from + (i / (tries - 1)) * (to - from));
        return { count, spacingMm, sums: bandSums(this.profile, { count, spacingMm, lengthMm }) };
      }),
    );
  }

  private moved(way: Way, by: number, lengthMm: number): Way {
    const { from, to } = SPACINGS;
    if (way.count < 2) return way;
    const wished = way.spacingMm + by;
    const spacingMm = Math.min(to * this.halfWidthMm, Math.max(from * this.halfWidthMm, wished));
    return {
      ...way,
      spacingMm,
      sums: bandSums(this.profile, { count: way.count, spacingMm, lengthMm, places: 120 }),
    };
  }

  private exactly(count: number, spacingMm: number, lengthMm: number): BandSums {
    return bandSums(this.profile, { count, spacingMm, lengthMm, places: 4000 });
  }

  /** Expected coefficient of variation by this hand, %. */
  private unevenness(h: BandSums, v: BandSums): number {
    const variance = h.variance + v.variance + ofHand(this.problem.hand, h, v);
    return (100 * Math.sqrt(variance)) / (h.mean + v.mean);
  }

  private judge(across: Way, down: Way): Layout | null {
    const { gun, targetGm2, slowestMmPerS, fastestMmPerS, maxWasteShare } = this.problem;
    const landed = across.sums.mean + down.sums.mean;
    const speedMmPerS = (1e6 * gun.efficiency * gun.flowGPerS * landed) / targetGm2;
    if (speedMmPerS < slowestMmPerS || speedMmPerS > fastestMmPerS) {
      this.noteNearest(speedMmPerS);
      return null;
    }
    const { widthMm, heightMm } = this.problem;
    const sprayedG = this.sprayedG(across.count, down.count, speedMmPerS);
    const wasteShare = 1 - (targetGm2 * widthMm * heightMm) / 1e6 / sprayedG;
    if (wasteShare > maxWasteShare) {
      this.isWasteful = true;
      return null;
    }
    return { across, down, cvHand: this.unevenness(across.sums, down.sums), speedMmPerS, wasteShare };
  }

  private noteNearest(speedMmPerS: number): void {
    const { slowestMmPerS, fastestMmPerS } = this.problem;
    const isSlow = speedMmPerS < slowestMmPerS;
    const ratio = isSlow ? slowestMmPerS / speedMmPerS : speedMmPerS / fastestMmPerS;
    if (ratio < this.nearest.ratio) this.nearest = { ratio, reason: isSlow ? 'too-slow' : 'too-fast' };
  }

  /** Far enough beside the area that the cone is past it and the flow is full as it comes in. */
  private leadMm(speedMmPerS: number): number {
    const { fan, trigger } = this.problem.gun;
    const { Q } = halfFan(fan);
    return Q * this.problem.distanceMm + speedMmPerS * (trigger.onLagS + trigger.riseS) + MARGIN_MM;
  }

  private bandSeconds(sideMm: number, speedMmPerS: number): number {
    return (sideMm + 2 * this.leadMm(speedMmPerS)) / speedMmPerS;
  }

  private sprayedG(h: number, v: number, speedMmPerS: number): number {
    const { gun, widthMm, heightMm } = this.problem;
    const { onLagS, riseS, offLagS, fallS, spatterG } = gun.trigger;
    const press = (sideMm: number): number =>
      gun.flowGPerS * (this.bandSeconds(sideMm, speedMmPerS) + offLagS + fallS / 2 - onLagS - riseS / 2) +
      spatterG;
    return h * press(widthMm) + v * press(heightMm);
  }
}

/** Variance that a hand adds: slowness scales a band, straying moves it. */
const ofHand = ({ speed, lateralMm }: PatternProblem['hand'], h: BandSums, v: BandSums): number =>
  speed ** 2 * (h.squares + v.squares) + lateralMm ** 2 * (h.slopes + v.slopes);
