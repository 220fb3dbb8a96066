import { freshLossGM2S } from '../spray/index.ts';
import type { RoomAir } from '../spray/index.ts';
import { settingFor, workedS } from '../work/index.ts';
import type { Operation, WeighIn } from '../work/index.ts';
import type { StepState } from './runState.ts';

/** What two weighings say: grams put on and whether that is within the tolerance. */
export interface WeighResult {
  addedG: number;
  verdict: 'within' | 'too-little' | 'too-much';
}

/** Between two weighings beyond what the work between them takes, s: so long a garment waited for the scale. */
export const waitedForScaleS = (
  operation: Pick<Operation, 'modes' | 'unit' | 'size'>,
  beforeAt: string,
  afterMs: number,
): number => Math.max(0, (afterMs - Date.parse(beforeAt)) / 1000 - workedS(operation, 1));

/** Longer than this a garment was not on its way to the scale, s: what dried then is the dryer's business. */
const MOST_MEANWHILE_S = 1800;

/**
 * What dried off between the spray and the scale, g, by the room's air: for as long as the two weighings lie further apart
 * than the work between them takes. A model, off by a factor of 1.6 either way.
 *
 * @param nowMs stands for the second weighing while there is none
 */
export function driedMeanwhileG(
  operation: Pick<Operation, 'modes' | 'unit' | 'size' | 'settings' | 'weighIn'>,
  { beforeAt, afterAt }: Pick<StepState, 'beforeAt' | 'afterAt'>,
  { nowMs, room }: { nowMs: number; room: RoomAir },
): number {
  const gM2 = settingFor(operation, 'fluid')?.value ?? 0;
  if (operation.weighIn === null || beforeAt === null || gM2 <= 0) return 0;
  const afterMs = afterAt === null ? nowMs : Date.parse(afterAt);
  const waitedS = Math.min(MOST_MEANWHILE_S, waitedForScaleS(operation, beforeAt, afterMs));
  return freshLossGM2S(room) * (operation.weighIn.targetG / gM2) * waitedS;
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
