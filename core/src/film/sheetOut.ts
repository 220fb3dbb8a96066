import { cutPlansOf } from './cuts.ts';
import type { CutPlan } from './cuts.ts';
import { laidOf } from './laid.ts';
import { sheetLengthOf } from './layoutOf.ts';
import { cutPathsOf, marksOf } from './marks/index.ts';
import type { CutPath, MarkWishes, SheetMarks, SheetWords } from './marks/index.ts';
import { turnedBox } from './problem.ts';
import type { FilmProblem, Placement, Turn } from './problem.ts';

/** Art as it lies: the upper left corner of its turned box and that box, mm. */
export interface ArtOnSheet {
  key: string;
  itemId: string;
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
  turn: Turn;
}

/** A sheet to be put out. */
export interface SheetOutInput {
  problem: FilmProblem;
  placements: readonly Placement[];
  sheet: number;
  /** What is really printed of an item, mm: outlines lie on whole millimetres round it. By item. */
  printed: Readonly<Record<string, { widthMm: number; heightMm: number }>>;
  wishes: MarkWishes;
  said: SheetWords;
}

/** All that a sheet’s files are made of, as it is read through the film: nothing in it is mirrored. */
export interface SheetOut {
  widthMm: number;
  /** Of a roll, where it is cut off. */
  heightMm: number;
  art: ArtOnSheet[];
  marks: SheetMarks;
  paths: CutPath[];
  plan: CutPlan;
}

/**
 * One sheet of a layout, ready to be put out.
 *
 * @throws RangeError where a placement is of no item
 */
export function sheetOut({ problem, placements, sheet, printed, wishes, said }: SheetOutInput): SheetOut {
  const own = placements.filter((placement) => placement.sheet === sheet);
  const marks = marksOf(problem, own, wishes, said);
  const beside = new Map(
    marks.texts.flatMap(({ key, rect }) => (key === null ? [] : [[key, rect] as const])),
  );
  return {
    widthMm: problem.film.widthMm,
    heightMm: sheetLengthOf(problem, own)(sheet),
    art: laidOf(problem, own).map(({ own: { key, itemId, xMm, yMm, turn }, item, widthMm, heightMm }) => {
      const box = turnedBox(printed[item.id] ?? item, turn);
      const [x, y] = [xMm + (widthMm - box.widthMm) / 2, yMm + (heightMm - box.heightMm) / 2];
      return { key, itemId, xMm: x, yMm: y, ...box, turn };
    }),
    marks,
    paths: cutPathsOf(problem, own, beside),
    plan: cutPlansOf(problem, own).get(sheet) ?? { straight: [], byHand: [] },
  };
}
