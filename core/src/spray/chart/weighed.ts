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

/** Grams to spray after, where there is less than the tolerance allows; 0 else. */
export const topUpG = (
  pct: number,
  { areaMm2, targetGm2 }: Pick<Weighed, 'areaMm2' | 'targetGm2'>,
  tolerancePct: number,
): number => (pct < 100 - tolerancePct ? ((1 - pct / 100) * targetGm2 * areaMm2) / 1e6 : 0);
