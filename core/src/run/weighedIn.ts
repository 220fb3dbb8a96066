import { chartAmounts } from '../spray/index.ts';
import type { ChartedAmount } from '../spray/index.ts';
import type { WeighIn } from '../work/index.ts';
import type { StepState } from './runState.ts';

/** A garment of a run that was weighed in, as the running chart sees it. */
export interface WeighedPiece extends ChartedAmount {
  step: string;
  addedG: number;
}

/**
 * Garments of a run that were weighed in, in the order they were sprayed; per cent of what each was to get, so that lines share
 * one chart.
 *
 * @param weighInOf what a step's garment was to get; `null` for steps in which nothing is weighed
 * @param driedG of a step, what dried off before the second weighing
 */
export function weighedIn(
  steps: readonly StepState[],
  weighInOf: (step: StepState) => WeighIn | null,
  driedG: (step: StepState) => number = () => 0,
): WeighedPiece[] {
  const weighed = steps.flatMap((step) => {
    const wanted = weighInOf(step);
    const { id, beforeG, afterG, completedAt } = step;
    return wanted === null || beforeG === null || afterG === null
      ? []
      : [{ id, addedG: afterG - beforeG + driedG(step), wanted, completedAt }];
  });
  // what is not done yet was weighed last
  const at = ({ completedAt }: { completedAt: string | null }): number =>
    completedAt === null ? Infinity : Date.parse(completedAt);
  const inOrder = [...weighed].sort((a, b) => (at(a) < at(b) ? -1 : at(a) > at(b) ? 1 : 0));
  return chartAmounts(inOrder).points.map((point, i) => ({
    ...point,
    step: inOrder[i].id,
    addedG: inOrder[i].addedG,
  }));
}
