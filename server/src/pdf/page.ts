import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

export type Doc = InstanceType<typeof PDFDocument>;

const require = createRequire(import.meta.url);
export const PT_PER_MM = 72 / 25.4;

export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];
const SHEETS: Record<Paper, { width: number; height: number }> = {
  a4: { width: 210 * PT_PER_MM, height: 297 * PT_PER_MM },
  letter: { width: 8.5 * 72, height: 11 * 72 },
};

export const INK = '#0F2A30';
export const MUTED = '#4C646B';
export const HAIRLINE = '#D5DEE1';

/** A document being written: its pages are all of one paper, `margin` free on every side, pt. */
export interface Sheet {
  doc: Doc;
  width: number;
  height: number;
  margin: number;
  /** Closes the document. */
  finish: () => Promise<Buffer>;
}

/** Opens a document with our own letters in it. */
export function openSheet({
  title,
  madeAt,
  paper = 'a4',
  marginMm = 18,
}: {
  title: string;
  madeAt: string;
  paper?: Paper;
  marginMm?: number;
}): Sheet {
  const { width, height } = SHEETS[paper];
  const margin = marginMm * PT_PER_MM;
  const doc = new PDFDocument({
    size: [width, height],
    margin,
    info: { Title: title, Author: 'Saltflat', CreationDate: new Date(madeAt) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<void>((resolve) => doc.on('end', resolve));
  for (const face of ['latin', 'latin-ext'] as const)
    for (const weight of [400, 600])
      doc.registerFont(
        `${face}-${weight}`,
        require.resolve(`@fontsource/archivo/files/archivo-${face}-${weight}-normal.woff`),
      );
  return {
    doc,
    width,
    height,
    margin,
    finish: async () => {
      doc.end();
      await done;
      return Buffer.concat(chunks);
    },
  };
}

interface Style {
  size?: number;
  weight?: 400 | 600;
  colour?: string;
}

/** Letters the font's first file has; the others come from its second. */
const BASIC = '\\u0020-\\u00ff\\u2010-\\u2026\\u20ac\\u2212';
const PARTS = new RegExp(`[${BASIC}]+|[^${BASIC}]+`, 'g');
const IS_BASIC = new RegExp(`^[${BASIC}]`);

/** Writes one line and returns where it ends. */
export function write(doc: Doc, text: string, { x, y, ...style }: Style & { x: number; y: number }): number {
  let at = x;
  for (const part of text.match(PARTS) ?? []) {
    setFont(doc, part, style);
    doc.text(part, at, y, { lineBreak: false });
    at += doc.widthOfString(part);
  }
  return at;
}

function setFont(doc: Doc, part: string, { size = 10, weight = 400, colour = INK }: Style): void {
  doc
    .font(`${IS_BASIC.test(part) ? 'latin' : 'latin-ext'}-${weight}`)
    .fontSize(size)
    .fillColor(colour);
}

/** Width of a line as {@link write} would write it, pt. */
export function widthOf(doc: Doc, text: string, style: Style = {}): number {
  return (text.match(PARTS) ?? []).reduce((sum, part) => {
    setFont(doc, part, style);
    return sum + doc.widthOfString(part);
  }, 0);
}

/** The lines a text breaks into. A word longer than a line keeps a line of its own. */
export function breakLines(doc: Doc, text: string, width: number, style: Style = {}): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthOf(doc, longer, style) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line === '' ? lines : [...lines, line];
}

/** Writes a text in a column and returns the y below it. */
export function writeColumn(
  doc: Doc,
  text: string,
  { x, y, width, leading, ...style }: Style & { x: number; y: number; width: number; leading?: number },
): number {
  const step = leading ?? (style.size ?? 10) * 1.3;
  let at = y;
  for (const line of breakLines(doc, text, width, style)) {
    write(doc, line, { x, y: at, ...style });
    at += step;
  }
  return at;
}

/** Writes a number or a word so that it ends at `x`. */
export function writeRight(
  doc: Doc,
  text: string,
  { x, y, ...style }: Style & { x: number; y: number },
): void {
  write(doc, text, { x: x - widthOf(doc, text, style), y, ...style });
}

/** A hairline across. */
export function rule(
  doc: Doc,
  { x, y, width, colour = HAIRLINE }: { x: number; y: number; width: number; colour?: string },
): void {
  doc
    .moveTo(x, y)
    .lineTo(x + width, y)
    .lineWidth(0.7)
    .stroke(colour);
}
