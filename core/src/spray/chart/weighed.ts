import { freshLossGM2S, roomWith } from '../evaporation.ts';

/** One garment on the scale: before, after, and how long it waited in between. */
export interface Weighed {
  beforeG: number;
  afterG: number;
  areaMm2: number;
  targetGm2: number;
  /** From the spray to the second weighing, s. */
  elapsedS: number;
}

export interface AmountOn {
  gm2: number;
  /** Of what was wanted. */
  pct: number;
  /** Lost before the second weighing, g. */
  evapG: number;
}

/** What was put on: the difference of both weighings and what evaporated in between. @param lossGM2S see `freshLossGM2S` */
export function amountOn(
  { beforeG, afterG, areaMm2, targetGm2, elapsedS }: Weighed,
  lossGM2S: number,
): AmountOn {
  const areaM2 = areaMm2 / 1e6;
  const evapG = lossGM2S * areaM2 * elapsedS;
  const gm2 = (afterG - beforeG + evapG) / areaM2;
  return { gm2, pct: (100 * gm2) / targetGm2, evapG };
}

/** What two weighings of a garment put on it, in a room that may be known in part. */
export function sprayedOn(own: {
  beforeG: number;
  afterG: number;
  widthMm: number;
  heightMm: number;
  elapsedS: number;
  roomC: number | null;
  humidity: number | null;
}): { gm2: number; evapG: number } {
  const room = roomWith({ tempC: own.roomC, rh: own.humidity });
  return amountOn({ ...own, areaMm2: own.widthMm * own.heightMm, targetGm2: 1 }, freshLossGM2S(room));
}

const GRAMS_AN_OUNCE = 28.35;

/** What an amount looks like that no garment takes: weights typed in ounces, or another slip; `null` where it can be. */
export function amountSlip(gm2: number): 'ounces?' | 'implausible' | null {
  const inGrams = gm2 * GRAMS_AN_OUNCE;
  if (gm2 < 10 && inGrams >= 40 && inGrams <= 1000) return 'ounces?';
  return gm2 < 10 || gm2 > 1000 ? 'implausible' : null;
}

/** Grams to spray after, where there is less than the tolerance allows; 0 else. */
export const topUpG = (
  pct: number,
  { areaMm2, targetGm2 }: Pick<Weighed, 'areaMm2' | 'targetGm2'>,
  tolerancePct: number,
): number => (pct < 100 - tolerancePct ? ((1 - pct / 100) * targetGm2 * areaMm2) / 1e6 : 0);
