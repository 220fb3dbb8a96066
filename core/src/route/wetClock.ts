/** Drier than this, powder takes only where ink is; damper than the second, it clings to everything, % relative humidity. */
const DAMP_PCT = { from: 60, to: 80 };
/** In the dampest room ink is let stand for so much of the time it stays wet. */
const STANDS_SHARE = 0.5;

/**
 * How long after the last white film is best let stand before it is powdered, s: not at all in a dry room; from 60 % on ever
 * longer, so that less powder is picked up beside the ink, up to half of the window at 80 % and above (practice says minutes
 * in a damp room; the straight line between is an assumption).
 *
 * @param wetS how long the ink holds powder, s
 * @param rhPct `null` where nobody measures it
 */
export function powderOpensS(wetS: number, rhPct: number | null): number {
  if (rhPct === null) return 0;
  const share = (rhPct - DAMP_PCT.from) / (DAMP_PCT.to - DAMP_PCT.from);
  return Math.round(wetS * STANDS_SHARE * Math.min(1, Math.max(0, share)));
}
