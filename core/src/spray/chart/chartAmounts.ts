import { USUAL_CHART, weighChart } from './weighChart.ts';
import type { ChartPoint, WeighChart } from './weighChart.ts';

/** What one garment got, and what it was to get, g. */
export interface AmountOfOne {
  addedG: number;
  wanted: { targetG: number; toleranceG: number };
}

export interface ChartedAmount extends ChartPoint {
  /** So was the one before, on the same side: before there is a baseline that alone asks a question. */
  isAgain: boolean;
}

/**
 * Garments of different jobs in one running chart: per cent of what each was to get.
 *
 * @param amounts in the order they were sprayed; the newest says how much the shop tolerates
 */
export function chartAmounts(
  amounts: readonly AmountOfOne[],
): Pick<WeighChart, 'limits'> & { points: ChartedAmount[] } {
  if (amounts.length === 0) return { limits: null, points: [] };
  const { targetG, toleranceG } = amounts[amounts.length - 1].wanted;
  const { points, limits } = weighChart(
    amounts.map(({ addedG, wanted }) => (100 * addedG) / wanted.targetG),
    { ...USUAL_CHART, tolerancePct: (100 * toleranceG) / targetG },
  );
  return {
    limits,
    points: points.map((point, i) => ({ ...point, isAgain: i > 0 && isSameFault(point, points[i - 1]) })),
  };
}

/** Both beyond what is tolerated, on one side: twice a little too dry is worth a look, before a garment is lost. */
const isSameFault = (a: ChartPoint, b: ChartPoint): boolean =>
  a.verdict !== 'ok' && b.verdict !== 'ok' && a.pct > 100 === b.pct > 100;
