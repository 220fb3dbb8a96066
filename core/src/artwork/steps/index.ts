import { knockOut } from '../knockOut.ts';
import type { KnockedOut } from '../knockOut.ts';
import { cropPixels } from '../pixels.ts';
import type { Pixels } from '../pixels.ts';
import type { ArtScan } from '../scan.ts';
import type { ArtStep } from './artStep.ts';
import { removeCheckerboard } from './checkerboard.ts';
import { dropSpecks } from './dropSpecks.ts';
import { hardenEdges } from './hardenEdges.ts';
import { perforate } from './perforate.ts';
import { screenSoft } from './screenSoft.ts';
import { thicken } from './thicken.ts';

export type { ArtStep, StepKind } from './artStep.ts';
export { openShare } from './perforate.ts';

/** The image after a step; the very same object when the step had nothing to do. */
export interface Stepped {
  image: Pixels;
  /** What a knock-out took. */
  knockedOut?: Pick<KnockedOut, 'removedPx' | 'softPx'>;
}

/**
 * Does one step. The image is read, never written.
 *
 * @param scan of this very image
 * @param pitchMm width of one of its pixels as printed, mm
 * @throws RangeError for a step's value out of range
 */
export function applyStep(image: Pixels, scan: ArtScan, step: ArtStep, pitchMm: number): Stepped {
  switch (step.kind) {
    case 'knock-out': {
      const { image: left, removedPx, softPx } = knockOut(scan, step);
      return { image: left, knockedOut: { removedPx, softPx } };
    }
    case 'crop-margin': {
      const { box } = scan;
      const isTight = box !== null && box.w === image.width && box.h === image.height;
      return { image: box === null || isTight ? image : cropPixels(image, box) };
    }
    case 'remove-checkerboard':
      return { image: removeCheckerboard(image, scan, step) };
    case 'harden-edges':
      return { image: hardenEdges(image, step) };
    case 'screen-soft':
      return { image: screenSoft(image, scan, step, pitchMm) };
    case 'thicken':
      return { image: thicken(image, scan, step, pitchMm) };
    case 'drop-specks':
      return { image: dropSpecks(image, scan, step, pitchMm) };
    case 'perforate':
      return { image: perforate(image, scan, step, pitchMm) };
  }
}
