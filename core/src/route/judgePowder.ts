import { TRADE } from './tradeRanges.ts';

/** What a container that was weighed before and after says of the powder that stayed on film. */
export interface PowderUse {
  usedG: number;
  /** As far as what the art takes is known: a model until this shop has weighed its powder. */
  verdict: 'as-expected' | 'too-little' | 'too-much';
}

/**
 * Judges what was used of powder, caught grains put back before the second weighing.
 *
 * @param expectedG that should stay by the art, > 0; what really stays lies within half of it and nearly twice as much
 *   (`TRADE.powderLoadShare`, an assumption)
 * @returns `null` until both weighings are there
 */
export function judgePowder(
  beforeG: number | null,
  afterG: number | null,
  expectedG: number,
): PowderUse | null {
  if (beforeG === null || afterG === null) return null;
  const usedG = beforeG - afterG;
  const { min, max } = TRADE.powderLoadShare;
  if (usedG < min * expectedG) return { usedG, verdict: 'too-little' };
  return { usedG, verdict: usedG > max * expectedG ? 'too-much' : 'as-expected' };
}
