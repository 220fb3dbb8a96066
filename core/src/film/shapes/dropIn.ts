import type { Board, Spot } from './board.ts';

/** Rows between two looks, mm: half of what a packing gains by more is lost again while the rest is moved. */
const ROW_MM = 2;

/**
 * Lays pieces that are not laid yet one after the other, each at the first free place from the top and the left, on the
 * first sheet that has one. Copies of the same outline go on where the last one was found, since what is taken stays
 * taken. Yields after each.
 *
 * @param order the pieces to lay; whatever else is on the board lies already
 */
export function* dropIn(board: Board, order: readonly number[]): Generator<void, void> {
  const from = new Map<number, { sheet: number; y: number }>();
  for (const i of order) {
    let best: Spot | null = null;
    for (const variant of board.pieces[i].variants) {
      const found = firstFree(board, variant, {
        from: from.get(variant) ?? { sheet: 0, y: 0 },
        before: best,
      });
      if (found === null) continue;
      from.set(variant, found);
      best = found;
    }
    if (best === null) throw new RangeError(`piece ${i} fits onto no sheet`);
    board.put(i, best);
    yield;
  }
}

interface Search {
  from: { sheet: number; y: number };
  /** A place found already: only what is earlier is looked for. */
  before: Spot | null;
}

function firstFree(board: Board, variant: number, { from, before }: Search): Spot | null {
  const { width, height } = board.variants[variant].cells;
  const { size } = board;
  if (width > size.width || height > size.height) return null;
  for (let { sheet, y } = from; ; sheet++, y = 0) {
    for (; y + height <= size.height; y += ROW_MM) {
      if (before !== null && (sheet > before.sheet || (sheet === before.sheet && y >= before.y))) return null;
      const x = freeInRow(board, { sheet, variant, y });
      if (x !== null) return { sheet, x, y, variant };
    }
  }
}

/** @returns the first free place of a row: what is in the way is stepped over by as much as it takes at least */
function freeInRow(board: Board, { sheet, variant, y }: Omit<Spot, 'x'>): number | null {
  const among = board.inTheWay(sheet, variant, y);
  const most = board.size.width - board.variants[variant].cells.width;
  for (let x = 0; x <= most;) {
    const deep = board.deepest(among, variant, x, y);
    if (deep === 0) return x;
    x += Math.max(1, Math.floor(deep / 16));
  }
  return null;
}
