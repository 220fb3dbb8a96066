/** Transfers that were made and how many of them were lost before they were on a piece. */
export interface Spoilage {
  made: number;
  lost: number;
}

/** Before anything is known: one in fifty, as sure as fifty transfers would make it (assumption; trade says 1 to 3 %). */
const BEFORE: Spoilage = { made: 50, lost: 1 };
/** So often the spares do (assumption). */
const ENOUGH = 0.9;

/** What share of its transfers a shop is to expect to lose: what it counted, with what is assumed before that. */
export const expectedLoss = ({ made, lost }: Spoilage): number => (lost + BEFORE.lost) / (made + BEFORE.made);

/**
 * The fewest spares by which nine lines in ten get by without printing film again: lost are up to as many as there are
 * spares, of the pieces and spares together. How many are lost of so many is beta-binomial (textbook), since the share
 * itself is known only as well as what was counted allows.
 *
 * @param pieces at least 1
 * @param seen transfers of this shop; lost at most made
 * @returns `pieces` at most
 */
export function sparesFor(pieces: number, { made, lost }: Spoilage): number {
  const a = lost + BEFORE.lost;
  const b = made - lost + BEFORE.made - BEFORE.lost;
  for (let spares = 0; spares < pieces; spares++)
    if (chanceOfAtMost(spares, pieces + spares, a, b) >= ENOUGH) return spares;
  return pieces;
}

/** Chance of at most so many successes in `n`, beta-binomial. */
function chanceOfAtMost(most: number, n: number, a: number, b: number): number {
  // none at all: the product of what is left each time; each next by the ratio of neighbouring terms
  let term = 1;
  for (let i = 0; i < n; i++) term *= (b + i) / (a + b + i);
  let sum = term;
  for (let k = 0; k < most; k++) {
    term *= ((n - k) / (k + 1)) * ((a + k) / (b + n - k - 1));
    sum += term;
  }
  return sum;
}
