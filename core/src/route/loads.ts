import type { Operation, RouteInput } from './documents.ts';

/** Room between prints laid side by side, and to the edge, mm: fingers and a knife must get in (assumption). */
const GAP_MM = 10;

/**
 * How many of a line's prints lie flat on a surface at once, all the same way round, whichever way takes more.
 *
 * @returns at least 1: a print larger than the surface is taken alone, see {@link liesFlat}
 */
export function printsOn(
  { print }: Pick<RouteInput, 'print'>,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): number {
  const fit = (across: number, down: number): number =>
    Math.floor(widthMm / (across + GAP_MM)) * Math.floor(heightMm / (down + GAP_MM));
  return Math.max(1, fit(print.widthMm, print.heightMm), fit(print.heightMm, print.widthMm));
}

/** True where one print lies on the surface whole, either way round. */
export const liesFlat = (
  { print: { widthMm, heightMm } }: Pick<RouteInput, 'print'>,
  surface: { widthMm: number; heightMm: number },
): boolean =>
  (widthMm <= surface.widthMm && heightMm <= surface.heightMm) ||
  (heightMm <= surface.widthMm && widthMm <= surface.heightMm);

/** Loads that a number of pieces makes; one where all go together. */
export const loadsOf = (pieces: number, perLoad: number | null): number =>
  perLoad === null ? 1 : Math.ceil(pieces / perLoad);

/** Pieces in one load, from 1: all full but the last. */
export const piecesInLoad = (pieces: number, perLoad: number | null, load: number): number =>
  perLoad === null ? pieces : Math.min(perLoad, pieces - (load - 1) * perLoad);

/** How a line goes through an operation: "each piece", "up to 6 at once", "once for all". */
export function goesWords({ per, perLoad }: Pick<Operation, 'per' | 'perLoad'>): string {
  if (per === 'piece') return 'each piece';
  return perLoad === null ? 'once for all' : `up to ${perLoad} at once`;
}
