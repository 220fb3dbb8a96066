import { ceilMm, inHundredths, isOnWholeMm, turnedBox, usableOf } from '../problem.ts';
import type { FilmProblem, Turn } from '../problem.ts';

/** One way a kind of box may lie, hundredths of a millimetre, the gap added to both sides. */
export interface Way {
  w: number;
  h: number;
  turn: Turn;
}

/** Boxes of one item. */
export interface BoxKind {
  /** Place in the problem's items. */
  item: number;
  count: number;
  priority: number;
  ways: readonly Way[];
}

/**
 * Boxes to be packed into bins of one size. The gap is added to boxes and bins alike, so that neighbours keep it and
 * edges do not.
 */
export interface BoxWork {
  /** Hundredths of a millimetre. */
  width: number;
  /** Of one bin; `NO_END` on a roll without a longest length. */
  height: number;
  /** What of bins counts: of a roll where the boxes of each end, of sheets how many, and the area filled of the last. */
  isCutAtEnd: boolean;
  /** Of a roll: film that each piece takes besides, its edges less the gap that is counted twice. */
  perPiece: number;
  kinds: readonly BoxKind[];
}

/** Longer than any film, and its square is still exact. */
export const NO_END = 2 ** 26;

/** The boxes of a problem that fit at all, rounded up where pieces lie on whole millimetres; whatever is locked. */
export function boxWork(problem: FilmProblem): BoxWork {
  const isWhole = isOnWholeMm(problem);
  const size = (mm: number): number => inHundredths(isWhole ? ceilMm(mm) : mm);
  const gap = size(problem.gapMm);
  const usable = usableOf(problem);
  const width = inHundredths(usable.widthMm) + gap;
  const height = usable.heightMm === Infinity ? NO_END : inHundredths(usable.heightMm) + gap;
  const kinds = problem.items.flatMap((item, i): BoxKind[] => {
    const ways: Way[] = [];
    for (const turn of item.turns) {
      const box = turnedBox(item, turn);
      const way = { w: size(box.widthMm) + gap, h: size(box.heightMm) + gap, turn };
      const isNew = !ways.some(({ w, h }) => w === way.w && h === way.h);
      if (isNew && way.w <= width && way.h <= height) ways.push(way);
    }
    const { count, priority } = item;
    return ways.length > 0 && count > 0 ? [{ item: i, count, priority, ways }] : [];
  });
  const { topMm, bottomMm } = problem.keepOut;
  const perPiece = inHundredths(topMm + bottomMm) - gap;
  return { width, height, isCutAtEnd: problem.film.kind === 'roll', perPiece, kinds };
}

/** A packing, box by box in the order of a sequence of kinds. */
export interface Packing {
  kind: Int32Array;
  /** Place in the kind's ways. */
  way: Uint8Array;
  bin: Int32Array;
  x: Int32Array;
  y: Int32Array;
}

export const emptyPacking = (count: number): Packing => ({
  kind: new Int32Array(count),
  way: new Uint8Array(count),
  bin: new Int32Array(count),
  x: new Int32Array(count),
  y: new Int32Array(count),
});

export const copyOf = ({ kind, way, bin, x, y }: Packing): Packing => ({
  kind: kind.slice(),
  way: way.slice(),
  bin: bin.slice(),
  x: x.slice(),
  y: y.slice(),
});

/** Priority before film: bins that boxes of a priority lie on count this much, more than any film does. */
export const PRIORITY_COST = 2 ** 32;

/**
 * What a packing costs, the least being best: first priority boxes on late bins, then film.
 *
 * @returns hundredths of a millimetre of film along the feed, plus `PRIORITY_COST` for every bin a priority box is late
 */
export function costOf(work: BoxWork, packing: Packing): number {
  const { kind, way, bin } = packing;
  let last = 0;
  let late = 0;
  for (let i = 0; i < kind.length; i++) {
    if (bin[i] > last) last = bin[i];
    late += work.kinds[kind[i]].priority * bin[i];
  }
  if (work.isCutAtEnd) return late * PRIORITY_COST + lengthOf(work, packing, last + 1);
  let rest = 0;
  for (let i = 0; i < kind.length; i++) {
    if (bin[i] !== last) continue;
    const { w, h } = work.kinds[kind[i]].ways[way[i]];
    rest += (w * h) / work.width;
  }
  return late * PRIORITY_COST + last * work.height + rest;
}

/** Film of a roll that is cut off behind the last box of each piece. */
function lengthOf(work: BoxWork, { kind, way, bin, y }: Packing, pieces: number): number {
  const ends = new Float64Array(pieces);
  for (let i = 0; i < kind.length; i++) {
    const end = y[i] + work.kinds[kind[i]].ways[way[i]].h;
    if (end > ends[bin[i]]) ends[bin[i]] = end;
  }
  return ends.reduce((sum, end) => sum + end, pieces * work.perPiece);
}
