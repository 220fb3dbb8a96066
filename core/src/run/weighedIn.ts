import { USUAL_CHART, weighChart } from '../spray/index.ts';
import type { ChartPoint } from '../spray/index.ts';
import type { WeighIn } from '../work/index.ts';
import type { StepState } from './runState.ts';

/** A garment of a run that was weighed in, as the running chart sees it. */
export interface WeighedPiece extends ChartPoint {
  step: string;
  addedG: number;
  /** So was the one before, on the same side: before there is a baseline that alone asks a question. */
  isAgain: boolean;
}

/**
 * Garments of a run that were weighed in, in the order they were sprayed; per cent of what each was to get, so that lines share
 * one chart.
 *
 * @param weighInOf what a step's garment was to get; `null` for steps in which nothing is weighed
 */
export function weighedIn(
  steps: readonly StepState[],
  weighInOf: (step: StepState) => WeighIn | null,
): WeighedPiece[] {
  const weighed = steps.flatMap((step) => {
    const wanted = weighInOf(step);
    const { id, beforeG, afterG, completedAt } = step;
    return wanted === null || beforeG === null || afterG === null
      ? []
      : [{ id, addedG: afterG - beforeG, wanted, completedAt }];
  });
  // what is not done yet was weighed last
  const at = ({ completedAt }: { completedAt: string | null }): number =>
    completedAt === null ? Infinity : Date.parse(completedAt);
  const inOrder = [...weighed].sort((a, b) => (at(a) < at(b) ? -1 : at(a) > at(b) ? 1 : 0));
  const [first] = inOrder;
  if (first === undefined) return [];
  const tolerancePct = (100 * first.wanted.toleranceG) / first.wanted.targetG;
  const { points } = weighChart(
    inOrder.map(({ addedG, wanted }) => (100 * addedG) / wanted.targetG),
    { ...USUAL_CHART, tolerancePct },
  );
  return points.map((point, i): WeighedPiece => ({
    ...point,
    step: inOrder[i].id,
    addedG: inOrder[i].addedG,
    isAgain: i > 0 && isOff(point) && isOff(points[i - 1]) && point.pct > 100 === points[i - 1].pct > 100,
  }));
}

const isOff = ({ verdict }: ChartPoint): boolean => verdict !== 'ok';
