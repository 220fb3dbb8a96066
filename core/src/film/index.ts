export { filmBound } from './bound.ts';
export type { FilmBound } from './bound.ts';
export { compareLayouts } from './compareLayouts.ts';
export { filmSharesOf } from './filmShares.ts';
export { freeKeys } from './copies.ts';
export { cutPlansOf, cutsOf } from './cuts.ts';
export type { CutPlan, Cuts, StraightCut } from './cuts.ts';
export { faultsOf } from './faults.ts';
export type { LayoutFault } from './faults.ts';
export { layOutFilm } from './layOutFilm.ts';
export type { FilmAnswer, LayOutInput } from './layOutFilm.ts';
export { WORTH_OUTLINE, fillOf, maskOf } from './maskOf.ts';
export { MARK_LETTERS, codeHeightOf, cutPathsOf, marksOf } from './marks/index.ts';
export type { CutPath, MarkWishes, Point, Rect, SheetMarks, SheetWords, TextMark } from './marks/index.ts';
export { endsOf, layoutOf, sheetLengthOf } from './layoutOf.ts';
export { oneMore, oneMoreIn } from './oneMore.ts';
export type { OneMore } from './oneMore.ts';
export { quickLayout } from './quickLayout.ts';
export { sheetOut } from './sheetOut.ts';
export type { ArtOnSheet, SheetOut, SheetOutInput } from './sheetOut.ts';
export { CUTTING, CUT_S, USUAL_EDGE_MM } from './usual.ts';
export { turnedPlacement } from './turnedPlacement.ts';
export { TURNS, turnedBox } from './problem.ts';
export type {
  FilmArea,
  FilmItem,
  FilmLayout,
  FilmProblem,
  KeepOut,
  MaskRows,
  Placement,
  Turn,
  Unplaced,
} from './problem.ts';
