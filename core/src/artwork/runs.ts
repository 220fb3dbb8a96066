import { lowestBit, makeBits, setRun } from './bits.ts';
import type { BitPlane } from './bits.ts';

/** A mask as the runs of set pixels of each row: run `i` covers `from[i]` up to but not including `to[i]`. */
export interface Runs {
  width: number;
  height: number;
  /** Runs of row `y` are `rowStart[y]` up to but not including `rowStart[y + 1]`. */
  rowStart: Int32Array;
  from: Int32Array;
  to: Int32Array;
}

/** The runs of a mask, rows from the top, each from the left. */
export function runsOf(bits: BitPlane): Runs {
  const { width, height } = bits;
  const rowStart = new Int32Array(height + 1);
  let from = new Int32Array(Math.max(64, height));
  let to = new Int32Array(from.length);
  let count = 0;
  for (let y = 0; y < height; y++) {
    rowStart[y] = count;
    if (count + (width >> 1) + 1 > from.length) {
      from = grown(from, width);
      to = grown(to, width);
    }
    count = readRow(bits, y, from, to, count);
  }
  rowStart[height] = count;
  return { width, height, rowStart, from: from.subarray(0, count), to: to.subarray(0, count) };
}

function grown(from: Int32Array, width: number): Int32Array<ArrayBuffer> {
  const larger = new Int32Array(2 * from.length + width);
  larger.set(from);
  return larger;
}

function readRow(bits: BitPlane, y: number, from: Int32Array, to: Int32Array, count: number): number {
  const { width, stride, words } = bits;
  let isOpen = false; // a run goes on from the word before
  for (let j = 0; j < stride; j++) {
    const word = words[y * stride + j];
    if (word === (isOpen ? -1 : 0)) continue;
    let edges = word ^ ((word << 1) | (isOpen ? 1 : 0)); // set where a run begins or has just ended
    while (edges !== 0) {
      const x = 32 * j + lowestBit(edges);
      edges &= edges - 1;
      if (isOpen) to[count++] = x;
      else from[count] = x;
      isOpen = !isOpen;
    }
  }
  if (isOpen) to[count++] = width;
  return count;
}

/** Connected parts of a mask. */
export interface Parts {
  runs: Runs;
  /** Part (0 … count − 1) of each run, parts in the order of their first run. */
  partOf: Int32Array;
  count: number;
  /** Pixels of each part. */
  areaPx: Float64Array;
  /** Whether each part touches the mask's border. */
  isAtBorder: Uint8Array;
}

/**
 * Connected parts by union of runs, in time about linear in the runs (disjoint sets with path halving, Tarjan 1975).
 *
 * @param neighbours 4: only sides touch; 8: corners too
 */
export function connectParts(bits: BitPlane, neighbours: 4 | 8): Parts {
  const runs = runsOf(bits);
  const parent = new Int32Array(runs.from.length);
  for (let i = 0; i < parent.length; i++) parent[i] = i;
  const slack = neighbours === 8 ? 1 : 0;
  for (let y = 1; y < runs.height; y++) joinRows(runs, y, slack, parent);
  return numberParts(runs, parent);
}

function joinRows({ rowStart, from, to }: Runs, y: number, slack: number, parent: Int32Array): void {
  let above = rowStart[y - 1];
  const aboveEnd = rowStart[y];
  for (let i = rowStart[y]; i < rowStart[y + 1]; i++) {
    while (above < aboveEnd && to[above] + slack <= from[i]) above++;
    for (let k = above; k < aboveEnd && from[k] < to[i] + slack; k++) {
      const p = rootOf(parent, k);
      const q = rootOf(parent, i);
      if (p < q) parent[q] = p;
      else if (q < p) parent[p] = q;
    }
  }
}

function rootOf(parent: Int32Array, start: number): number {
  let i = start;
  while (parent[i] !== i) {
    parent[i] = parent[parent[i]];
    i = parent[i];
  }
  return i;
}

function numberParts(runs: Runs, parent: Int32Array): Parts {
  const { width, height, rowStart, from, to } = runs;
  const partOf = new Int32Array(parent.length);
  let count = 0;
  for (let i = 0; i < parent.length; i++) {
    const root = rootOf(parent, i); // never after i: roots are the first run of their part
    partOf[i] = root === i ? count++ : partOf[root];
  }
  const areaPx = new Float64Array(count);
  const isAtBorder = new Uint8Array(count);
  for (let y = 0; y < height; y++) {
    for (let i = rowStart[y]; i < rowStart[y + 1]; i++) {
      areaPx[partOf[i]] += to[i] - from[i];
      if (y === 0 || y === height - 1 || from[i] === 0 || to[i] === width) isAtBorder[partOf[i]] = 1;
    }
  }
  return { runs, partOf, count, areaPx, isAtBorder };
}

/** Part that pixel (x, y) belongs to, −1 when it is not set: a search among the row's runs. */
export function partAt({ runs: { rowStart, from, to }, partOf }: Parts, x: number, y: number): number {
  let low = rowStart[y];
  let high = rowStart[y + 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (to[middle] <= x) low = middle + 1;
    else high = middle;
  }
  return low < rowStart[y + 1] && from[low] <= x ? partOf[low] : -1;
}

/** A mask of the parts that `isKept` says yes to. */
export function keepParts({ runs, partOf }: Parts, isKept: (part: number) => boolean): BitPlane {
  const out = makeBits(runs.width, runs.height);
  for (let y = 0; y < runs.height; y++) {
    for (let i = runs.rowStart[y]; i < runs.rowStart[y + 1]; i++)
      if (isKept(partOf[i])) setRun(out, y, runs.from[i], runs.to[i]);
  }
  return out;
}

/** The mask whose set pixels the runs are. */
export function bitsOfRuns({ width, height, rowStart, from, to }: Runs): BitPlane {
  const out = makeBits(width, height);
  for (let y = 0; y < height; y++)
    for (let i = rowStart[y]; i < rowStart[y + 1]; i++) setRun(out, y, from[i], to[i]);
  return out;
}

/** Rectangles round the largest parts, largest first. */
export function largestPartBoxes(
  { runs, partOf, count, areaPx }: Parts,
  limit: number,
): { x: number; y: number; w: number; h: number }[] {
  const wanted = [...areaPx.keys()].sort((p, q) => areaPx[q] - areaPx[p]).slice(0, limit);
  const place = new Int32Array(count).fill(-1);
  wanted.forEach((part, i) => (place[part] = i));
  const edges = wanted.map(() => ({ left: Infinity, top: Infinity, right: -1, bottom: -1 }));
  for (let y = 0; y < runs.height; y++) {
    for (let i = runs.rowStart[y]; i < runs.rowStart[y + 1]; i++) {
      const edge = edges[place[partOf[i]]];
      if (!edge) continue;
      edge.left = Math.min(edge.left, runs.from[i]);
      edge.right = Math.max(edge.right, runs.to[i]);
      edge.top = Math.min(edge.top, y);
      edge.bottom = y + 1;
    }
  }
  return edges.map(({ left, top, right, bottom }) => ({ x: left, y: top, w: right - left, h: bottom - top }));
}
