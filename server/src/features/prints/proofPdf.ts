import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

/** What stands on a customer's proof. */
export interface ProofSheet {
  code: string;
  customer: string;
  artworkName: string;
  garment: string;
  process: string;
  placement: string;
  widthMm: number;
  heightMm: number;
  sizes: readonly { size: string; quantity: number }[];
  garmentHex: string;
  /** The print on the garment's colour, PNG, and the rectangle it covers on the garment in mm. */
  picture: Buffer;
  /** What the customer should know before saying yes. */
  notes: readonly string[];
  /** A recorded answer; `null` while there is none. */
  answer: { verdict: 'approved' | 'changes-wanted'; customerName: string; at: string } | null;
  madeAt: string;
}

const require = createRequire(import.meta.url);
const PT_PER_MM = 72 / 25.4;
const PAGE = { width: 210 * PT_PER_MM, height: 297 * PT_PER_MM }; // A4
const MARGIN = 18 * PT_PER_MM;
const INK = '#0F2A30';
const MUTED = '#4C646B';
const HAIRLINE = '#D5DEE1';

/** One A4 page: the print on the garment's colour to scale, what it is, and room for the customer's answer. */
export async function proofPdf(sheet: ProofSheet): Promise<Buffer> {
  const doc = new PDFDocument({
    size: [PAGE.width, PAGE.height],
    margin: MARGIN,
    info: { Title: `Proof ${sheet.code}`, Author: 'Saltflat', CreationDate: new Date(sheet.madeAt) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<void>((resolve) => doc.on('end', resolve));
  registerFonts(doc);
  drawHead(doc, sheet);
  const bottom = drawPicture(doc, sheet);
  const below = drawFacts(doc, sheet, bottom + 16);
  drawAnswer(doc, sheet, below + 18);
  doc.end();
  await done;
  return Buffer.concat(chunks);
}

type Doc = InstanceType<typeof PDFDocument>;
const FACES = ['latin', 'latin-ext'] as const;

function registerFonts(doc: Doc): void {
  for (const face of FACES)
    for (const weight of [400, 600])
      doc.registerFont(
        `${face}-${weight}`,
        require.resolve(`@fontsource/archivo/files/archivo-${face}-${weight}-normal.woff`),
      );
}

interface Words {
  x: number;
  y: number;
  size?: number;
  weight?: 400 | 600;
  colour?: string;
}

/** Writes one line; letters beyond western Latin come from the font's second file. */
function write(doc: Doc, text: string, { x, y, size = 10, weight = 400, colour = INK }: Words): number {
  doc.fontSize(size).fillColor(colour);
  let at = x;
  for (const part of text.match(
    /[\u0020-\u00ff\u2010-\u2026\u00d7]+|[^\u0020-\u00ff\u2010-\u2026\u00d7]+/g,
  ) ?? []) {
    const isBasic = /^[\u0020-\u00ff\u2010-\u2026]/.test(part);
    doc.font(`${isBasic ? 'latin' : 'latin-ext'}-${weight}`).text(part, at, y, { lineBreak: false });
    at += doc.widthOfString(part);
  }
  return at;
}

function drawHead(doc: Doc, { code, customer, madeAt }: ProofSheet): void {
  write(doc, `Proof for ${customer}`, { x: MARGIN, y: MARGIN, size: 18, weight: 600 });
  write(doc, `${code}, made ${madeAt.slice(0, 10)}`, { x: MARGIN, y: MARGIN + 26, colour: MUTED });
}

/** The print as large as it really is where it fits, else smaller and said so. Returns where it ends. */
function drawPicture(doc: Doc, { picture, garmentHex, widthMm, heightMm }: ProofSheet): number {
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
    scale === 1 ? 'Shown at its real size.' : `Shown at ${Math.round(100 * scale)} % of its real size.`;
  const y = top + room.height + 6;
  write(doc, `${said} The line is 50 mm of print:`, { x: MARGIN, y, size: 9, colour: MUTED });
  const x = MARGIN + 230;
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

function drawFacts(doc: Doc, sheet: ProofSheet, top: number): number {
  const rows: [string, string][] = [
    ['Artwork', sheet.artworkName],
    ['Garment', sheet.garment],
    ['Print', `${sheet.process}, ${sheet.placement}`],
    ['Size', `${sheet.widthMm.toFixed(0)} × ${sheet.heightMm.toFixed(0)} mm`],
    ['Pieces', sheet.sizes.map(({ size, quantity }) => `${quantity} × ${size}`).join(', ')],
  ];
  let y = top;
  for (const [name, value] of rows) {
    write(doc, name, { x: MARGIN, y, colour: MUTED });
    write(doc, value.length > 80 ? `${value.slice(0, 79)}…` : value, { x: MARGIN + 70, y });
    y += 16;
  }
  y += 4;
  for (const note of sheet.notes) {
    doc
      .font('latin-400')
      .fontSize(9)
      .fillColor(MUTED)
      .text(note, MARGIN, y, { width: PAGE.width - 2 * MARGIN });
    y = doc.y + 3;
  }
  return y;
}

function drawAnswer(doc: Doc, { answer }: ProofSheet, top: number): void {
  const width = PAGE.width - 2 * MARGIN;
  doc.rect(MARGIN, top, width, 84).lineWidth(0.8).stroke(HAIRLINE);
  if (answer) {
    const verb = answer.verdict === 'approved' ? 'Approved by' : 'Changes wanted by';
    write(doc, `${verb} ${answer.customerName} on ${answer.at.slice(0, 10)}`, {
      x: MARGIN + 14,
      y: top + 34,
      size: 13,
      weight: 600,
    });
    return;
  }
  for (const [i, words] of ['Print it like this', 'Please change it: see my note'].entries()) {
    doc
      .rect(MARGIN + 14, top + 14 + 22 * i, 11, 11)
      .lineWidth(0.8)
      .stroke(INK);
    write(doc, words, { x: MARGIN + 34, y: top + 14 + 22 * i });
  }
  const x = MARGIN + width / 2 + 10;
  doc
    .moveTo(x, top + 56)
    .lineTo(MARGIN + width - 14, top + 56)
    .lineWidth(0.8)
    .stroke(INK);
  write(doc, 'Name, date, signature', { x, y: top + 61, size: 8, colour: MUTED });
}
