import { laidOf } from '../laid.ts';
import type { Laid } from '../laid.ts';
import type { FilmProblem, Placement } from '../problem.ts';
import { cellsOf, turnedCells } from '../shapes/cells.ts';
import type { Cells } from '../shapes/cells.ts';

/** An upright rectangle on film, mm from its corner. */
export interface Rect {
  x: number;
  y: number;
  right: number;
  bottom: number;
}

export const rectOf = (x: number, y: number, widthMm: number, heightMm: number): Rect => ({
  x,
  y,
  right: x + widthMm,
  bottom: y + heightMm,
});
export const grownBy = ({ x, y, right, bottom }: Rect, mm: number): Rect => ({
  x: x - mm,
  y: y - mm,
  right: right + mm,
  bottom: bottom + mm,
});
export const overlap = (p: Rect, q: Rect): boolean =>
  p.x < q.right && q.x < p.right && p.y < q.bottom && q.y < p.bottom;
export const isWithin = (p: Rect, q: Rect): boolean =>
  p.x >= q.x - 1e-9 && p.right <= q.right + 1e-9 && p.y >= q.y - 1e-9 && p.bottom <= q.bottom + 1e-9;

/** A piece as it lies on a sheet; `cells` where its outline counts, from the corner of its box. */
export interface PieceLaid extends Laid {
  rect: Rect;
  cells: Cells | null;
}

/** Pieces of one sheet, with the outlines that count. */
export function piecesLaid(problem: FilmProblem, placements: readonly Placement[]): PieceLaid[] {
  const known = new Map<string, Cells>();
  return laidOf(problem, placements).map((laid) => {
    const { own, item, widthMm, heightMm } = laid;
    const rect = rectOf(own.xMm, own.yMm, widthMm, heightMm);
    if (!problem.isByOutline || item.mask === null) return { ...laid, rect, cells: null };
    const name = `${item.id} ${own.turn}`;
    const cells = known.get(name) ?? turnedCells(cellsOf(item), own.turn);
    known.set(name, cells);
    return { ...laid, rect, cells };
  });
}

/** Whether anything of a piece lies in a rectangle. */
export function lies({ rect: box, cells }: PieceLaid, rect: Rect): boolean {
  if (!overlap(box, rect)) return false;
  if (cells === null) return true;
  const from = Math.max(0, Math.floor(rect.y - box.y + 1e-9));
  const to = Math.min(cells.height, Math.ceil(rect.bottom - box.y - 1e-9));
  const [left, right] = [rect.x - box.x, rect.right - box.x];
  for (let y = from; y < to; y++) {
    const row = cells.rows[y];
    for (let k = 0; k < row.length; k += 2)
      if (row[k] < right - 1e-9 && row[k + 1] > left + 1e-9) return true;
  }
  return false;
}
