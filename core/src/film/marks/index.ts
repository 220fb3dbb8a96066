export { cutPathsOf } from './cutPaths.ts';
export type { CutPath } from './cutPaths.ts';
export type { Point } from './contour.ts';
export { MARK_LETTERS, codeHeightOf, marksOf } from './marksOf.ts';
export type { MarkWishes, SheetMarks, SheetWords, TextMark } from './marksOf.ts';
export type { Rect } from './room.ts';
