import type { Board, Clash, Places, Spot } from './board.ts';

/** Places tried anywhere, and round where a piece lies, each time it moves. */
const ANYWHERE = 20;
const NEARBY = 10;
const NEARBY_MM = 30;
/** The best of those are followed downhill. */
const FOLLOWED = 3;
const FIRST_STEP_MM = 16;
/** Passes without progress before it starts again from the best, and how often it does. */
const PATIENCE = 50;
const STRIKES = 2;
/** Pieces looked at between two looks up: a few milliseconds. */
const LOOKS_A_STEP = 100_000;
/** Pieces that are nearby when one is looked at, about. */
const NEIGHBOURS = 20;

/**
 * Moves pieces that clash until none does: each goes where the weighted depths in its neighbours are least, found by
 * sampling and descent; weights of pairs that still clash grow, so that no clash is stable. Guided local search on
 * overlap (Egeblad, Nielsen & Odgaard, European Journal of Operational Research 183, 2007), by penetration depths.
 * Yields now and then.
 *
 * @returns whether no two pieces clash any more
 */
export function* separate(board: Board, random: () => number): Generator<void, boolean> {
  const n = board.pieces.length;
  board.weight.fill(1);
  let { pairs, depth } = findClashes(board);
  let least = depth;
  let best: Places = board.keep();
  let looks = 0;
  for (let strikes = 0; strikes < STRIKES; strikes++) {
    for (let idle = 0; idle < PATIENCE; idle++) {
      if (depth === 0) return true;
      for (const i of shuffled([...new Set(pairs.flatMap(({ i: p, j: q }) => [p, q]))], random)) {
        if (board.pieces[i].isFixed || board.cost(i, board.spotOf(i), 1e-9) === 0) continue;
        looks += NEIGHBOURS * move(board, i, random);
        if (looks < LOOKS_A_STEP) continue;
        looks = 0;
        yield;
      }
      ({ pairs, depth } = findClashes(board));
      weigh(board, pairs);
      if (depth < 0.98 * least) idle = -1;
      if (depth < least) {
        least = depth;
        best = board.keep();
      }
      looks += NEIGHBOURS * n;
    }
    board.restore(best);
    board.weight.fill(1);
    ({ pairs, depth } = findClashes(board));
  }
  return depth === 0;
}

/** Every pair that clashes, and their depths together. */
function findClashes(board: Board): { pairs: Clash[]; depth: number } {
  const pairs = board.clashes();
  return { pairs, depth: pairs.reduce((sum, { deep }) => sum + deep, 0) };
}

/** What clashes counts more from now on, the deepest twice as much; the rest forgets. */
function weigh({ weight, pieces }: Board, pairs: readonly Clash[]): void {
  const n = pieces.length;
  const was = pairs.map(({ i, j }) => weight[i * n + j]);
  const deepest = pairs.reduce((most, { deep }) => Math.max(most, deep), 0);
  for (let at = 0; at < weight.length; at++) if (weight[at] > 1) weight[at] = Math.max(1, weight[at] * 0.95);
  pairs.forEach(({ i, j, deep }, k) => {
    weight[i * n + j] = weight[j * n + i] = was[k] * (1.2 + (0.8 * deep) / deepest);
  });
}

/** Puts a piece where it clashes least. @returns how many places were looked at */
function move(board: Board, i: number, random: () => number): number {
  const from = board.spotOf(i);
  const stays = board.cost(i, from, Infinity);
  const found: { spot: Spot; cost: number }[] = [{ spot: from, cost: stays }];
  let looks = 1;
  const look = (spot: Spot | null): void => {
    if (spot === null) return;
    looks++;
    const enough = found.length < FOLLOWED ? Infinity : found[found.length - 1].cost;
    const cost = board.cost(i, spot, enough);
    if (cost >= enough) return;
    let at = found.length;
    while (at > 0 && found[at - 1].cost > cost) at--;
    found.splice(at, 0, { spot, cost });
    if (found.length > FOLLOWED) found.pop();
  };
  for (let k = 0; k < ANYWHERE; k++) look(anySpot(board, i, random));
  for (let k = 0; k < NEARBY; k++) look(nearbySpot(board, i, random));
  let best = { spot: from, cost: Infinity };
  for (const candidate of found) {
    const down = descend(board, i, candidate, random);
    looks += down.looks;
    if (down.cost < best.cost) best = down;
    if (best.cost === 0) break;
  }
  if (best.cost <= stays) board.put(i, best.spot);
  return looks;
}

const pickOf = <T>(list: readonly T[], random: () => number): T => list[Math.floor(random() * list.length)];

function anySpot(board: Board, i: number, random: () => number): Spot | null {
  const { variants, latest } = board.pieces[i];
  const sheet = Math.floor(random() * Math.min(board.sheets, latest + 1));
  const variant = pickOf(variants, random);
  if (!board.fits(variant, sheet)) return null;
  const { cells } = board.variants[variant];
  return {
    sheet,
    variant,
    x: Math.floor(random() * (board.size.width - cells.width + 1)),
    y: Math.floor(random() * (board.heightOf(sheet) - cells.height + 1)),
  };
}

/** A place near where a piece lies, as often as not turned about its middle. */
function nearbySpot(board: Board, i: number, random: () => number): Spot | null {
  const { sheet, x, y, variant: own } = board.spotOf(i);
  const variant = random() < 0.5 ? own : pickOf(board.pieces[i].variants, random);
  if (!board.fits(variant, sheet)) return null;
  const is = board.variants[own].cells;
  const will = board.variants[variant].cells;
  const off = (): number => (2 * random() - 1) * NEARBY_MM;
  return {
    sheet,
    variant,
    x: within(Math.round(x + (is.width - will.width) / 2 + off()), board.size.width - will.width),
    y: within(Math.round(y + (is.height - will.height) / 2 + off()), board.heightOf(sheet) - will.height),
  };
}

const within = (value: number, most: number): number => Math.max(0, Math.min(most, value));

/** Follows a place downhill: along x, y or a diagonal, in steps that grow where they help and shrink where they do not. */
function descend(
  board: Board,
  i: number,
  { spot, cost }: { spot: Spot; cost: number },
  random: () => number,
): { spot: Spot; cost: number; looks: number } {
  const { cells } = board.variants[spot.variant];
  const mostX = board.size.width - cells.width;
  const mostY = board.heightOf(spot.sheet) - cells.height;
  const at = { ...spot };
  const next = { ...spot }; // one object for all looks: there are millions
  let looks = 0;
  for (let stepX = FIRST_STEP_MM, stepY = FIRST_STEP_MM; cost > 0 && (stepX >= 1 || stepY >= 1);) {
    const way = Math.floor(4 * random()); // x, y, and two diagonals
    const byX = way === 1 ? 0 : Math.max(1, Math.round(stepX));
    const byY = way === 0 ? 0 : Math.max(1, Math.round(stepY)) * (way === 3 ? -1 : 1);
    let isBetter = false;
    for (let sign = 1; sign >= -1 && !isBetter; sign -= 2) {
      next.x = within(at.x + sign * byX, mostX);
      next.y = within(at.y + sign * byY, mostY);
      if (next.x === at.x && next.y === at.y) continue;
      looks++;
      const found = board.cost(i, next, cost);
      if (found >= cost) continue;
      at.x = next.x;
      at.y = next.y;
      cost = found;
      isBetter = true;
    }
    const by = isBetter ? 1.1 : way >= 2 ? 0.7 : 0.5;
    if (byX !== 0) stepX *= by;
    if (byY !== 0) stepY *= by;
  }
  return { spot: at, cost, looks };
}

function shuffled<T>(list: T[], random: () => number): T[] {
  for (let k = list.length - 1; k > 0; k--) {
    const at = Math.floor(random() * (k + 1));
    [list[k], list[at]] = [list[at], list[k]];
  }
  return list;
}
