import { cuttingListPdf } from '../features/film/cuttingListPdf.ts';
import type { CuttingList } from '../features/film/cuttingListPdf.ts';
import { labelsPdf } from '../features/film/labelsPdf.ts';
import type { LabelSheet } from '../features/film/labelsPdf.ts';
import { sheetsPdf } from '../features/film/sheetsPdf.ts';
import type { SheetsToPrint } from '../features/film/sheetsPdf.ts';
import { dayPaperPdf } from '../features/plan/dayPaperPdf.ts';
import type { DayPaper } from '../features/plan/dayPaper.ts';
import { runSheetPdf } from '../features/papers/runSheetPdf.ts';
import type { RunSheet } from '../features/papers/runSheetPdf.ts';
import { proofPdf } from '../features/prints/proofPdf.ts';
import type { ProofSheet } from '../features/prints/proofPdf.ts';
import { quotePdf } from '../features/quotes/quotePdf.ts';
import type { QuoteSheet } from '../features/quotes/quotePdf.ts';
import { shelfLabelsPdf } from '../features/shelf/shelfLabelsPdf.ts';
import type { ShelfLabels } from '../features/shelf/shelfLabelsPdf.ts';
import type { Paper, PaperWriting } from '../pdf/index.ts';

/** What is to be written on paper. */
export type PaperTask =
  | { kind: 'run-sheet'; sheet: RunSheet; writing: PaperWriting; paper: Paper }
  | { kind: 'proof'; sheet: ProofSheet; writing: PaperWriting }
  | { kind: 'quote'; sheet: QuoteSheet; writing: PaperWriting; paper: Paper }
  | { kind: 'film-sheets'; sheets: SheetsToPrint }
  | { kind: 'cutting-list'; list: CuttingList; writing: PaperWriting; paper: Paper }
  | { kind: 'labels'; labels: LabelSheet; writing: PaperWriting; paper: Paper }
  | { kind: 'plan-day'; day: DayPaper; writing: PaperWriting; paper: Paper }
  | { kind: 'shelf-labels'; labels: ShelfLabels; writing: PaperWriting; paper: Paper };

/** Runs in a thread of its own: letters are fitted and packed for longer than anybody should wait for a page. */
export default function work(task: PaperTask): Promise<Uint8Array> {
  switch (task.kind) {
    case 'run-sheet':
      return runSheetPdf(
        { ...task.sheet, pictures: task.sheet.pictures.map(withBytes) },
        task.writing,
        task.paper,
      );
    case 'proof':
      return proofPdf({ ...task.sheet, prints: task.sheet.prints.map(withBytes) }, task.writing);
    case 'quote':
      return quotePdf(task.sheet, task.writing, task.paper);
    case 'film-sheets':
      return sheetsPdf({ ...task.sheets, pictures: task.sheets.pictures.map(withBytes) });
    case 'cutting-list':
      return cuttingListPdf(task.list, task.writing, task.paper);
    case 'labels':
      return labelsPdf(task.labels, task.writing, task.paper);
    case 'plan-day':
      return dayPaperPdf(task.day, task.writing, task.paper);
    case 'shelf-labels':
      return shelfLabelsPdf(task.labels, task.writing, task.paper);
  }
}

/** Bytes arrive without Node's own methods. */
const withBytes = <T extends { picture: Uint8Array }>(own: T): T & { picture: Buffer } => ({
  ...own,
  picture: Buffer.from(own.picture),
});
