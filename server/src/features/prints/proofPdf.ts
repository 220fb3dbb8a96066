import { phrase } from '@saltflat/core/language';
import { PLACEMENTS } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import { PROCESS_NAMES } from '@saltflat/core/route';
import type { Process } from '@saltflat/core/route';
import {
  HAIRLINE,
  INK,
  MUTED,
  PT_PER_MM,
  openSheet,
  write,
  writeColumn,
  writeWithin,
} from '../../pdf/index.ts';
import type { PaperWords, PaperWriting, Sheet } from '../../pdf/index.ts';

/** What stands on a customer's proof. */
export interface ProofSheet {
  code: string;
  customer: string;
  garment: string;
  sizes: readonly { size: string; quantity: number }[];
  /** A page each. */
  prints: ProofPrint[];
  /** A recorded answer; `null` while there is none. */
  answer: { verdict: 'approved' | 'changes-wanted'; customerName: string; at: string } | null;
  madeAt: string;
}

interface ProofPrint {
  artworkName: string;
  process: Process;
  placement: PlacementKey;
  dropMm: number;
  widthMm: number;
  heightMm: number;
  garmentHex: string;
  /** The print on the garment's colour, PNG, and the rectangle it covers on the garment in mm. */
  picture: Buffer;
  /** What the customer should know before saying yes. */
  notes: readonly string[];
}

const PAGE = { width: 210 * PT_PER_MM, height: 297 * PT_PER_MM }; // A4
const MARGIN = 18 * PT_PER_MM;

/** An A4 page for each print: on the garment's colour to scale, and what it is; on the last, room for the customer's answer. */
export async function proofPdf(sheet: ProofSheet, writing: PaperWriting): Promise<Buffer> {
  const page = openSheet({
    title: phrase('Proof {code}', writing.language, { code: sheet.code }),
    madeAt: sheet.madeAt,
    writing,
  });
  const { doc, finish } = page;
  for (const [i, print] of sheet.prints.entries()) {
    if (i > 0) doc.addPage();
    drawHead(page, sheet, i);
    const bottom = drawPicture(page, print);
    const below = drawFacts(page, sheet, print, bottom + 16);
    if (i === sheet.prints.length - 1) drawAnswer(page, sheet, below + 18);
  }
  return finish();
}

function drawHead(
  { doc, words }: Sheet,
  { code, customer, madeAt, prints }: ProofSheet,
  place: number,
): void {
  const width = PAGE.width - 2 * MARGIN;
  writeWithin(doc, words.t('Proof for {customer}', { customer }), {
    x: MARGIN,
    y: MARGIN,
    width,
    size: 18,
    weight: 600,
  });
  const day = words.date(madeAt);
  const made =
    prints.length > 1
      ? words.t('{code}, made {day}, print {number} of {of} on one garment', {
          ...{ code, day, number: place + 1, of: prints.length },
        })
      : words.t('{code}, made {day}', { code, day });
  write(doc, made, { x: MARGIN, y: MARGIN + 26, colour: MUTED });
}

/** The print as large as it really is where it fits, else smaller and said so. Returns where it ends. */
function drawPicture({ doc, words }: Sheet, { picture, garmentHex, widthMm, heightMm }: ProofPrint): number {
  const top = MARGIN + 50;
  const room = { width: PAGE.width - 2 * MARGIN, height: 105 * PT_PER_MM * 1.2 };
  doc.rect(MARGIN, top, room.width, room.height).fillAndStroke(garmentHex, HAIRLINE);
  const inset = 14;
  const scale = Math.min(
    1,
    (room.width - 2 * inset) / (widthMm * PT_PER_MM),
    (room.height - 2 * inset) / (heightMm * PT_PER_MM),
  );
  const width = widthMm * PT_PER_MM * scale;
  const height = heightMm * PT_PER_MM * scale;
  doc.image(picture, MARGIN + (room.width - width) / 2, top + (room.height - height) / 2, { width, height });
  const said =
    scale === 1
      ? words.t('Shown at its real size.')
      : words.t('Shown at {percent} % of its real size.', { percent: Math.round(100 * scale) });
  const y = top + room.height + 6;
  const scaleWords = words.t('The line is {length} of print:', { length: words.q(50, 'length') });
  const end = write(doc, `${said} ${scaleWords}`, {
    x: MARGIN,
    y,
    size: 9,
    colour: MUTED,
  });
  const x = Math.max(MARGIN + 230, end + 8);
  const length = 50 * PT_PER_MM * scale;
  doc
    .moveTo(x, y + 6)
    .lineTo(x + length, y + 6)
    .moveTo(x, y + 2)
    .lineTo(x, y + 10)
    .moveTo(x + length, y + 2)
    .lineTo(x + length, y + 10)
    .lineWidth(0.8)
    .stroke(INK);
  return y + 12;
}

function placeWords({ placement, dropMm }: ProofPrint, { t, q }: PaperWords): string {
  const { label, from } = PLACEMENTS[placement];
  const parts = { place: t(label), drop: q(dropMm, 'length') };
  return from === 'collar'
    ? t('{place}, {drop} below the collar', parts)
    : t('{place}, {drop} below the upper edge', parts);
}

function drawFacts({ doc, words }: Sheet, sheet: ProofSheet, print: ProofPrint, top: number): number {
  const { t } = words;
  const rows: [string, string][] = [
    [t('Artwork'), print.artworkName],
    [t('Garment'), sheet.garment],
    [t('Print'), `${t(PROCESS_NAMES[print.process])}, ${placeWords(print, words)}`],
    [
      t('Size'),
      `${words.q(Math.round(print.widthMm), 'length')} × ${words.q(Math.round(print.heightMm), 'length')}`,
    ],
    [t('Pieces'), sheet.sizes.map(({ size, quantity }) => `${quantity} × ${size}`).join(', ')],
  ];
  let y = top;
  for (const [name, value] of rows) {
    write(doc, name, { x: MARGIN, y, colour: MUTED });
    writeWithin(doc, value, { x: MARGIN + 70, y, width: PAGE.width - 2 * MARGIN - 70 });
    y += 16;
  }
  y += 4;
  for (const note of print.notes)
    y =
      writeColumn(doc, t(note), { x: MARGIN, y, width: PAGE.width - 2 * MARGIN, size: 9, colour: MUTED }) + 3;
  return y;
}

function drawAnswer({ doc, words }: Sheet, { answer }: ProofSheet, top: number): void {
  const width = PAGE.width - 2 * MARGIN;
  doc.rect(MARGIN, top, width, 84).lineWidth(0.8).stroke(HAIRLINE);
  if (answer) {
    const parts = { name: answer.customerName, day: words.date(answer.at) };
    const said =
      answer.verdict === 'approved'
        ? words.t('Approved by {name} on {day}', parts)
        : words.t('Changes wanted by {name} on {day}', parts);
    writeWithin(doc, said, {
      width: PAGE.width - 2 * MARGIN - 34,
      x: MARGIN + 14,
      y: top + 34,
      size: 13,
      weight: 600,
    });
    return;
  }
  for (const [i, answered] of ['Print it like this', 'Please change it: see my note'].entries()) {
    doc
      .rect(MARGIN + 14, top + 14 + 22 * i, 11, 11)
      .lineWidth(0.8)
      .stroke(INK);
    write(doc, words.t(answered), { x: MARGIN + 34, y: top + 14 + 22 * i });
  }
  const x = MARGIN + width / 2 + 10;
  doc
    .moveTo(x, top + 56)
    .lineTo(MARGIN + width - 14, top + 56)
    .lineWidth(0.8)
    .stroke(INK);
  write(doc, words.t('Name, date, signature'), { x, y: top + 61, size: 8, colour: MUTED });
}
