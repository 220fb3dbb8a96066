import type { WeighIn } from '../work/index.ts';

/** What two weighings say: grams put on and whether that is within the tolerance. */
export interface WeighResult {
  addedG: number;
  verdict: 'within' | 'too-little' | 'too-much';
}

/**
 * Judges a pretreatment by weighing before and after.
 *
 * @returns `null` until both weighings are there
 */
export function judgeWeighIn(
  weighIn: WeighIn,
  beforeG: number | null,
  afterG: number | null,
): WeighResult | null {
  if (beforeG === null || afterG === null) return null;
  const addedG = afterG - beforeG;
  if (addedG < weighIn.targetG - weighIn.toleranceG) return { addedG, verdict: 'too-little' };
  return { addedG, verdict: addedG > weighIn.targetG + weighIn.toleranceG ? 'too-much' : 'within' };
}
