import type { KnockOut } from '../knockOut.ts';

/**
 * One thing done to the file before it is printed. Steps are kept beside the original, which is never touched;
 * each works on what the one before left. Lengths in mm as printed, so a step means the same at any size.
 */
export type ArtStep = StepWork & {
  /** Kept in the list but not done. */
  isOff?: boolean;
};

export type StepWork =
  | ({ kind: 'knock-out' } & KnockOut)
  /** Cuts the empty margin off, so that the printed width is the art's own. */
  | { kind: 'crop-margin' }
  /** Takes a painted "transparent" checkerboard out, as far as it is joined to the border or larger than a few squares. */
  | { kind: 'remove-checkerboard'; greys: [string, string]; cellPx: number }
  /** Makes alpha all or nothing at a threshold, 1–255. */
  | { kind: 'harden-edges'; threshold: number }
  /** Turns glows and shadows into dots of full ink, `cellMm` apart. */
  | { kind: 'screen-soft'; cellMm: number }
  /** Makes what is thinner than a width wider by `byMm` in all. */
  | { kind: 'thicken'; thinnerThanMm: number; byMm: number }
  /** Drops parts smaller than an area. */
  | { kind: 'drop-specks'; smallerThanMm2: number }
  /** Opens large solids with round holes on a hexagonal lattice, so that they bend and breathe. */
  | { kind: 'perforate'; holeMm: number; pitchMm: number };

export type StepKind = StepWork['kind'];

/** @throws RangeError naming the step, the value and the range */
export function assertRange(step: StepKind, name: string, value: number, from: number, to: number): void {
  if (!(value >= from && value <= to))
    throw new RangeError(`${name} of “${step}” is ${value}, expected ${from} to ${to}`);
}
