import type { PrintInput } from './documents.ts';

/** Room between prints laid side by side, and to the edge, mm: fingers and a knife must get in (assumption). */
export const GAP_MM = 10;

/**
 * How many of a line's prints lie flat on a surface at once, all the same way round, whichever way takes more.
 *
 * @returns at least 1: a print larger than the surface is taken alone, see {@link liesFlat}
 */
export function printsOn(
  { print }: Pick<PrintInput, 'print'>,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): number {
  const fit = (across: number, down: number): number =>
    Math.floor(widthMm / (across + GAP_MM)) * Math.floor(heightMm / (down + GAP_MM));
  return Math.max(1, fit(print.widthMm, print.heightMm), fit(print.heightMm, print.widthMm));
}

/** True where one print lies on the surface whole, either way round. */
export const liesFlat = (
  { print: { widthMm, heightMm } }: Pick<PrintInput, 'print'>,
  surface: { widthMm: number; heightMm: number },
): boolean =>
  (widthMm <= surface.widthMm && heightMm <= surface.heightMm) ||
  (heightMm <= surface.widthMm && widthMm <= surface.heightMm);
