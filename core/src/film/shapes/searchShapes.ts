import type { FilmProblem, Placement } from '../problem.ts';
import { boardOf } from './boardOf.ts';
import type { Board, Places } from './board.ts';
import { dropIn } from './dropIn.ts';
import { separate } from './separate.ts';

/** Film is shortened by this much at first, and at most. */
const FIRST_CUT = 0.03;
const MOST_CUT = 0.02;

/** So many pieces are dropped in one by one; beyond, that would take seconds. */
const MOST_DROPPED = 400;

/**
 * Lays outlines on whole millimetres ever more closely: shortens the film, lets what no longer fits in clash with the
 * rest, and separates the clashes; where that fails, it exchanges two pieces and tries again. Yields every some
 * milliseconds, with the layout where it has a better one; it ends where nothing can be gained any more.
 *
 * @param start a layout to begin with, on whole millimetres; where there is none, or a worse one, pieces are dropped in
 * @param leastMm film between the edges that cannot be done with less
 */
export function* searchShapes(
  problem: FilmProblem,
  { start, leastMm, random }: { start: readonly Placement[] | null; leastMm: number; random: () => number },
): Generator<Placement[] | null, void> {
  const { board, order, read, write } = boardOf(problem);
  const given = start !== null && write(start) ? board.keep() : null; // else it begins without
  if (given === null || order.length <= MOST_DROPPED) {
    for (const i of order) board.lift(i);
    for (const _ of dropIn(board, order)) yield null;
  }
  if (given !== null && !isBetter(board, board.keep(), given)) board.restore(given);
  holdPriorities(board);
  yield read(board.keep());
  for (const better of shorten(board, { leastMm, random })) yield better && read(better);
}

/** Late priority pieces count first, then film. */
function isBetter(board: Board, own: Places, than: Places): boolean {
  const late = ({ sheet }: Places): number =>
    board.pieces.reduce((sum, { priority }, i) => sum + priority * sheet[i], 0);
  const by = late(own) - late(than);
  if (by !== 0) return by < 0;
  board.restore(than);
  const former = board.extent();
  board.restore(own);
  const { last, end } = board.extent();
  return last < former.last || (last === former.last && end < former.end);
}

/** From here on no piece of a priority goes to a later sheet than the latest of its kind lies on. */
function holdPriorities({ pieces, places }: Board): void {
  const latest = new Map<number, number>();
  pieces.forEach(({ priority }, i) =>
    latest.set(priority, Math.max(latest.get(priority) ?? 0, places.sheet[i])),
  );
  for (const piece of pieces) if (piece.priority > 0) piece.latest = latest.get(piece.priority) ?? 0;
}

const fixedOf = ({ pieces }: Board): number[] => pieces.map((_, i) => i).filter((i) => pieces[i].isFixed);

function* shorten(
  board: Board,
  { leastMm, random }: { leastMm: number; random: () => number },
): Generator<Places | null, void> {
  let best = board.keep();
  let { last, end } = board.extent();
  const perSheet = board.size.height;
  const before = (sheet: number): number => (sheet === 0 ? 0 : sheet * perSheet);
  const held = heldBy(board);
  const heights = leastHeights(board);
  const least = Math.max(leastMm, before(held.last) + held.end, ...heights);
  const smallest = Math.min(...heights);
  let cut = Math.max(1, Math.round((before(last) + end) * FIRST_CUT));
  for (let failed = 0; before(last) + end > least;) {
    const wanted = Math.max(least, before(last) + end - cut);
    // a rest that holds nothing is no sheet
    const sheet = last > held.last && wanted < before(last) + smallest ? last - 1 : last;
    board.restore(best);
    shrinkTo(board, { last: sheet, end: sheet === last ? wanted - before(last) : perSheet }, random);
    if (failed > 0) exchangeTwo(board, random);
    const work = separate(board, random);
    let step = work.next();
    for (; step.done !== true; step = work.next()) yield null;
    if (step.value) {
      best = board.keep();
      ({ last, end } = board.extent());
      failed = 0;
      cut = Math.max(1, Math.min(2 * cut, Math.round((before(last) + end) * MOST_CUT)));
      yield best;
    } else {
      failed++;
      cut = Math.max(1, Math.floor(cut / 2));
      yield null;
    }
  }
}

/** The least height that each piece can have, mm. */
const leastHeights = ({ pieces, variants }: Board): number[] =>
  pieces.map((piece) => Math.min(...piece.variants.map((variant) => variants[variant].cells.height)));

/** Where fixed pieces end: film cannot be shorter. */
function heldBy(board: Board): { last: number; end: number } {
  const { sheet, y, variant } = board.places;
  let last = 0;
  let end = 0;
  for (const i of fixedOf(board)) {
    const own = y[i] + board.variants[variant[i]].cells.height;
    if (sheet[i] > last) end = 0;
    last = Math.max(last, sheet[i]);
    if (sheet[i] === last) end = Math.max(end, own);
  }
  return { last, end };
}

/** Takes film away; pieces that lay on it are moved onto what is left. */
function shrinkTo(board: Board, { last, end }: { last: number; end: number }, random: () => number): void {
  board.sheets = last + 1;
  board.end = end;
  board.pieces.forEach((piece, i) => {
    if (piece.isFixed) return;
    const at = board.spotOf(i);
    if (at.sheet > last) at.sheet = Math.floor(random() * Math.min(board.sheets, piece.latest + 1));
    const { cells } = board.variants[at.variant];
    if (cells.height > board.heightOf(at.sheet)) {
      const other = piece.variants.find((variant) => board.fits(variant, at.sheet));
      if (other === undefined) at.sheet = 0;
      else at.variant = other;
    }
    const { width, height } = board.variants[at.variant].cells;
    at.x = Math.max(0, Math.min(at.x, board.size.width - width));
    at.y = Math.max(0, Math.min(at.y, board.heightOf(at.sheet) - height));
    board.put(i, at);
  });
}

/** Exchanges two pieces of different items, middle for middle. */
function exchangeTwo(board: Board, random: () => number): void {
  const free = board.pieces.map((_, i) => i).filter((i) => !board.pieces[i].isFixed);
  if (free.length < 2) return;
  const pick = (): number => free[Math.floor(random() * free.length)];
  for (let tries = 0; tries < 20; tries++) {
    const i = pick();
    const j = pick();
    const p = board.spotOf(i);
    const q = board.spotOf(j);
    if (board.variants[p.variant].outline === board.variants[q.variant].outline) continue;
    if (p.sheet > board.pieces[j].latest || q.sheet > board.pieces[i].latest) continue;
    moveMiddle(board, i, p, q);
    moveMiddle(board, j, q, p);
    return;
  }
}

function moveMiddle(
  board: Board,
  i: number,
  from: ReturnType<Board['spotOf']>,
  to: ReturnType<Board['spotOf']>,
): void {
  const own = board.variants[from.variant].cells;
  const other = board.variants[to.variant].cells;
  if (own.height > board.heightOf(to.sheet)) return;
  const x = to.x + Math.round((other.width - own.width) / 2);
  const y = to.y + Math.round((other.height - own.height) / 2);
  board.put(i, {
    sheet: to.sheet,
    variant: from.variant,
    x: Math.max(0, Math.min(x, board.size.width - own.width)),
    y: Math.max(0, Math.min(y, board.heightOf(to.sheet) - own.height)),
  });
}
