import { freeKeys } from '../copies.ts';
import { usableOf } from '../problem.ts';
import type { FilmItem, FilmProblem, Placement } from '../problem.ts';
import { Board } from './board.ts';
import type { Piece, Places } from './board.ts';
import { areaOf, cellsOf, distinctTurns, isSame, turnedCells } from './cells.ts';
import type { Cells } from './cells.ts';
import { reachOf } from './clashTable.ts';
import type { Variant } from './clashTable.ts';

/** A problem as a board of whole millimetres, and the way between the two. */
export interface ProblemBoard {
  board: Board;
  /** Pieces to be laid, those of high priority first, then the largest. */
  order: readonly number[];
  read: (places: Places) => Placement[];
  /** Lays pieces where a layout has them; whether that is a layout on the board's whole millimetres. */
  write: (placements: readonly Placement[]) => boolean;
}

interface NamedPiece extends Piece {
  key: string;
  item: FilmItem;
  locked: Placement | null;
}

const pieceOf = (item: FilmItem, key: string, locked: Placement | null): Omit<NamedPiece, 'variants'> => ({
  key,
  item,
  locked,
  isFixed: locked !== null,
  priority: item.priority,
  latest: Infinity,
});

/** @param problem its pieces all fit; those that are locked lie on the board already */
export function boardOf(problem: FilmProblem): ProblemBoard {
  const { items, locked = [], gapMm, isByOutline } = problem;
  const usable = usableOf(problem);
  const outlines = items.map(cellsOf);
  const variants: Variant[] = [];
  const variantsOf = items.map(({ turns }, outline) =>
    distinctTurns(outlines[outline], turns).map(
      ({ turn, cells }) => variants.push({ outline, turn, cells }) - 1,
    ),
  );
  const pieces: NamedPiece[] = [];
  for (const own of locked) {
    const item = items.find(({ id }) => id === own.itemId);
    if (item === undefined) throw new RangeError(`${own.key} is locked, but there is no item ${own.itemId}`);
    const cells = coveredBy(own, cellsOf(item), usable);
    const variant = variants.push({ outline: outlines.push(cells) - 1, turn: 0, cells }) - 1;
    pieces.push({ ...pieceOf(item, own.key, own), variants: [variant] });
  }
  freeKeys(problem).forEach((keys, i) =>
    keys.forEach((key) => pieces.push({ ...pieceOf(items[i], key, null), variants: variantsOf[i] })),
  );
  const board = new Board(outlines, variants, {
    pieces,
    size: { width: usable.widthMm, height: usable.heightMm },
    reach: reachOf(gapMm, isByOutline ? 'outline' : 'box'),
  });
  pieces.forEach(({ locked: at, variants: [variant] }, i) => {
    if (at)
      board.put(i, {
        sheet: at.sheet,
        x: cell(at.xMm - usable.leftMm),
        y: cell(at.yMm - usable.topMm),
        variant,
      });
  });
  const area = outlines.map(areaOf);
  const areaOfPiece = (i: number): number => area[variants[pieces[i].variants[0]].outline];
  return {
    board,
    order: pieces
      .map((_, i) => i)
      .filter((i) => !pieces[i].isFixed)
      .sort(
        (p, q) =>
          pieces[q].item.priority - pieces[p].item.priority || areaOfPiece(q) - areaOfPiece(p) || p - q,
      ),
    read: (places) =>
      pieces.map(({ key, item, locked: at }, i): Placement => {
        if (at) return at;
        const { turn } = variants[places.variant[i]];
        const xMm = places.x[i] + usable.leftMm;
        return { key, itemId: item.id, sheet: places.sheet[i], xMm, yMm: places.y[i] + usable.topMm, turn };
      }),
    write: (placements) => {
      const byKey = new Map(placements.map((own) => [own.key, own]));
      for (const [i, { key, item, locked: at, variants: own }] of pieces.entries()) {
        if (at) continue;
        const to = byKey.get(key);
        if (to === undefined) return false;
        const [x, y] = [to.xMm - usable.leftMm, to.yMm - usable.topMm];
        const variant = own.find((k) => isSame(variants[k].cells, turnedCells(cellsOf(item), to.turn)));
        if (variant === undefined || !isWhole(x) || !isWhole(y)) return false;
        const { width, height } = variants[variant].cells;
        if (x < 0 || y < 0 || x + width > usable.widthMm || y + height > usable.heightMm) return false;
        board.put(i, { sheet: to.sheet, x: Math.round(x), y: Math.round(y), variant });
      }
      return board.clashes().length === 0;
    },
  };
}

const cell = (mm: number): number => Math.floor(mm + 1e-9);

/** Cells that a locked piece touches, from the one its corner lies in: only boxes may lie between cells. */
function coveredBy(
  { xMm, yMm, turn }: Placement,
  cells: Cells,
  { leftMm, topMm }: { leftMm: number; topMm: number },
): Cells {
  const own = turnedCells(cells, turn);
  const moreX = isWhole(xMm - leftMm) ? 0 : 1;
  const moreY = isWhole(yMm - topMm) ? 0 : 1;
  const wider = own.rows.map((row) => row.map((x, k) => (k % 2 === 1 ? x + moreX : x)));
  const rows = moreY === 0 ? wider : [...wider, wider.at(-1) ?? Int32Array.of()];
  return { width: own.width + moreX, height: own.height + moreY, rows };
}

const isWhole = (mm: number): boolean => Math.abs(mm - Math.round(mm)) < 1e-9;
