import { forEachBit, hasBit, invertBits } from '../bits.ts';
import type { BitPlane } from '../bits.ts';
import { makeDisc } from '../disc.ts';
import { SHAPE_ALPHA } from '../pixels.ts';
import type { Pixels } from '../pixels.ts';
import type { ArtScan } from '../scan.ts';
import { dilateAny, findThinParts } from '../thinParts.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';

/** Widens the thin parts of the shape evenly, in the colour of the nearest of their pixels, with a smooth edge. */
export function thicken(
  image: Pixels,
  { shape }: ArtScan,
  { thinnerThanMm, byMm }: Extract<StepWork, { kind: 'thicken' }>,
  pitchMm: number,
): Pixels {
  assertRange('thicken', 'width', thinnerThanMm, 0.05, 5);
  assertRange('thicken', 'amount', byMm, 0.01, 3);
  const thin = findThinParts(shape, thinnerThanMm / pitchMm);
  const grow = byMm / 2 / pitchMm;
  const reached = dilateAny(
    thin,
    makeDisc(grow + 1, false),
    invertBits({ ...thin, words: new Int32Array(thin.words.length) }),
  );
  const around = nearestFirst(grow + 1);
  const data = new Uint8Array(image.data);
  forEachBit(reached, (x, y) => widenAt(image, data, x, y, { thin, around, grow, width: reached.width }));
  return { ...image, data };
}

interface Widening {
  thin: BitPlane;
  around: { dx: number; dy: number; distance: number }[];
  grow: number;
  width: number;
}

function widenAt(image: Pixels, data: Uint8Array, x: number, y: number, work: Widening): void {
  const { thin, around, grow, width } = work;
  const nearest = around.find(({ dx, dy }) => hasBit(thin, x + dx, y + dy));
  if (!nearest) return;
  const to = 4 * (y * width + x);
  const covered = Math.min(1, Math.max(0, grow + 1 - nearest.distance)); // the line's own edge is half a pixel beyond its last centre
  const alpha = Math.round(255 * covered);
  if (alpha <= data[to + 3]) return;
  if (image.data[to + 3] < SHAPE_ALPHA) {
    const from = 4 * ((y + nearest.dy) * width + x + nearest.dx);
    data.set(image.data.subarray(from, from + 3), to);
  }
  data[to + 3] = alpha;
}

function nearestFirst(radius: number): Widening['around'] {
  const whole = Math.ceil(radius);
  const all: Widening['around'] = [];
  for (let dy = -whole; dy <= whole; dy++)
    for (let dx = -whole; dx <= whole; dx++) {
      const distance = Math.hypot(dx, dy);
      if (distance < radius) all.push({ dx, dy, distance });
    }
  return all.sort((p, q) => p.distance - q.distance);
}
