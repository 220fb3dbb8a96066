import { squaredDistances } from './distance.ts';
import { FAINT_ALPHA, OPAQUE_ALPHA, alphaMask, cropPixels } from './pixels.ts';
import type { PixelBox, Pixels } from './pixels.ts';

/** What the file itself says, before anything is done to it. */
export interface FileFacts {
  /** Pixels fainter than any printer lays down, but not empty: leftovers of an eraser. */
  ghostPx: number;
  /** Every pixel is opaque: the file has no transparency. */
  isOpaque: boolean;
  /** Of the pixels with ink, the share (0–1) that is neither faint nor opaque. */
  semiShare: number;
  /** Of the pixels with ink, the share (0–1) that is semi-transparent far from any edge: glows and shadows. */
  softShare: number;
}

/**
 * Counts transparency over the ink's rectangle.
 *
 * @param box the rectangle round the ink; `null` for an empty image
 * @param pitchMm width of one pixel as printed, mm
 */
export function readFileFacts(image: Pixels, box: PixelBox | null, pitchMm: number): FileFacts {
  const { data } = image;
  let ghostPx = 0;
  let inkPx = 0;
  let semiPx = 0;
  let opaquePx = 0;
  for (let a = 3; a < data.length; a += 4) {
    const alpha = data[a];
    if (alpha >= OPAQUE_ALPHA) opaquePx++;
    else if (alpha >= FAINT_ALPHA) semiPx++;
    else if (alpha > 0) ghostPx++;
  }
  inkPx = opaquePx + semiPx;
  return {
    ghostPx,
    isOpaque: opaquePx === data.length / 4,
    semiShare: inkPx === 0 ? 0 : semiPx / inkPx,
    softShare: box === null || semiPx === 0 ? 0 : countSoftPx(image, box, pitchMm) / inkPx,
  };
}

/** Semi-transparent pixels farther than an anti-aliased edge reaches from both nothing and full ink. */
function countSoftPx(image: Pixels, box: PixelBox, pitchMm: number): number {
  const reach = Math.max(2, 0.15 / pitchMm); // px; plain anti-aliasing stays within
  const reach2 = reach * reach;
  const part = cropPixels(image, box);
  const ink = alphaMask(part, FAINT_ALPHA);
  const toEmpty = squaredDistances(ink, box.width, box.height, 'background', Math.ceil(reach) + 1);
  for (let i = 0; i < ink.length; i++) ink[i] = part.data[4 * i + 3] >= OPAQUE_ALPHA ? 0 : 1;
  const toOpaque = squaredDistances(ink, box.width, box.height, 'ignored', Math.ceil(reach) + 1);
  let softPx = 0;
  for (let i = 0; i < ink.length; i++) {
    const alpha = part.data[4 * i + 3];
    if (alpha < FAINT_ALPHA || alpha >= OPAQUE_ALPHA) continue;
    if (toEmpty[i] > reach2 || toOpaque[i] > reach2) softPx++;
  }
  return softPx;
}
