import { USUAL_GRAMS } from '../spray/index.ts';
import type { QuantityKind } from '../units/index.ts';

/** What is kept of a material, as the shop counts it. */
export interface Counted {
  stock: number;
  /** As the shop writes it: “m”, “kg”, “sheets”. */
  stockUnit: string;
  /** Of film; `null` for what is no film, and for the height of a roll. */
  widthMm: number | null;
  heightMm: number | null;
}

/** Grams in a unit that fluids and powders are kept in; pretreatment by its density. */
export const GRAMS_IN: Readonly<Record<string, number>> = {
  kg: 1000,
  g: 1,
  l: 1000 * USUAL_GRAMS.densityGPerMl,
  ml: USUAL_GRAMS.densityGPerMl,
};
const ML_IN: Readonly<Record<string, number>> = { l: 1000, ml: 1 };
const METRES = 'm';
const MM2_IN_M2 = 1e6;

/**
 * How much of what routes count lies in one unit of what the shop counts: g in its kg, m² in a metre of its roll.
 *
 * @param kind what routes count it in
 * @returns `null` where nobody can say: rolls of tape, boxes
 */
export function countedAs(kind: QuantityKind, { stockUnit, widthMm, heightMm }: Counted): number | null {
  const unit = stockUnit.trim().toLowerCase();
  if (kind === 'mass') return GRAMS_IN[unit] ?? null;
  if (kind === 'volume') return ML_IN[unit] ?? null;
  if (kind === 'area') {
    if (widthMm === null) return null;
    if (heightMm !== null) return unit === METRES ? null : (widthMm * heightMm) / MM2_IN_M2; // counted in sheets
    return unit === METRES ? widthMm / 1000 : null;
  }
  // tape is used by the metre and kept by the roll, of which nobody knows the length
  return kind === 'count' && !/^rolls?$/.test(unit) ? 1 : null;
}
