/** How far a piece is turned, clockwise, degrees. */
export type Turn = 0 | 90 | 180 | 270;
export const TURNS: readonly Turn[] = [0, 90, 180, 270];

/** What is printed on: sheets of one size, or a roll that is cut where the layout ends. */
export type FilmArea =
  | { kind: 'sheet'; widthMm: number; heightMm: number }
  /** `maxLengthMm`: the longest piece that the printer takes in one go; what is beyond goes to a next one. */
  | { kind: 'roll'; widthMm: number; maxLengthMm: number | null };

/** Film along its edges that stays empty. */
export interface KeepOut {
  leftMm: number;
  rightMm: number;
  topMm: number;
  bottomMm: number;
}

/** A mask of cells of 1 mm, row by row: start and length of each run, from the left. */
export type MaskRows = readonly (readonly number[])[];

/** One artwork at one size, and how many of it are wanted. */
export interface FilmItem {
  id: string;
  widthMm: number;
  heightMm: number;
  count: number;
  /** The ways round it may lie; at least one. */
  turns: readonly Turn[];
  /** Above 0: onto the earliest sheets; the highest first. */
  priority: number;
  /** Its outline, as many rows as it is high in mm, unturned; `null` where its box is its outline. */
  mask: MaskRows | null;
}

/** Where a copy lies: the upper left corner of its turned box, from the film's own corner. */
export interface Placement {
  /** The item's id, `#`, and the copy's number from 0. */
  key: string;
  itemId: string;
  /** From 0. */
  sheet: number;
  xMm: number;
  yMm: number;
  turn: Turn;
}

/** Film to be laid out. */
export interface FilmProblem {
  film: FilmArea;
  keepOut: KeepOut;
  /**
   * Room between two pieces: for boxes in x or in y, for outlines as the crow flies between any two cells.
   */
  gapMm: number;
  items: readonly FilmItem[];
  /** Pieces lie by their outlines, on whole millimetres, rather than by their boxes. */
  isByOutline: boolean;
  /** Copies that stay where they are; counted among the items' own. */
  locked?: readonly Placement[];
}

/** A copy that fits nowhere on this film, and the film it would take. */
export interface Unplaced {
  itemId: string;
  count: number;
  /** Width and height of the least sheet it would lie on in its best allowed turn, mm, edges included. */
  neededWidthMm: number;
  neededHeightMm: number;
}

/** One way of laying a problem's pieces. */
export interface FilmLayout {
  placements: readonly Placement[];
  /** Sheets, or pieces of roll, that hold something. */
  sheets: number;
  /** Film along the feed, mm, edges included: of a roll what is cut off, of sheets their heights together. */
  lengthMm: number;
  unplaced: readonly Unplaced[];
}

/** Places inside are whole hundredths of a millimetre: sums are exact, and finer than any printer feeds. */
export const PER_MM = 100;
export const inHundredths = (mm: number): number => Math.round(mm * PER_MM);
/** To hundredths of a millimetre. */
export const rounded = (mm: number): number => inHundredths(mm) / PER_MM;

/** Room that pieces may lie in: its upper left corner and its size, mm; height `Infinity` where a roll has no longest length. */
export interface Usable {
  leftMm: number;
  topMm: number;
  widthMm: number;
  heightMm: number;
}

/** Outlines lie on whole millimetres, and so do boxes that have to find their way round locked ones. */
export const isOnWholeMm = ({ isByOutline, locked = [] }: FilmProblem): boolean =>
  isByOutline || locked.length > 0;

/** What may be used of a sheet, or of a roll; on whole millimetres where pieces lie on those. */
export function usableOf(problem: FilmProblem): Usable {
  const { film, keepOut } = problem;
  const height = film.kind === 'sheet' ? film.heightMm : (film.maxLengthMm ?? Infinity);
  const [up, down] = isOnWholeMm(problem) ? [ceilMm, floorMm] : [same, same];
  const leftMm = up(keepOut.leftMm);
  const topMm = up(keepOut.topMm);
  return {
    leftMm,
    topMm,
    widthMm: down(film.widthMm - keepOut.rightMm) - leftMm,
    heightMm: down(height - keepOut.bottomMm) - topMm,
  };
}

export const ceilMm = (mm: number): number => Math.ceil(mm - 1e-9);
const floorMm = (mm: number): number => Math.floor(mm + 1e-9);
const same = (mm: number): number => mm;

/** Width and height of an item's box at a turn, mm. */
export const turnedBox = (
  { widthMm, heightMm }: Pick<FilmItem, 'widthMm' | 'heightMm'>,
  turn: Turn,
): { widthMm: number; heightMm: number } =>
  turn % 180 === 0 ? { widthMm, heightMm } : { widthMm: heightMm, heightMm: widthMm };

/** Items that lie on this film in no allowed turn, and the film each would take. */
export function tooLarge(problem: FilmProblem): Unplaced[] {
  const { widthMm, heightMm } = usableOf(problem);
  const { keepOut } = problem;
  const size = isOnWholeMm(problem) ? ceilMm : same;
  return problem.items.flatMap((item) => {
    if (item.count === 0) return [];
    const boxes = item.turns.map((turn) => turnedBox(item, turn));
    if (boxes.some((box) => size(box.widthMm) <= widthMm + 1e-9 && size(box.heightMm) <= heightMm + 1e-9))
      return [];
    const [narrowest] = [...boxes].sort((p, q) => p.widthMm - q.widthMm);
    return narrowest
      ? [
          {
            itemId: item.id,
            count: item.count,
            neededWidthMm: narrowest.widthMm + keepOut.leftMm + keepOut.rightMm,
            neededHeightMm: narrowest.heightMm + keepOut.topMm + keepOut.bottomMm,
          },
        ]
      : [];
  });
}

/** Refuses what is no problem at all: a fault of whoever made it. @throws RangeError */
export function checkProblem(problem: FilmProblem): void {
  const { widthMm, heightMm } = usableOf(problem);
  if (!(widthMm > 0 && heightMm > 0)) throw new RangeError('the edges leave no film to lay anything on');
  if (!(problem.gapMm >= 0)) throw new RangeError(`a gap of ${problem.gapMm} mm`);
  const ids = new Set<string>();
  for (const { id, widthMm: w, heightMm: h, count, turns, mask } of problem.items) {
    if (ids.has(id)) throw new RangeError(`two items are called ${id}`);
    ids.add(id);
    if (!(w > 0 && h > 0)) throw new RangeError(`${id} is ${w} × ${h} mm`);
    if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} copies of ${id}`);
    if (turns.length === 0) throw new RangeError(`${id} may lie no way round`);
    if (mask && (mask.length !== h || !Number.isInteger(w)))
      throw new RangeError(`the mask of ${id} has ${mask.length} rows for ${w} × ${h} mm`);
  }
  for (const { key, itemId, xMm, yMm } of problem.locked ?? []) {
    if (!ids.has(itemId)) throw new RangeError(`${key} is locked, but there is no item ${itemId}`);
    if (problem.isByOutline && !(Number.isInteger(xMm) && Number.isInteger(yMm)))
      throw new RangeError(`${key} is locked between whole millimetres`);
  }
}
