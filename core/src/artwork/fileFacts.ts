import { FAINT_ALPHA, OPAQUE_ALPHA } from './pixels.ts';
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
  let semiPx = 0;
  let opaquePx = 0;
  for (let a = 3; a < data.length; a += 4) {
    const alpha = data[a];
    if (alpha >= OPAQUE_ALPHA) opaquePx++;
    else if (alpha >= FAINT_ALPHA) semiPx++;
    else if (alpha > 0) ghostPx++;
  }
  const inkPx = opaquePx + semiPx;
  return {
    ghostPx,
    isOpaque: opaquePx === data.length / 4,
    semiShare: inkPx === 0 ? 0 : semiPx / inkPx,
    softShare: box === null || semiPx === 0 ? 0 : countSoftPx(image, box, pitchMm) / inkPx,
  };
}

/** Semi-transparent pixels farther than an anti-aliased edge reaches from nothing, or from full ink. */
function countSoftPx({ width, height, data }: Pixels, box: PixelBox, pitchMm: number): number {
  const reach = Math.max(2, 0.15 / pitchMm); // px; plain anti-aliasing stays within
  const rings = offsetsWithin(reach);
  let softPx = 0;
  for (let y = box.y; y < box.y + box.height; y++) {
    for (let x = box.x; x < box.x + box.width; x++) {
      const alpha = data[4 * (y * width + x) + 3];
      if (alpha < FAINT_ALPHA || alpha >= OPAQUE_ALPHA) continue;
      if (!isNearBoth({ width, height, data }, x, y, rings)) softPx++;
    }
  }
  return softPx;
}

/** Offsets (dx, dy, dx, dy …) no farther than `reach` px, nearest first, so that an edge is found at once. */
function offsetsWithin(reach: number): Int32Array {
  const whole = Math.floor(reach);
  const offsets: [number, number][] = [];
  for (let dy = -whole; dy <= whole; dy++) {
    for (let dx = -whole; dx <= whole; dx++) if (dx * dx + dy * dy <= reach * reach) offsets.push([dx, dy]);
  }
  offsets.sort(([ax, ay], [bx, by]) => ax * ax + ay * ay - bx * bx - by * by);
  return Int32Array.from(offsets.flat());
}

/** True when both an empty pixel (beyond the image counts) and an opaque one are among the offsets. */
function isNearBoth({ width, height, data }: Pixels, x: number, y: number, offsets: Int32Array): boolean {
  let seesEmpty = false;
  let seesOpaque = false;
  for (let k = 0; k < offsets.length; k += 2) {
    const u = x + offsets[k];
    const v = y + offsets[k + 1];
    const alpha = u < 0 || v < 0 || u >= width || v >= height ? 0 : data[4 * (v * width + u) + 3];
    if (alpha < FAINT_ALPHA) seesEmpty = true;
    else if (alpha >= OPAQUE_ALPHA) seesOpaque = true;
    if (seesEmpty && seesOpaque) return true;
  }
  return false;
}
