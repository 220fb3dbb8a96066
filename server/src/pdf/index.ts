export { barCode } from './barCode.ts';
export {
  HAIRLINE,
  INK,
  MUTED,
  PAPERS,
  PT_PER_MM,
  breakLines,
  openDocument,
  openSheet,
  rule,
  widthOf,
  write,
  writeColumn,
  writeRight,
  writeWithin,
} from './page.ts';
export type { Doc, Paper, Sheet } from './page.ts';
export { letterPaths } from './letterPaths.ts';
export type { LaidPath } from './letterPaths.ts';
export { PAPER_S, sendPdf } from './sendPdf.ts';
export { paperWords } from './paperWords.ts';
export type { PaperWords, PaperWriting } from './paperWords.ts';
export { labelSheet } from './labelSheet.ts';
export type { Label } from './labelSheet.ts';
