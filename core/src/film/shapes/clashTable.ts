import { distanceTransform } from '../../artwork/index.ts';
import type { Turn } from '../problem.ts';
import { grown, turnedCells } from './cells.ts';
import type { Cells } from './cells.ts';

/** How far an outline has to be grown so that what it then touches is too near: half widths of rows 0, 1, 2 … away. */
export type Reach = readonly number[];

/**
 * Cells nearer than the gap. Two squares of 1 mm that are i and j cells apart have max(0, |i| − 1) and max(0, |j| − 1)
 * between them: outlines keep the gap as the crow flies, boxes in x or in y.
 */
export function reachOf(gapMm: number, rule: 'outline' | 'box'): Reach {
  const most = gapMm > 0 ? Math.ceil(gapMm - 1e-9) : 0;
  if (rule === 'box' || most === 0) return Array.from({ length: most + 1 }, () => most);
  return Array.from({ length: most + 1 }, (_, j) => {
    let i = 0;
    while (Math.hypot(i, Math.max(0, j - 1)) < gapMm - 1e-9) i++;
    return i; // i cells away leaves i − 1 between: the last that is too near
  });
}

/** Depths are kept in sixteenths of a millimetre. */
const PER_MM = 16;

/**
 * How deep two outlines are in each other, by the offset of the second's box from the first's: the shortest way apart,
 * in sixteenths of a millimetre; 0 where they keep the gap. Offsets outside of it clash nowhere.
 */
export interface ClashView {
  fromX: number;
  toX: number;
  fromY: number;
  toY: number;
  /** The depth of an offset is at `origin + x · stepX + y · stepY`. */
  origin: number;
  stepX: number;
  stepY: number;
  depth: Uint16Array;
}

/** Depth of two outlines whose boxes are (x, y) apart. */
export function depthAt(view: ClashView, x: number, y: number): number {
  if (x < view.fromX || x > view.toX || y < view.fromY || y > view.toY) return 0;
  return view.depth[view.origin + x * view.stepX + y * view.stepY];
}

/** One way round of an outline. */
export interface Variant {
  /** Outlines of the same item. */
  outline: number;
  turn: Turn;
  cells: Cells;
}

/**
 * Tells how two outlines lie to each other at every offset. A table is made when it is first asked for, and serves all
 * turns of a pair and both its orders: `outlines` (`outlines` + 1) / 2 · 4 tables at most.
 */
export class Clashes {
  readonly #outlines: readonly Cells[];
  readonly #variants: readonly Variant[];
  readonly #reach: Reach;
  readonly #tables = new Map<number, ClashView>();
  readonly #views: (ClashView | undefined)[][];

  /** @param outlines unturned, in the order that variants number them by */
  constructor(outlines: readonly Cells[], variants: readonly Variant[], reach: Reach) {
    this.#outlines = outlines;
    this.#variants = variants;
    this.#reach = reach;
    this.#views = variants.map(() => variants.map(() => undefined));
  }

  /** @returns the view of variant `q` from variant `p` */
  view(p: number, q: number): ClashView {
    return (this.#views[p][q] ??= this.#make(p, q));
  }

  /** The views from a variant that were asked for already, by the other's number: for loops that cannot wait. */
  from(p: number): readonly (ClashView | undefined)[] {
    return this.#views[p];
  }

  #make(p: number, q: number): ClashView {
    const a = this.#variants[p];
    const b = this.#variants[q];
    if (a.outline > b.outline) return reversed(this.view(q, p));
    const between = ((b.turn - a.turn + 360) % 360) as Turn;
    let view = this.#table(a.outline, b.outline, between);
    let first = this.#outlines[a.outline];
    let second = turnedCells(this.#outlines[b.outline], between);
    for (let k = 0; k < a.turn / 90; k++) {
      view = quarterTurned(view, first.height - second.height);
      first = turnedSize(first);
      second = turnedSize(second);
    }
    return view;
  }

  #table(first: number, second: number, between: Turn): ClashView {
    const key = (first * this.#outlines.length + second) * 4 + between / 90;
    let table = this.#tables.get(key);
    if (table === undefined) {
      table = clashTable(this.#outlines[first], turnedCells(this.#outlines[second], between), this.#reach);
      this.#tables.set(key, table);
    }
    return table;
  }
}

const turnedSize = ({ width, height, rows }: Cells): Cells => ({ width: height, height: width, rows });

/** The same two outlines, seen from the second. */
const reversed = ({ fromX, toX, fromY, toY, origin, stepX, stepY, depth }: ClashView): ClashView => ({
  fromX: -toX,
  toX: -fromX,
  fromY: -toY,
  toY: -fromY,
  origin,
  stepX: -stepX,
  stepY: -stepY,
  depth,
});

/**
 * The same two outlines a quarter turn on: what was (x, y) apart is now (`more` − y, x) apart.
 *
 * @param more how much higher the first box is than the second, before turning
 */
const quarterTurned = (view: ClashView, more: number): ClashView => ({
  fromX: more - view.toY,
  toX: more - view.fromY,
  fromY: view.fromX,
  toY: view.toX,
  origin: view.origin + view.stepY * more,
  stepX: -view.stepY,
  stepY: view.stepX,
  depth: view.depth,
});

/**
 * All offsets at which two outlines come too near, by the sum of their rows' runs (Minkowski), each as deep as it is far
 * from the next that is free.
 */
export function clashTable(first: Cells, second: Cells, reach: Reach): ClashView {
  const margin = reach.length - 1;
  const wide = grown(first, reach);
  const fromX = -margin - second.width;
  const fromY = -margin - second.height;
  const width = first.width + margin - fromX + 2;
  const height = first.height + margin - fromY + 1;
  const edges = new Int32Array(width * height); // +1 where clashing begins, −1 where it ends
  for (let i = 0; i < wide.rows.length; i++) {
    const above = wide.rows[i];
    for (let j = 0; j < second.height; j++) {
      const own = second.rows[j];
      const row = (i - margin - j - fromY) * width - fromX;
      for (let p = 0; p < above.length; p += 2)
        for (let q = 0; q < own.length; q += 2) {
          edges[row + above[p] - own[q + 1] + 1]++;
          edges[row + above[p + 1] - own[q]]--;
        }
    }
  }
  const clashing = new Uint8Array(edges.length);
  for (let at = 0, open = 0; at < edges.length; at++) {
    open += edges[at];
    clashing[at] = open > 0 ? 1 : 0;
  }
  const distance = distanceTransform(clashing, width, height);
  const depth = new Uint16Array(distance.length);
  for (let at = 0; at < depth.length; at++) depth[at] = Math.round(PER_MM * distance[at]);
  const origin = -fromX - fromY * width;
  const end = { toX: fromX + width - 1, toY: fromY + height - 1 };
  return { fromX, fromY, ...end, origin, stepX: 1, stepY: width, depth };
}
