import type { Disc } from './disc.ts';
import { turned } from './disc.ts';
import type { Runs } from './runs.ts';

/**
 * Pixels round which the whole disc is set, on runs: for discs of any reach. Work grows with the runs, not with the
 * pixels, and a row whose runs are all shorter than the disc is wide ends at once.
 */
export function erodeRuns(runs: Runs, disc: Disc): Runs {
  const order = fromWidest(disc);
  return eachRow(runs, (y, row) => {
    for (const i of order) {
      const v = y + disc.top + i;
      if (v < 0 || v >= runs.height) row.count = 0;
      else intersectShrunk(row, runs, v, disc.from[i], disc.to[i]);
      if (row.count === 0) return;
    }
  });
}

/** Pixels that the disc, laid round any set pixel, covers. */
export function dilateRuns(runs: Runs, disc: Disc): Runs {
  const { top, from, to } = turned(disc);
  return eachRow(runs, (y, row) => {
    row.count = 0;
    for (let i = 0; i < from.length; i++) {
      const v = y + top + i;
      if (v >= 0 && v < runs.height) uniteGrown(row, runs, v, from[i], to[i]);
    }
  });
}

/** Runs of one row while it is worked on, with as much room again to write the next state. */
interface RowWork {
  count: number;
  from: Int32Array;
  to: Int32Array;
  nextFrom: Int32Array;
  nextTo: Int32Array;
}

function eachRow(runs: Runs, work: (y: number, row: RowWork) => void): Runs {
  const room = (runs.width >> 1) + 2;
  const make = (): Int32Array => new Int32Array(room);
  const row: RowWork = { count: 0, from: make(), to: make(), nextFrom: make(), nextTo: make() };
  const rowStart = new Int32Array(runs.height + 1);
  const outFrom: number[] = [];
  const outTo: number[] = [];
  for (let y = 0; y < runs.height; y++) {
    rowStart[y] = outFrom.length;
    row.count = 1;
    row.from[0] = 0;
    row.to[0] = runs.width;
    work(y, row);
    for (let i = 0; i < row.count; i++) {
      outFrom.push(row.from[i]);
      outTo.push(row.to[i]);
    }
  }
  rowStart[runs.height] = outFrom.length;
  return {
    width: runs.width,
    height: runs.height,
    rowStart,
    from: Int32Array.from(outFrom),
    to: Int32Array.from(outTo),
  };
}

/** Rows of the disc, the widest first: it empties a row soonest. */
function fromWidest({ from, to }: Disc): number[] {
  return from.map((_, i) => i).sort((p, q) => to[q] - from[q] - (to[p] - from[p]));
}

/** Keeps of the row's runs what lies in those of row `v`, each made shorter by the span. */
function intersectShrunk(row: RowWork, runs: Runs, v: number, dxFrom: number, dxTo: number): void {
  let count = 0;
  let i = 0;
  for (let k = runs.rowStart[v]; k < runs.rowStart[v + 1]; k++) {
    const left = runs.from[k] - dxFrom;
    const right = runs.to[k] - dxTo;
    if (left >= right) continue;
    while (i < row.count && row.to[i] <= left) i++;
    while (i < row.count && row.from[i] < right) {
      row.nextFrom[count] = Math.max(left, row.from[i]);
      row.nextTo[count++] = Math.min(right, row.to[i]);
      if (row.to[i] > right) break;
      i++;
    }
    if (i >= row.count) break;
  }
  takeNext(row, count);
}

/** Adds to the row's runs the pixels that see one of row `v` within the span, cut off at the sides. */
function uniteGrown(row: RowWork, runs: Runs, v: number, dxFrom: number, dxTo: number): void {
  const end = runs.rowStart[v + 1];
  let k = runs.rowStart[v];
  let i = 0;
  let count = 0;
  while (i < row.count || k < end) {
    const own = i < row.count ? row.from[i] : Infinity;
    const other = k < end ? Math.max(0, runs.from[k] - dxTo) : Infinity;
    const isOwn = own <= other;
    const left = isOwn ? own : other;
    const right = isOwn ? row.to[i++] : Math.min(runs.width, runs.to[k++] - dxFrom);
    if (right <= left) continue;
    if (count > 0 && left <= row.nextTo[count - 1]) {
      if (right > row.nextTo[count - 1]) row.nextTo[count - 1] = right;
    } else {
      row.nextFrom[count] = left;
      row.nextTo[count++] = right;
    }
  }
  takeNext(row, count);
}

function takeNext(row: RowWork, count: number): void {
  [row.from, row.nextFrom] = [row.nextFrom, row.from];
  [row.to, row.nextTo] = [row.nextTo, row.to];
  row.count = count;
}
