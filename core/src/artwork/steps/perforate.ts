import { hasBit } from '../bits.ts';
import { makeDisc } from '../disc.ts';
import type { Pixels } from '../pixels.ts';
import type { ArtScan } from '../scan.ts';
import { SOLID_RADIUS_MM } from '../shape.ts';
import { findSolids } from '../solids.ts';
import { erodeAny } from '../thinParts.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';

type Perforation = Extract<StepWork, { kind: 'perforate' }>;

const FRAME_MM = 0.6; // left whole between a hole and the edge of the art

/**
 * Share (0–1) of a solid that a hexagonal lattice of round holes opens: π d² / (2 √3 q²).
 *
 * @param holeMm diameter d of a hole
 * @param pitchMm distance q between neighbouring holes' centres
 */
export const openShare = (holeMm: number, pitchMm: number): number =>
  (Math.PI * holeMm * holeMm) / (2 * Math.sqrt(3) * pitchMm * pitchMm);

/** Opens the solids of an image with round, anti-aliased holes. Holes under 0.8 mm close with powder and are refused. */
export function perforate(
  image: Pixels,
  scan: ArtScan,
  { holeMm, pitchMm }: Perforation,
  pixelMm: number,
): Pixels {
  assertRange('perforate', 'hole', holeMm, 0.8, 10);
  assertRange('perforate', 'pitch', pitchMm, holeMm + 0.4, 50);
  const radius = holeMm / 2 / pixelMm;
  const centres = erodeAny(
    findSolids(scan.shape, SOLID_RADIUS_MM / pixelMm),
    makeDisc(radius + FRAME_MM / pixelMm, true),
  );
  const data = new Uint8Array(image.data);
  const step = pitchMm / pixelMm;
  const rowStep = (step * Math.sqrt(3)) / 2;
  for (let row = 0; row * rowStep < image.height; row++) {
    const y = row * rowStep;
    for (let x = row % 2 === 0 ? 0 : step / 2; x < image.width; x += step)
      if (hasBit(centres, Math.round(x), Math.round(y))) cutHole(data, image, x, y, radius);
  }
  return { ...image, data };
}

function cutHole(data: Uint8Array, { width, height }: Pixels, cx: number, cy: number, radius: number): void {
  for (let y = Math.max(0, Math.floor(cy - radius - 1)); y <= Math.min(height - 1, cy + radius + 1); y++) {
    for (let x = Math.max(0, Math.floor(cx - radius - 1)); x <= Math.min(width - 1, cx + radius + 1); x++) {
      const covered = Math.min(1, Math.max(0, radius + 0.5 - Math.hypot(x - cx, y - cy)));
      const at = 4 * (y * width + x) + 3;
      data[at] = Math.round(data[at] * (1 - covered));
    }
  }
}
