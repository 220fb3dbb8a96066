import { TURNS, ceilMm } from '../problem.ts';
import type { FilmItem, MaskRows, Turn } from '../problem.ts';

/** An outline as runs of cells of 1 mm, row by row: first cell and the one after the last, in turn. */
export interface Cells {
  width: number;
  height: number;
  rows: readonly Int32Array[];
}

/** An item's outline unturned: its mask, or its box rounded up to whole millimetres. */
export function cellsOf({ widthMm, heightMm, mask }: Pick<FilmItem, 'widthMm' | 'heightMm' | 'mask'>): Cells {
  const width = ceilMm(widthMm);
  const height = ceilMm(heightMm);
  if (mask) return { width, height, rows: mask.map(runsOfRow) };
  const whole = Int32Array.of(0, width);
  return { width, height, rows: Array.from({ length: height }, () => whole) };
}

function runsOfRow(row: MaskRows[number]): Int32Array {
  const runs: number[] = [];
  for (let k = 0; k + 1 < row.length; k += 2) {
    if (row[k + 1] <= 0) continue;
    if (runs.at(-1) === row[k]) runs[runs.length - 1] += row[k + 1];
    else runs.push(row[k], row[k] + row[k + 1]);
  }
  return Int32Array.from(runs);
}

/** The outline a quarter turn clockwise: (x, y) goes to (height − 1 − y, x). */
export function quarterTurn({ width, height, rows }: Cells): Cells {
  const runs: number[][] = Array.from({ length: width }, () => []);
  for (let y = height - 1; y >= 0; y--) {
    const at = height - 1 - y;
    const row = rows[y];
    for (let k = 0; k < row.length; k += 2)
      for (let x = row[k]; x < row[k + 1]; x++) {
        const own = runs[x];
        if (own.length > 0 && own[own.length - 1] === at) own[own.length - 1] = at + 1;
        else own.push(at, at + 1);
      }
  }
  return { width: height, height: width, rows: runs.map((own) => Int32Array.from(own)) };
}

/** The outline at a turn. */
export function turnedCells(cells: Cells, turn: Turn): Cells {
  let turned = cells;
  for (let k = 0; k < turn / 90; k++) turned = quarterTurn(turned);
  return turned;
}

/** An item's allowed turns without those that look the same as one before. */
export function distinctTurns(cells: Cells, turns: readonly Turn[]): { turn: Turn; cells: Cells }[] {
  const found: { turn: Turn; cells: Cells }[] = [];
  for (const turn of TURNS) {
    if (!turns.includes(turn)) continue;
    const own = turnedCells(cells, turn);
    if (!found.some((other) => isSame(own, other.cells))) found.push({ turn, cells: own });
  }
  return found;
}

/** Whether two outlines are the same. */
export const isSame = (p: Cells, q: Cells): boolean =>
  p.width === q.width &&
  p.height === q.height &&
  p.rows.every((row, y) => row.length === q.rows[y].length && row.every((x, k) => x === q.rows[y][k]));

/** Cells of an outline, mm². */
export const areaOf = ({ rows }: Cells): number =>
  rows.reduce((sum, row) => {
    for (let k = 0; k < row.length; k += 2) sum += row[k + 1] - row[k];
    return sum;
  }, 0);

/**
 * Area of an outline grown by a radius, mm², never more than it is: only cells that lie whole in the grown square of a
 * single cell count.
 */
export function grownArea(cells: Cells, radiusMm: number): number {
  const reach = Math.floor(radiusMm);
  const halfWidths = Array.from({ length: reach + 1 }, (_, dy) =>
    Math.floor(Math.sqrt(radiusMm * radiusMm - dy * dy) + 1e-9),
  );
  return areaOf(grown(cells, halfWidths));
}

/**
 * An outline grown by a set of steps that is the same up and down, left and right.
 *
 * @param halfWidths how far it grows to either side in the rows 0, 1, 2 … above and below each cell
 * @returns rows from −(`halfWidths.length` − 1) on; columns keep their numbers and may be below 0
 */
export function grown({ width, height, rows }: Cells, halfWidths: readonly number[]): Cells {
  const reach = halfWidths.length - 1;
  const out: Int32Array[] = [];
  for (let y = -reach; y < height + reach; y++) {
    const spans: [number, number][] = [];
    for (let from = Math.max(0, y - reach); from <= Math.min(height - 1, y + reach); from++) {
      const by = halfWidths[Math.abs(from - y)];
      const row = rows[from];
      for (let k = 0; k < row.length; k += 2) spans.push([row[k] - by, row[k + 1] + by]);
    }
    out.push(joined(spans));
  }
  return { width: width + 2 * reach, height: height + 2 * reach, rows: out };
}

function joined(spans: [number, number][]): Int32Array {
  spans.sort((p, q) => p[0] - q[0]);
  const runs: number[] = [];
  for (const [from, to] of spans) {
    if (runs.length > 0 && from <= runs[runs.length - 1])
      runs[runs.length - 1] = Math.max(runs[runs.length - 1], to);
    else runs.push(from, to);
  }
  return Int32Array.from(runs);
}
