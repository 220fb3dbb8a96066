import { paperWords } from './paperWords.ts';
import type { PaperWords, PaperWriting } from './paperWords.ts';
import PDFDocument from 'pdfkit';
import { splitByFace } from './faces.ts';
import type { Run } from './faces.ts';

export type Doc = InstanceType<typeof PDFDocument>;

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
  /** How things are said on it. */
  words: PaperWords;
  /** Closes the document. */
  finish: () => Promise<Buffer>;
}

/** Opens a document with our own letters in it. */
export function openSheet({
  title,
  madeAt,
  writing,
  paper = 'a4',
  marginMm = 18,
}: {
  title: string;
  madeAt: string;
  writing: PaperWriting;
  paper?: Paper;
  marginMm?: number;
}): Sheet {
  const { width, height } = SHEETS[paper];
  const margin = marginMm * PT_PER_MM;
  const opened = openDocument({ title, madeAt, size: [width, height], margin });
  return { ...opened, width, height, margin, words: paperWords(writing) };
}

/** Opens a document whose first page is so large, pt. */
export function openDocument({
  title,
  madeAt,
  size,
  margin = 0,
}: {
  title: string;
  madeAt: string;
  size: [width: number, height: number];
  margin?: number;
}): Pick<Sheet, 'doc' | 'finish'> {
  const doc = new PDFDocument({
    size,
    margin,
    info: { Title: title, Author: 'Saltflat', CreationDate: new Date(madeAt) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<void>((resolve) => doc.on('end', resolve));
  return {
    doc,
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

/** Writes one line and returns where it ends. */
export function write(doc: Doc, text: string, { x, y, ...style }: Style & { x: number; y: number }): number {
  let at = x;
  const line = baseline(doc, style);
  for (const run of splitByFace(text)) {
    setFont(doc, run, style);
    doc.text(run.text, at, y + line, { lineBreak: false, baseline: 'alphabetic', ...setting(run) });
    at += doc.widthOfString(run.text, setting(run));
  }
  return at;
}

/** The library sets a text word by word from left to right, unless it is told which features of the font it wants. */
const setting = ({ isWhole }: Run): { features?: [] } => (isWhole ? { features: [] } : {});

/** How far below its top a line stands, pt: by our own letters, so that others beside them stand on it too. */
function baseline(doc: Doc, { size = 10 }: Style): number {
  const [own] = splitByFace('x');
  if (own) doc.font(own.file(400)).fontSize(size);
  return (ascenderOf(doc) / 1000) * size;
}

/** Of the font that is set, thousandths of its size; the library's types leave it out. */
const ascenderOf = (doc: Doc): number => (doc as unknown as { _font: { ascender: number } })._font.ascender;

function setFont(doc: Doc, run: Run, { size = 10, weight = 400, colour = INK }: Style): void {
  doc.font(run.file(weight)).fontSize(size).fillColor(colour);
}

/** Width of a line as {@link write} would write it, pt. */
export function widthOf(doc: Doc, text: string, style: Style = {}): number {
  return splitByFace(text).reduce((sum, run) => {
    setFont(doc, run, style);
    return sum + doc.widthOfString(run.text, setting(run));
  }, 0);
}

const letters = new Intl.Segmenter();

/** The lines a text breaks into: between words, and within one that is longer than a line. */
export function breakLines(doc: Doc, text: string, width: number, style: Style = {}): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (widthOf(doc, longer, style) <= width) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    const pieces = breakWord(doc, word, width, style);
    lines.push(...pieces.slice(0, -1));
    line = pieces[pieces.length - 1] ?? '';
  }
  return line === '' ? lines : [...lines, line];
}

/** A word in pieces as long as a line at most; one that fits is one piece. */
function breakWord(doc: Doc, word: string, width: number, style: Style): string[] {
  if (widthOf(doc, word, style) <= width) return [word];
  const pieces: string[] = [];
  let [piece, used] = ['', 0];
  for (const { segment } of letters.segment(word)) {
    const own = widthOf(doc, segment, style);
    if (piece !== '' && used + own > width) {
      pieces.push(piece);
      [piece, used] = ['', 0];
    }
    piece += segment;
    used += own;
  }
  return piece === '' ? pieces : [...pieces, piece];
}

const SMALLEST = 0.6;

/** Writes one line that ends within a width: a long one smaller, a very long one cut with an ellipsis. Returns where it ends. */
export function writeWithin(
  doc: Doc,
  text: string,
  { x, y, width, size = 10, ...style }: Style & { x: number; y: number; width: number },
): number {
  const natural = widthOf(doc, text, { size, ...style });
  if (natural <= width) return write(doc, text, { x, y, size, ...style });
  const smaller = size * Math.max(SMALLEST, width / natural);
  const lower = y + (size - smaller) / 2;
  const [first = '', ...more] = breakWord(doc, text, width - smaller, { size: smaller, ...style });
  return write(doc, more.length > 0 ? `${first}…` : first, { x, y: lower, size: smaller, ...style });
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
