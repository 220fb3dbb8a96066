import { laidOf } from './laid.ts';
import { sheetLengthOf } from './layoutOf.ts';
import type { FilmProblem, Placement } from './problem.ts';

/** What it takes to cut a layout apart. */
export interface Cuts {
  /** From edge to edge of what is in the hand, with a trimmer. */
  straight: number;
  /** Pieces that no straight cut sets free: each is cut out with knife or scissors. */
  byHand: number;
}

/** A cut from edge to edge of what is in the hand: down the film at an x, or across it at a y, from the film’s corner. */
export interface StraightCut {
  way: 'down' | 'across';
  atMm: number;
  fromMm: number;
  toMm: number;
}

/** How one sheet is cut apart. */
export interface CutPlan {
  /** In the order they are made: what a cut goes through lies in one piece then. */
  straight: StraightCut[];
  /** Copies that are cut out by hand, by key. */
  byHand: string[];
}

/** A straight cut needs a way so wide: a hand keeps a trimmer or a ruler to within a millimetre (assumption). */
const LEAST_WAY_MM = 2;

interface Box {
  key: string;
  x: number;
  y: number;
  right: number;
  bottom: number;
}
type Part = Omit<Box, 'key'>;

/** Cuts of a layout, see {@link cutPlansOf}. */
export function cutsOf(problem: FilmProblem, placements: readonly Placement[]): Cuts {
  const sum: Cuts = { straight: 0, byHand: 0 };
  for (const { straight, byHand } of cutPlansOf(problem, placements).values()) {
    sum.straight += straight.length;
    sum.byHand += byHand.length;
  }
  return sum;
}

/**
 * How each sheet is cut apart: by straight cuts from edge to edge as far as they go, part by part, each in the middle of
 * the way it has, which must be wide enough for it; what they cannot part costs one cut by hand a piece.
 *
 * @returns plans by sheet
 * @throws RangeError where a placement is of no item
 */
export function cutPlansOf(problem: FilmProblem, placements: readonly Placement[]): Map<number, CutPlan> {
  const sheets = new Map<number, Box[]>();
  for (const { own, widthMm, heightMm } of laidOf(problem, placements)) {
    const { key, sheet, xMm, yMm } = own;
    const boxes = sheets.get(sheet) ?? [];
    boxes.push({ key, x: xMm, y: yMm, right: xMm + widthMm, bottom: yMm + heightMm });
    sheets.set(sheet, boxes);
  }
  const { widthMm: right } = problem.film;
  const lengthOf = sheetLengthOf(problem, placements);
  const plans = new Map<number, CutPlan>();
  for (const [sheet, boxes] of sheets) {
    const plan: CutPlan = { straight: [], byHand: [] };
    const wayMm = Math.min(problem.gapMm, LEAST_WAY_MM);
    takeApart(boxes, { x: 0, y: 0, right, bottom: lengthOf(sheet) }, { plan, wayMm });
    plans.set(sheet, plan);
  }
  return plans;
}

function takeApart(
  boxes: readonly Box[],
  held: Part,
  { plan, wayMm }: { plan: CutPlan; wayMm: number },
): void {
  if (boxes.length < 2) return;
  const columns = partsAlong(
    boxes,
    ({ x }) => x,
    ({ right }) => right + wayMm,
  );
  const parts =
    columns ??
    partsAlong(
      boxes,
      ({ y }) => y,
      ({ bottom }) => bottom + wayMm,
    );
  if (parts === null) {
    plan.byHand.push(...boxes.map(({ key }) => key));
    return;
  }
  const [from, to] = columns ? (['x', 'right'] as const) : (['y', 'bottom'] as const);
  const [acrossFrom, acrossTo] = columns ? (['y', 'bottom'] as const) : (['x', 'right'] as const);
  let begin = held[from];
  for (const [i, part] of parts.entries()) {
    const next = parts[i + 1];
    let end = held[to];
    if (next) {
      end = (Math.max(...part.map((box) => box[to])) + Math.min(...next.map((box) => box[from]))) / 2;
      const way = columns ? 'down' : 'across';
      plan.straight.push({ way, atMm: end, fromMm: held[acrossFrom], toMm: held[acrossTo] });
    }
    takeApart(part, { ...held, [from]: begin, [to]: end }, { plan, wayMm });
    begin = end;
  }
}

/** Groups with a straight way between them; `null` where there is none. @param to where the next may begin */
function partsAlong(
  boxes: readonly Box[],
  from: (box: Box) => number,
  to: (box: Box) => number,
): Box[][] | null {
  const parts: Box[][] = [];
  let end = -Infinity;
  for (const box of [...boxes].sort((p, q) => from(p) - from(q))) {
    const isApart = from(box) >= end - 1e-6;
    if (isApart || parts.length === 0) parts.push([box]);
    else parts[parts.length - 1].push(box);
    end = Math.max(end, to(box));
  }
  return parts.length > 1 ? parts : null;
}
