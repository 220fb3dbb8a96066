import { SHAPE_ALPHA } from './pixels.ts';
import type { ArtScan } from './scan.ts';
import type { WhitePlane } from './white.ts';

const DIRECTIONS = 12; // every 15°

/**
 * How wide the shape is at a pixel: the shortest of the chords through it, tried every 15°.
 * For a person's eye; the thin parts of the figures are found exactly, in another way.
 *
 * @param atMostPx longest chord of interest, px
 * @returns px; 0 outside the shape
 */
export function narrowestChordPx(scan: ArtScan, x: number, y: number, atMostPx: number): number {
  const isShape = (u: number, v: number): boolean => {
    const [i, k] = [Math.round(u), Math.round(v)];
    const isIn = i >= 0 && k >= 0 && i < scan.width && k < scan.height;
    return isIn && scan.pixels[k * scan.width + i] >>> 24 >= SHAPE_ALPHA;
  };
  if (!isShape(x, y)) return 0;
  let narrowest = atMostPx;
  for (let d = 0; d < DIRECTIONS; d++) {
    const dx = Math.cos((Math.PI * d) / DIRECTIONS);
    const dy = Math.sin((Math.PI * d) / DIRECTIONS);
    let length = 1;
    for (const way of [1, -1])
      for (let s = 1; length < narrowest && isShape(x + way * s * dx, y + way * s * dy); s++) length++;
    narrowest = Math.min(narrowest, length);
  }
  return narrowest;
}

/** White code (0–255) at an image pixel; 0 outside the plane. */
export function whiteAt(white: WhitePlane | null, x: number, y: number): number {
  if (white === null) return 0;
  const { box, plane } = white;
  const dx = x - box.x;
  const dy = y - box.y;
  return dx < 0 || dy < 0 || dx >= box.w || dy >= box.h ? 0 : plane[dy * box.w + dx];
}
