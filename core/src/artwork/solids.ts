import { boundsOfBits, hasBit, makeBits } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { distanceTransform } from './distance.ts';
import type { Box } from './pixels.ts';
import { makeDisc } from './disc.ts';
import { dilateRuns, erodeRuns } from './runMorphology.ts';
import { bitsOfRuns, connectParts, keepParts, runsOf } from './runs.ts';

/** The largest circle inside a shape. */
export interface LargestCircle {
  /** Squared distance, px², from its centre to the nearest pixel outside the shape; 0 when the shape is empty. */
  squaredPx: number;
  x: number;
  y: number;
}

/** A square of pixels, with bounds for the distance to the outside from any of them, px. */
interface Cell {
  x: number;
  y: number;
  size: number;
  atLeast: number;
  atMost: number;
}

/** Side of the cells the shape is first looked at in, px. */
const CELL = 16;

/**
 * The largest circle inside a shape, exactly: branch and bound over cells of pixels. Distance to the outside changes by at most
 * one px per px, so a cell's middle bounds all of it; only cells that may still hold the largest are split. Where cells tell
 * nothing, since all of the shape is thinner than they are, its pixels are thinned out first.
 */
export function findLargestCircle(shape: BitPlane): LargestCircle {
  const box = boundsOfBits(shape);
  if (box === null) return { squaredPx: 0, x: 0, y: 0 };
  const coarse = coarseDistances(shape);
  const columns = Math.ceil(shape.width / CELL);
  // a pixel outside lies within half a cell's diagonal of its cell's middle, and so does the pixel asked about
  const slack = (CELL - 1) * Math.SQRT2;
  let sure = 0;
  for (const d of coarse) if (CELL * d - slack > sure) sure = CELL * d - slack;
  if (sure === 0) return circleOfThin(shape, box, 2 * CELL + slack);
  let best: LargestCircle = { squaredPx: 0, x: 0, y: 0 };
  const open: Cell[] = [];
  for (let i = 0; i < coarse.length; i++) {
    const atMost = CELL * coarse[i] + slack;
    if (atMost < sure) continue;
    const atLeast = CELL * coarse[i] - slack;
    open.push({ x: (i % columns) * CELL, y: Math.floor(i / columns) * CELL, size: CELL, atLeast, atMost });
  }
  open.sort((p, q) => p.atMost - q.atMost);
  for (let cell = open.pop(); cell; cell = open.pop()) {
    const atMostHere = Math.min(cell.atMost, mostInBox(cell, box));
    if (atMostHere * atMostHere <= best.squaredPx) continue;
    const half = cell.size >> 1;
    const x = Math.min(shape.width - 1, cell.x + half);
    const y = Math.min(shape.height - 1, cell.y + half);
    const squaredPx = squaredToOutside(shape, box, x, y, cell);
    if (squaredPx > best.squaredPx) best = { squaredPx, x, y };
    if (cell.size === 1) continue;
    const stretch = half * Math.SQRT2; // from (x, y) to the farthest pixel of the cell
    const atMost = Math.sqrt(squaredPx) + stretch;
    const atLeast = Math.sqrt(squaredPx) - stretch;
    if (atMost * atMost <= best.squaredPx) continue;
    for (const [cx, cy] of [
      [cell.x, cell.y],
      [cell.x + half, cell.y],
      [cell.x, cell.y + half],
      [cell.x + half, cell.y + half],
    ])
      if (cx < shape.width && cy < shape.height) open.push({ x: cx, y: cy, size: half, atLeast, atMost });
  }
  return best;
}

/** The same of a shape of lines and dots: the largest whole radius at which any pixel is left, and of those the best. */
function circleOfThin(shape: BitPlane, box: Box, atMostPx: number): LargestCircle {
  const runs = runsOf(shape);
  let centres = runs;
  let atLeast = 0;
  for (let tooFar = Math.ceil(atMostPx); tooFar - atLeast > 1;) {
    const radius = (atLeast + tooFar) >> 1;
    const left = erodeRuns(runs, makeDisc(radius, true));
    if (left.from.length === 0) tooFar = radius;
    else {
      atLeast = radius;
      centres = left;
    }
  }
  const bounds = { x: 0, y: 0, size: 1, atLeast, atMost: atLeast + 1 };
  const most = bounds.atMost * bounds.atMost;
  let best: LargestCircle = { squaredPx: 0, x: 0, y: 0 };
  for (let y = 0; y < centres.height; y++) {
    for (let i = centres.rowStart[y]; i < centres.rowStart[y + 1]; i++) {
      for (let x = centres.from[i]; x < centres.to[i]; x++) {
        const squaredPx = squaredToOutside(shape, box, x, y, bounds);
        if (squaredPx > best.squaredPx) best = { squaredPx, x, y };
        if (squaredPx === most) return best;
      }
    }
  }
  return best;
}

/** Distance of each cell, in cells, to the nearest that is not wholly inside the shape; beyond the image none is. */
function coarseDistances(shape: BitPlane): Float64Array {
  const columns = Math.ceil(shape.width / CELL);
  const rows = Math.ceil(shape.height / CELL);
  const inside = new Uint8Array(columns * rows).fill(1);
  for (let y = 0; y < shape.height; y++) {
    const row = (y >> 4) * columns;
    for (let j = 0; j < shape.stride; j++) {
      const word = shape.words[y * shape.stride + j];
      if (word === -1) continue;
      if ((word & 0xffff) !== 0xffff) inside[row + 2 * j] = 0;
      if (word >>> 16 !== 0xffff && 2 * j + 1 < columns) inside[row + 2 * j + 1] = 0;
    }
  }
  if (shape.height % CELL !== 0) inside.fill(0, (rows - 1) * columns); // cells cut off by the image's edge
  return distanceTransform(inside, columns, rows);
}

/** Largest distance, px, that a pixel of a cell can have to what lies outside the rectangle round the shape. */
function mostInBox({ x, y, size }: Cell, box: Box): number {
  const along = (from: number, start: number, length: number): number => {
    const middle = start + (length - 1) / 2;
    const nearest = Math.min(Math.max(middle, from), from + size - 1);
    return (length + 1) / 2 - Math.abs(nearest - middle);
  };
  return Math.min(along(x, box.x, box.w), along(y, box.y, box.h));
}

/** Squared distance from pixel (x, y) of a cell to the nearest one not set; 0 when it is not set itself. Only what the bounds leave open is looked at. */
function squaredToOutside(
  shape: BitPlane,
  box: Box,
  x: number,
  y: number,
  { atLeast, atMost }: Cell,
): number {
  if (!hasBit(shape, x, y)) return 0;
  let best = Math.min(x - box.x + 1, box.x + box.w - x, y - box.y + 1, box.y + box.h - y) ** 2;
  best = Math.min(best, Math.ceil(atMost * atMost) + 1);
  const known = atLeast > 0 ? atLeast * atLeast : 0;
  for (let dy = 0; dy * dy < best; dy++) {
    const reach = Math.ceil(Math.sqrt(best - dy * dy));
    const skip = Math.max(0, Math.floor(Math.sqrt(Math.max(0, known - dy * dy))) - 1);
    const dx = Math.min(
      clearWithin(shape, x, y - dy, skip, reach),
      clearWithin(shape, x, y + dy, skip, reach),
    );
    if (dx * dx + dy * dy < best) best = dx * dx + dy * dy;
  }
  return best;
}

/** Distance along row `y` from x to the nearest pixel not set at least `skip` away, if within reach, else more than that. */
function clearWithin(shape: BitPlane, x: number, y: number, skip: number, reach: number): number {
  const { stride, words } = shape;
  const row = y * stride;
  let right = Infinity;
  let j = (x + skip) >> 5;
  for (let mask = -1 << ((x + skip) & 31); 32 * j <= x + reach; j++, mask = -1) {
    const clear = j < stride ? ~words[row + j] & mask : mask;
    if (clear === 0) continue;
    right = 32 * j + 31 - Math.clz32(clear & -clear) - x;
    break;
  }
  if (x - skip < 0) return right;
  j = (x - skip) >> 5;
  for (let mask = -1 >>> (31 - ((x - skip) & 31)); j >= 0 && 32 * j + 31 >= x - reach; j--, mask = -1) {
    const clear = ~words[row + j] & mask;
    if (clear === 0) continue;
    return Math.min(right, x - (32 * j + 31 - Math.clz32(clear)));
  }
  return right;
}

/** Where a disc of radius `radiusPx` has room inside a shape: an opening on the whole-pixel lattice. */
export function findSolids(shape: BitPlane, radiusPx: number): BitPlane {
  const centres = erodeRuns(runsOf(shape), makeDisc(radiusPx + 0.5, false));
  if (centres.from.length === 0) return makeBits(shape.width, shape.height);
  return bitsOfRuns(dilateRuns(centres, makeDisc(radiusPx, true)));
}

/** The largest eight-connected part of a mask, and its pixels. */
export function largestPart(bits: BitPlane): { px: number; bits: BitPlane } {
  const parts = connectParts(bits, 8);
  if (parts.count === 0) return { px: 0, bits };
  const largest = parts.areaPx.reduce((best, area, part) => (area > parts.areaPx[best] ? part : best), 0);
  return { px: parts.areaPx[largest], bits: keepParts(parts, (part) => part === largest) };
}
