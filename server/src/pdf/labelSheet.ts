import { barCode } from './barCode.ts';
import { HAIRLINE, MUTED, PT_PER_MM, openSheet, write, writeWithin } from './page.ts';
import type { Paper, Sheet } from './page.ts';
import { paperWords } from './paperWords.ts';
import type { PaperWords, PaperWriting } from './paperWords.ts';

/** What stands on a label. */
export interface Label {
  /** Written large, and as bars. */
  code: string;
  /** The first stands out; four find room. */
  lines: string[];
  foot: string;
}

const COLUMNS = 2;
const HIGH = 50 * PT_PER_MM;
const PAD = 4 * PT_PER_MM;
const BARS = { width: 46 * PT_PER_MM, height: 11 * PT_PER_MM };

/** Labels to be cut apart, two in a row. */
export async function labelSheet(
  labelsIn: (words: PaperWords) => { title: string; labels: readonly Label[] },
  { madeAt, writing, paper }: { madeAt: string; writing: PaperWriting; paper: Paper },
): Promise<Buffer> {
  const { title, labels } = labelsIn(paperWords(writing));
  const page = openSheet({ title, madeAt, writing, paper, marginMm: 10 });
  const wide = (page.width - 2 * page.margin) / COLUMNS;
  const rows = Math.floor((page.height - 2 * page.margin) / HIGH);
  for (const [i, label] of labels.entries()) {
    const place = i % (COLUMNS * rows);
    if (i > 0 && place === 0) page.doc.addPage();
    const x = page.margin + (place % COLUMNS) * wide;
    const y = page.margin + Math.floor(place / COLUMNS) * HIGH;
    page.doc.rect(x, y, wide, HIGH).lineWidth(0.5).stroke(HAIRLINE);
    drawLabel(page, label, {
      x: x + PAD,
      y: y + PAD,
      width: wide - 2 * PAD,
      bars: await barCode(label.code),
    });
  }
  return page.finish();
}

function drawLabel(
  { doc }: Sheet,
  { code, lines, foot }: Label,
  { x, y, width, bars }: { x: number; y: number; width: number; bars: Buffer },
): void {
  writeWithin(doc, code, { x, y, width: width - BARS.width - 8, size: 24, weight: 600 });
  doc.image(bars, x + width - BARS.width, y, { fit: [BARS.width, BARS.height], align: 'right' });
  let at = y + BARS.height + 8;
  for (const [i, line] of lines.entries()) {
    writeWithin(doc, line, { x, y: at, width, size: i === 0 ? 12 : 10.5, weight: i === 0 ? 600 : 400 });
    at += 15;
  }
  write(doc, foot, { x, y: at, size: 9, colour: MUTED });
}
