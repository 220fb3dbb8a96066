import { median } from '../../work/index.ts';

/** What the first garments say of all that follow. */
export interface Baseline {
  centrePct: number;
  sigmaPct: number;
}

const RANGE_TO_SIGMA = 1.128; // d2 of two (Shewhart's constants)
const WIDEST_RANGE = 3.267; // D4 of two

/**
 * Centre and spread by the moving range, with what stands out left out first. The spread is widened by 1 + 2/n, which pays for a short
 * baseline (free choice).
 */
export function baselineOf(first: readonly number[], { sigmaFloorPct }: { sigmaFloorPct: number }): Baseline {
  const steps = first.slice(1).map((own, i) => Math.abs(own - first[i]));
  const usual = mean(steps);
  const kept = steps.filter((own) => own <= WIDEST_RANGE * usual);
  const sigmaPct = Math.max(sigmaFloorPct, (mean(kept) / RANGE_TO_SIGMA) * (1 + 2 / first.length));
  const middle = median(first);
  const near = first.filter((own) => Math.abs(own - middle) <= 3 * sigmaPct);
  return { centrePct: near.length * 2 < first.length ? middle : mean(near), sigmaPct };
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, own) => sum + own, 0) / Math.max(1, values.length);
