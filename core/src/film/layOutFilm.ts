import type { Step, Task } from '../task/index.ts';
import { seededRandom } from '../work/index.ts';
import { filmBound } from './bound.ts';
import type { FilmBound } from './bound.ts';
import { boxWork } from './boxes/boxWork.ts';
import { searchBoxes } from './boxes/searchBoxes.ts';
import type { BoxSearch } from './boxes/searchBoxes.ts';
import { compareLayouts } from './compareLayouts.ts';
import { cutsOf } from './cuts.ts';
import { faultsOf } from './faults.ts';
import { layoutOf, placementsOf } from './layoutOf.ts';
import { PER_MM, checkProblem, tooLarge, usableOf } from './problem.ts';
import type { FilmLayout, FilmProblem, Placement } from './problem.ts';
import { searchShapes } from './shapes/searchShapes.ts';

/** What is to be laid out, and how long it is looked for. */
export interface LayOutInput {
  problem: FilmProblem;
  /** The same problem, seed and rounds give the same layout. */
  seed: number;
  /** Steps of the search, each some milliseconds. */
  rounds: number;
  /** A layout to begin with: what comes of it is no worse, where it is a layout of this problem at all. */
  from?: readonly Placement[];
}

/** The best layouts a search has found. */
export interface FilmAnswer {
  /** Of all. */
  best: FilmLayout;
  /** Of those that straight cuts take apart, where one was found. */
  rows: FilmLayout | null;
  bound: FilmBound;
  /** Steps it took to get there. */
  rounds: number;
}

interface LayingOut {
  problem: FilmProblem;
  rounds: number;
  done: number;
  found: Generator<readonly Placement[] | null, void>;
  answer: FilmAnswer;
}

/**
 * Lays pieces on film, at once and then ever better: boxes along a skyline and in rows, outlines by separating them on
 * ever less film. It never gives anything worse than it gave before.
 *
 * @throws RangeError where the problem is none, see `checkProblem`
 */
export const layOutFilm: Task<LayOutInput, LayingOut, FilmAnswer> = {
  start: ({ problem: asked, seed, rounds, from }) => {
    checkProblem(asked);
    const unplaced = new Set(tooLarge(asked).map(({ itemId }) => itemId));
    const problem = { ...asked, items: asked.items.filter(({ id }) => !unplaced.has(id)) };
    const bound = filmBound(problem);
    const known = from !== undefined && isWhole(asked, from) ? from : null;
    const state: LayingOut = {
      problem: asked,
      rounds,
      done: 0,
      found: search(problem, { bound, from: known, random: seededRandom(seed) }),
      answer: { best: layoutOf(asked, asked.locked ?? []), rows: null, bound, rounds: 0 },
    };
    goOn(state); // a first answer is there as soon as it is begun
    if (known !== null) keep(state, known);
    return state;
  },
  improve: goOn,
  answer: ({ answer }) => answer,
  isTelling: true,
};

function goOn(state: LayingOut): Step {
  const { found, rounds } = state;
  const next = found.next();
  state.done++;
  if (next.done !== true && next.value !== null) keep(state, next.value);
  const isDone = next.done === true || state.done >= rounds || isAtBound(state.answer, state.problem);
  return { share: isDone ? 1 : state.done / rounds, isDone };
}

/** Whether placements are a layout of all that fits, with every locked copy where it is. */
function isWhole(problem: FilmProblem, placements: readonly Placement[]): boolean {
  const { items, locked = [], isByOutline } = problem;
  const known = new Set(items.map(({ id }) => id));
  const byKey = new Map(placements.map((own) => [own.key, own]));
  const left = new Set(tooLarge(problem).map(({ itemId }) => itemId));
  const wanted = items.reduce((sum, { id, count }) => sum + (left.has(id) ? 0 : count), 0);
  return (
    placements.length === wanted &&
    byKey.size === wanted &&
    placements.every(({ itemId }) => known.has(itemId)) &&
    (!isByOutline || placements.every(({ xMm, yMm }) => Number.isInteger(xMm) && Number.isInteger(yMm))) &&
    locked.every((own) => isSamePlace(own, byKey.get(own.key))) &&
    faultsOf(problem, placements).length === 0
  );
}

const isSamePlace = (p: Placement, q: Placement | undefined): boolean =>
  p.sheet === q?.sheet && p.xMm === q.xMm && p.yMm === q.yMm && p.turn === q.turn;

function keep(state: LayingOut, placements: readonly Placement[]): void {
  const { problem, answer } = state;
  const layout = layoutOf(problem, placements);
  const isBetter = (than: FilmLayout | null): boolean =>
    than === null || placements.length > than.placements.length || compareLayouts(problem, layout, than) < 0;
  const best = isBetter(answer.best) ? layout : answer.best;
  const isRows = isBetter(answer.rows) && cutsOf(problem, placements).byHand === 0;
  const rows = isRows ? layout : answer.rows;
  if (best !== answer.best || rows !== answer.rows)
    state.answer = { ...answer, best, rows, rounds: state.done };
}

/** On a roll nothing is gained beyond the bound; of sheets, the last one can always be emptier. */
const isAtBound = ({ best, rows, bound }: FilmAnswer, { film }: FilmProblem): boolean =>
  film.kind === 'roll' &&
  [best, rows].every((layout) => layout !== null && layout.lengthMm <= bound.lengthMm + 0.5 / PER_MM);

/** Boxes are searched for so many steps before outlines go on from there. */
const BOX_STEPS_FIRST = 6;
/** More outlines than these lie by their boxes: every pair of them has a weight. */
const MOST_OUTLINES = 2000;
/** Every so often a step goes to rows: where outlines are sought, those need the time. */
const ROWS_EVERY = { boxes: 4, outlines: 16 };

/** Film between the edges, sheet after sheet, that no layout does with less; the last sheet may always be emptier. */
function leastBetweenEdges(problem: FilmProblem, { sheets, lengthMm }: FilmBound): number {
  const { heightMm } = usableOf(problem);
  const { topMm, bottomMm } = problem.keepOut;
  return heightMm === Infinity ? lengthMm - topMm - bottomMm : (sheets - 1) * heightMm;
}

/** What the searches for a problem come to, step by step; it ends where nothing can be gained. */
function* search(
  problem: FilmProblem,
  { bound, from, random }: { bound: FilmBound; from: readonly Placement[] | null; random: () => number },
): Generator<readonly Placement[] | null, void> {
  const work = boxWork(problem);
  if (work.kinds.length === 0) return;
  const hasLocked = (problem.locked ?? []).length > 0;
  const leastMm = leastBetweenEdges(problem, bound);
  const byOutline = (start: readonly Placement[] | null): Generator<readonly Placement[] | null, void> =>
    searchShapes(problem, { start, leastMm, random });
  if (hasLocked) {
    yield* byOutline(from);
    return;
  }
  const packing = (boxes: BoxSearch): Placement[] => placementsOf(problem, work, boxes.best().packing);
  const skyline = searchBoxes(work, 'skyline', random);
  yield packing(skyline);
  const rows = searchBoxes(work, 'rows', random);
  yield packing(rows);
  let outlines: ReturnType<typeof byOutline> | null = null;
  const pieces = problem.items.reduce((sum, { count }) => sum + count, 0);
  const goesByOutline = problem.isByOutline && pieces <= MOST_OUTLINES;
  const rowsEvery = goesByOutline ? ROWS_EVERY.outlines : ROWS_EVERY.boxes;
  for (let step = 1; ; step++) {
    if (step % rowsEvery === 0) yield rows.step() ? packing(rows) : null;
    else if (goesByOutline && step > BOX_STEPS_FIRST) {
      outlines ??= byOutline(from ?? packing(skyline));
      const next = outlines.next();
      if (next.done === true) return;
      yield next.value;
    } else yield skyline.step() ? packing(skyline) : null;
  }
}
