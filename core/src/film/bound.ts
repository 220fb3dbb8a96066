import { boxWork, NO_END } from './boxes/boxWork.ts';
import type { BoxWork } from './boxes/boxWork.ts';
import { PER_MM, rounded, usableOf } from './problem.ts';
import type { FilmProblem } from './problem.ts';
import { cellsOf, grownArea } from './shapes/cells.ts';

/** What no layout of the pieces that fit can do with less than. */
export interface FilmBound {
  /** At least 1 where there is anything to lay. */
  sheets: number;
  /** Of a roll, edges included, mm. */
  lengthMm: number;
}

/**
 * Lower bounds of film, whatever the layout: for boxes by dual feasible functions of their sides (Fekete & Schepers,
 * Mathematical Programming 91, 2001), for outlines by area, each grown by half the gap.
 */
export function filmBound(problem: FilmProblem): FilmBound {
  const work = boxWork(problem);
  if (work.kinds.length === 0) return { sheets: 0, lengthMm: 0 };
  const { keepOut, film, gapMm } = problem;
  const { grownMm, bins } = problem.isByOutline ? byArea(problem, work) : bySides(work);
  const sheets = work.height === NO_END ? 1 : Math.max(1, bins);
  // each piece of roll has its edges, and its last pieces no gap below them: where the gap is larger, more pieces are less
  const each = keepOut.topMm + keepOut.bottomMm - gapMm;
  const most = work.kinds.reduce((sum, { count }) => sum + count, 0);
  const cut = each >= 0 || work.height === NO_END ? sheets : most;
  return { sheets, lengthMm: rounded(film.kind === 'roll' ? grownMm + cut * each : sheets * film.heightMm) };
}

/** `grownMm`: film between the edges, mm, with a gap below the last pieces of each sheet; `bins`: sheets. */
interface Needs {
  grownMm: number;
  bins: number;
}

function byArea(problem: FilmProblem, { kinds }: BoxWork): Needs {
  const { gapMm } = problem;
  const fits = kinds.map(({ item }) => problem.items[item]);
  const area = fits.reduce((sum, item) => sum + item.count * grownArea(cellsOf(item), gapMm / 2), 0);
  const { widthMm, heightMm } = usableOf(problem);
  const grownMm = Math.max(area / (widthMm + gapMm), gapMm + Math.max(...fits.map(shortest)));
  return { grownMm, bins: Math.ceil(area / ((widthMm + gapMm) * (heightMm + gapMm)) - 1e-9) };
}

const shortest = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): number =>
  Math.min(widthMm, heightMm);

function bySides(work: BoxWork): Needs {
  const { kinds, width, height } = work;
  const across = dualFunctions(
    width,
    kinds.flatMap(({ ways }) => ways.map(({ w }) => w)),
  );
  const most = (value: (kind: BoxWork['kinds'][number]) => number): number =>
    kinds.reduce((sum, kind) => sum + kind.count * value(kind), 0);
  let used = Math.max(...kinds.map(({ ways }) => Math.min(...ways.map(({ h }) => h))));
  for (const f of across)
    used = Math.max(
      used,
      most(({ ways }) => Math.min(...ways.map(({ w, h }) => f(w) * h))),
    );
  let bins = 1;
  if (height !== NO_END) {
    const along = dualFunctions(
      height,
      kinds.flatMap(({ ways }) => ways.map(({ h }) => h)),
    );
    for (const f of across)
      for (const g of along)
        bins = Math.max(
          bins,
          Math.ceil(most(({ ways }) => Math.min(...ways.map(({ w, h }) => f(w) * g(h)))) - 1e-9),
        );
  }
  return { grownMm: used / PER_MM, bins };
}

/** Thresholds that are tried at most: a bound need not be the best there is. */
const MOST_THRESHOLDS = 40;

/**
 * Dual feasible functions of a side of length `whole`: sides that fit into it side by side have values that sum to at
 * most 1. The identity, u(k) for k from 1 to 6, and a threshold at each side up to a half.
 */
function dualFunctions(whole: number, sides: readonly number[]): ((side: number) => number)[] {
  const thresholds = [...new Set(sides)].filter((side) => 2 * side <= whole).slice(0, MOST_THRESHOLDS);
  return [
    (side) => side / whole,
    ...[1, 2, 3, 4, 5, 6].map((k) => (side: number): number => {
      const scaled = (k + 1) * side;
      return scaled % whole === 0 ? side / whole : Math.floor(scaled / whole) / k;
    }),
    ...thresholds.map((least) => (side: number): number => {
      if (side > whole - least) return 1;
      return side < least ? 0 : side / whole;
    }),
  ];
}
