import { distanceTransform } from '../../artwork/index.ts';
import type { FilmProblem, Placement } from '../problem.ts';
import { contoursOf, simplified, turningOf } from './contour.ts';
import type { Point } from './contour.ts';
import { grownBy, piecesLaid } from './room.ts';
import type { PieceLaid, Rect } from './room.ts';

/** How a piece is cut out: closed lines round it, the first point not repeated. */
export interface CutPath {
  key: string;
  /** One, but where an outline lies in several parts. */
  loops: Point[][];
}

/** Points of the lattice that outlines are grown on, per mm. */
const LATTICE = 2;
/** A path may stray so far from the line it stands for, mm. */
const SLACK_MM = 0.1;
/** A cell of the lattice reaches this far from its middle at most, mm. */
const CELL_REACH_MM = Math.SQRT1_2 / LATTICE;

/** Room round what is printed beside a piece, mm: a path keeps it, and so do others. */
export const MARK_ROOM_MM = 0.2;

/**
 * Paths that cut the pieces of one sheet out: half the gap away from what is printed, so that none crosses a
 * neighbour, and round what is printed beside a piece. Boxes are cut as boxes, outlines along their own line.
 *
 * @param placements of one sheet
 * @param beside rectangles that stay with a piece, by its key
 * @throws RangeError where a placement is of no item
 */
export function cutPathsOf(
  problem: FilmProblem,
  placements: readonly Placement[],
  beside: ReadonlyMap<string, Rect> = new Map(),
): CutPath[] {
  return piecesLaid(problem, placements).map((piece) => ({
    key: piece.own.key,
    loops: problem.isByOutline
      ? alongOutline(piece, problem.gapMm / 2, beside.get(piece.own.key) ?? null)
      : [cornersOf(onFilm(grownBy(piece.rect, problem.gapMm / 2), problem))],
  }));
}

function onFilm({ x, y, right, bottom }: Rect, { film }: FilmProblem): Rect {
  const end = film.kind === 'sheet' ? film.heightMm : (film.maxLengthMm ?? Infinity);
  return {
    x: Math.max(0, x),
    y: Math.max(0, y),
    right: Math.min(film.widthMm, right),
    bottom: Math.min(end, bottom),
  };
}

const cornersOf = ({ x, y, right, bottom }: Rect): Point[] => [
  [x, y],
  [right, y],
  [right, bottom],
  [x, bottom],
];

/** The line that lies `byMm` from an outline, a little less near its corners; never more. */
function alongOutline(piece: PieceLaid, byMm: number, mark: Rect | null): Point[][] {
  const { rect } = piece;
  const pad = 2 * Math.ceil(byMm) + 4; // beyond the window counts as printed: what is near it is not looked at
  const window = {
    x: Math.floor(Math.min(rect.x, mark?.x ?? rect.x)) - pad,
    y: Math.floor(Math.min(rect.y, mark?.y ?? rect.y)) - pad,
    right: Math.ceil(Math.max(rect.right, mark?.right ?? rect.right)) + pad,
    bottom: Math.ceil(Math.max(rect.bottom, mark?.bottom ?? rect.bottom)) + pad,
  };
  const field = fieldOf(window, filled(piece), Math.max(byMm, 2 * CELL_REACH_MM));
  if (mark) {
    const own = fieldOf(window, [mark], MARK_ROOM_MM + CELL_REACH_MM);
    for (let i = 0; i < own.values.length; i++) field.values[i] = Math.min(field.values[i], own.values[i]);
  }
  return contoursOf(field)
    .filter((loop) => turningOf(loop) > 0) // others may lie in its holes: they are cut out by themselves
    .map((loop) =>
      simplified(
        loop.map(([x, y]) => inMm(window, x, y)),
        SLACK_MM,
      ),
    );
}

/** Middle of a cell of the lattice. */
const inMm = (window: Rect, x: number, y: number): Point => [
  window.x + (x + 0.5) / LATTICE,
  window.y + (y + 0.5) / LATTICE,
];

/** What is printed of a piece, as rectangles. */
function filled({ rect, cells }: PieceLaid): Rect[] {
  if (cells === null) return [rect];
  return cells.rows.flatMap((row, y) =>
    Array.from({ length: row.length / 2 }, (_, k) => ({
      x: rect.x + row[2 * k],
      right: rect.x + row[2 * k + 1],
      y: rect.y + y,
      bottom: rect.y + y + 1,
    })),
  );
}

/** Distance from rectangles less a radius, at the middles of a lattice's cells; below 0 is inside. */
function fieldOf(
  window: Rect,
  rects: readonly Rect[],
  radiusMm: number,
): { values: Float64Array; columns: number; rows: number } {
  const columns = LATTICE * (window.right - window.x);
  const rows = LATTICE * (window.bottom - window.y);
  const outside = new Uint8Array(columns * rows).fill(1);
  for (const { x, y, right, bottom } of rects) {
    const from = Math.floor(LATTICE * (x - window.x) + 1e-9);
    const to = Math.ceil(LATTICE * (right - window.x) - 1e-9);
    const last = Math.ceil(LATTICE * (bottom - window.y) - 1e-9);
    for (let row = Math.floor(LATTICE * (y - window.y) + 1e-9); row < last; row++)
      outside.fill(0, row * columns + from, row * columns + to);
  }
  const values = distanceTransform(outside, columns, rows);
  const skip = LATTICE * (Math.ceil(radiusMm) + 1);
  for (let row = 0, i = 0; row < rows; row++)
    for (let column = 0; column < columns; column++, i++) {
      const isNear = Math.min(row, column, rows - 1 - row, columns - 1 - column) < skip;
      values[i] = isNear ? radiusMm : values[i] / LATTICE - radiusMm;
    }
  return { values, columns, rows };
}
