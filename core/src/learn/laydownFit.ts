import { believeAfter } from './linearFit.ts';
import type { Belief, Measurement } from './linearFit.ts';

/** A print weighed before and after something was laid on it. */
export interface Weighing {
  /** Areas that would be covered in full: coverage × inked area, m². Powder's is in `baseM2`. */
  colourM2: number;
  whiteM2: number;
  baseM2: number;
  /** After less before, g. */
  grams: number;
}

/** How far off a laydown taken from the trade may be, as a share of it: printers and passes differ that much. */
const ASSUMED_SHARE = 0.3;
/** Scatter of a weighing: the scale's own, g, and that of the print, as a share of what is weighed. */
const SCALE_SD_G = 0.02;
const PRINT_SD_SHARE = 0.04;
/** Densities of wet ink, g/ml: pigmented water-based, trade values. */
const COLOUR_G_ML = 1.05;
const WHITE_G_ML = 1.25;

/**
 * Laydown of an ink set, ml/m², after weighing freshly printed pieces: from what was assumed and what was weighed.
 * An ink set without white (assumed at 0) stays without: nothing is learnt of what is not there.
 */
export function fitInkLaydown(
  assumed: { colourMlM2: number; whiteMlM2: number },
  weighings: readonly Weighing[],
): { colourMlM2: Belief; whiteMlM2: Belief } {
  if (assumed.whiteMlM2 === 0) {
    const [colourMlM2] = believeAfter(
      [asAssumed(assumed.colourMlM2)],
      weighings.map(({ colourM2, grams }) => measured([colourM2 * COLOUR_G_ML], grams)),
    );
    return { colourMlM2, whiteMlM2: { value: 0, sd: 0 } };
  }
  const [colourMlM2, whiteMlM2] = believeAfter(
    [asAssumed(assumed.colourMlM2), asAssumed(assumed.whiteMlM2)],
    weighings.map(({ colourM2, whiteM2, grams }) =>
      measured([colourM2 * COLOUR_G_ML, whiteM2 * WHITE_G_ML], grams),
    ),
  );
  return { colourMlM2, whiteMlM2 };
}

/** Powder picked up, g/m², after weighing films before and after powdering. */
export function fitPowderLoading(assumedGM2: number, weighings: readonly Weighing[]): Belief {
  const [loading] = believeAfter(
    [asAssumed(assumedGM2)],
    weighings.map(({ baseM2, grams }) => measured([baseM2], grams)),
  );
  return loading;
}

const asAssumed = (value: number): Belief => ({ value, sd: ASSUMED_SHARE * value });

const measured = (factors: number[], sum: number): Measurement => ({
  factors,
  sum,
  sd: Math.hypot(SCALE_SD_G, PRINT_SD_SHARE * sum),
});
