import { FAINT_ALPHA } from '../artwork/index.ts';
import type { Pixels } from '../artwork/index.ts';
import { joinParts } from './joinParts.ts';
import { ceilMm } from './problem.ts';
import type { MaskRows } from './problem.ts';
import { areaOf, cellsOf } from './shapes/cells.ts';

/**
 * The outline of printed art on cells of 1 mm: every cell that anything is printed in. The art lies in the middle of a
 * box of whole millimetres. Art in several parts is one piece of film: the shortest ways between them belong to it.
 *
 * @param art as many pixels as there are; coarser than the cells it is spread over them
 * @param withHoles whether others may lie in its holes
 */
export function maskOf(
  { width, height, data }: Pixels,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  withHoles: boolean,
): { widthMm: number; heightMm: number; rows: MaskRows } {
  const [w, h] = [ceilMm(widthMm), ceilMm(heightMm)];
  const cells = new Uint8Array(w * h);
  const scaleX = widthMm / width;
  const scaleY = heightMm / height;
  const left = (w - widthMm) / 2;
  const top = (h - heightMm) / 2;
  for (let y = 0; y < height; y++) {
    const [fromY, toY] = span(top + y * scaleY, scaleY, h);
    for (let x = 0; x < width; x++) {
      if (data[4 * (y * width + x) + 3] < FAINT_ALPHA) continue;
      const [fromX, toX] = span(left + x * scaleX, scaleX, w);
      for (let j = fromY; j <= toY; j++) cells.fill(1, j * w + fromX, j * w + toX + 1);
    }
  }
  if (!withHoles) fillHoles(cells, w, h);
  joinParts({ cells, width: w, height: h });
  return { widthMm: w, heightMm: h, rows: rowsOf(cells, w, h) };
}

/** Cells that a pixel touches. */
const span = (from: number, size: number, cells: number): [from: number, to: number] => [
  Math.max(0, Math.floor(from + 1e-9)),
  Math.min(cells - 1, Math.ceil(from + size - 1e-9) - 1),
];

/** Whatever cannot be reached from the edges of the box belongs to the shape. */
function fillHoles(cells: Uint8Array, width: number, height: number): void {
  const open: number[] = [];
  const reach = (at: number): void => {
    if (cells[at] !== 0) return;
    cells[at] = 2;
    open.push(at);
  };
  for (let x = 0; x < width; x++) {
    reach(x);
    reach((height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    reach(y * width);
    reach(y * width + width - 1);
  }
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const x = at % width;
    if (x > 0) reach(at - 1);
    if (x < width - 1) reach(at + 1);
    if (at >= width) reach(at - width);
    if (at < cells.length - width) reach(at + width);
  }
  for (let at = 0; at < cells.length; at++) cells[at] = cells[at] === 2 ? 0 : 1;
}

function rowsOf(cells: Uint8Array, width: number, height: number): number[][] {
  return Array.from({ length: height }, (_, y) => {
    const runs: number[] = [];
    for (let x = 0; x < width;) {
      const from = x;
      while (x < width && cells[y * width + x] !== 0) x++;
      if (x > from) runs.push(from, x - from);
      else x++;
    }
    return runs;
  });
}

/** How much of its box an outline fills, 0–1. */
export const fillOf = ({
  widthMm,
  heightMm,
  rows,
}: {
  widthMm: number;
  heightMm: number;
  rows: MaskRows;
}): number => areaOf(cellsOf({ widthMm, heightMm, mask: rows })) / (widthMm * heightMm);

/** Fuller than this, a box is laid as a box: closing in gains little film, and cutting islands out costs hands. */
export const WORTH_OUTLINE = 0.8;
