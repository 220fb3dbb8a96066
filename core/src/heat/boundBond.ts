/** Why recipes say nothing of a bond: a bad one had more than a good one, or one is beyond anything a bond needs. */
export type BondRefusal =
  { why: 'contradictory'; good: number; bad: number } | { why: 'beyond'; value: number; held: boolean };

/** Range of the factor on the bond's reference time; `null` where nothing bounds it on that side. */
export interface BondBounds {
  low: number | null;
  high: number | null;
}

/** No bond needs three times the table's dose, or a third of it: something else made such a recipe fail, or it was another glue. */
const MOST = 3;

/**
 * Bounds the scale of the bond's dose: what washed well had at least what a bond needs, what did not had less.
 *
 * @param washed bonds as the model counts them before calibration, with how they came out of the wash
 */
export function boundBond(
  washed: readonly { bond: number; held: boolean }[],
): { ok: true; bounds: BondBounds } | ({ ok: false } & BondRefusal) {
  const beyond = washed.find(({ bond, held }) => (held ? bond < 1 / MOST : bond > MOST));
  if (beyond) return { ok: false, why: 'beyond', value: beyond.bond, held: beyond.held };
  const of = (wished: boolean): number[] =>
    washed.filter(({ held }) => held === wished).map(({ bond }) => bond);
  const [good, bad] = [of(true), of(false)];
  const high = good.length > 0 ? Math.min(...good) : null;
  const low = bad.length > 0 ? Math.max(...bad) : null;
  if (high !== null && low !== null && low >= high)
    return { ok: false, why: 'contradictory', good: high, bad: low };
  return { ok: true, bounds: { low, high } };
}
