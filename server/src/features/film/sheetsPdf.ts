import type { ArtOnSheet } from '@saltflat/core/film';
import { INK, PT_PER_MM, openDocument } from '../../pdf/index.ts';
import type { Doc } from '../../pdf/index.ts';
import { LINE_MM } from './sheetDrawing.ts';
import type { SheetDrawing } from './sheetDrawing.ts';

/** Sheets of film as pages of their own size. */
export interface SheetsToPrint {
  title: string;
  madeAt: string;
  isMirrored: boolean;
  /** By item, PNG. */
  pictures: { itemId: string; picture: Buffer }[];
  sheets: SheetToPrint[];
}

interface SheetToPrint {
  widthMm: number;
  heightMm: number;
  art: ArtOnSheet[];
  drawing: SheetDrawing;
  /** Beyond what is used, where it is trimmed: from and to, mm. */
  crops: [from: [x: number, y: number], to: [x: number, y: number]][];
}

/** A page for each sheet, exactly as large as the film: the art at its own resolution, marks and crop marks as lines. */
export function sheetsPdf({ title, madeAt, isMirrored, pictures, sheets }: SheetsToPrint): Promise<Buffer> {
  const [first] = sheets;
  if (!first) throw new Error('no sheet'); // a layout has one at least
  const { doc, finish } = openDocument({ title, madeAt, size: sizeOf(first) });
  const opened = new Map(pictures.map(({ itemId, picture }) => [itemId, openImage(doc, picture)]));
  for (const [i, sheet] of sheets.entries()) {
    if (i > 0) doc.addPage({ size: sizeOf(sheet), margin: 0 });
    doc.save();
    if (isMirrored) doc.transform(-PT_PER_MM, 0, 0, PT_PER_MM, sheet.widthMm * PT_PER_MM, 0);
    else doc.scale(PT_PER_MM);
    for (const own of sheet.art) drawArt(doc, own, opened.get(own.itemId));
    for (const { d, matrix } of sheet.drawing.letters)
      doc.save().transform(...matrix).path(d).fill(INK).restore(); // prettier-ignore
    for (const d of sheet.drawing.lines) doc.path(d).lineWidth(LINE_MM).stroke(INK);
    for (const [from, to] of sheet.crops)
      doc.moveTo(...from).lineTo(...to).lineWidth(LINE_MM).stroke(INK); // prettier-ignore
    doc.restore();
  }
  return finish();
}

const sizeOf = ({ widthMm, heightMm }: SheetToPrint): [number, number] => [
  widthMm * PT_PER_MM,
  heightMm * PT_PER_MM,
];

/** Read once however often it is drawn; the library's types leave it out. */
type Opened = object;
const openImage = (doc: Doc, picture: Buffer): Opened =>
  (doc as unknown as { openImage: (bytes: Buffer) => Opened }).openImage(picture);

function drawArt(
  doc: Doc,
  { xMm, yMm, widthMm, heightMm, turn }: ArtOnSheet,
  picture: Opened | undefined,
): void {
  if (!picture) return;
  const [width, height] = turn % 180 === 0 ? [widthMm, heightMm] : [heightMm, widthMm];
  doc.save();
  doc.translate(xMm + widthMm / 2, yMm + heightMm / 2).rotate(turn);
  doc.image(picture as never, -width / 2, -height / 2, { width, height });
  doc.restore();
}
