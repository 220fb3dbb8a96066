import type { ArtOverrule } from '@saltflat/contract';
import { sayOverrule } from '@saltflat/core/artwork';
import { outlineOf, outlineScale, printTop } from '@saltflat/core/placement';
import type { BlankKind } from '@saltflat/core/blank';
import { phrase } from '@saltflat/core/language';
import { PROCESS_NAMES, heatedAgainSaid, sheetWords, warmUpSaid } from '@saltflat/core/route';
import type { Route, RoutePrint } from '@saltflat/core/route';
import { STATION_NAMES, goesWords, plannedMode } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatDuration } from '@saltflat/core/units';
import {
  INK,
  MUTED,
  barCode,
  breakLines,
  openSheet,
  rule,
  widthOf,
  write,
  writeColumn,
  writeRight,
  writeWithin,
} from '../../pdf/index.ts';
import type { Doc, Paper, PaperWords, PaperWriting, Sheet } from '../../pdf/index.ts';

/** What stands on a run sheet. */
export interface RunSheet {
  code: string;
  customer: string;
  dueAt: string;
  garment: string;
  kind: BlankKind;
  note: string;
  /** Who has the art printed though something stops it. */
  artOverrule: ArtOverrule | null;
  route: Route;
  routeNumber: number;
  pieces: number;
  /** Each print on its garment's colour, PNG. */
  pictures: { print: string; picture: Buffer }[];
  madeAt: string;
}

/** With its code as Code 128, PNG. */
type CodedSheet = RunSheet & { barCode: Buffer };

/** Settings that a person sets on a machine are written large; the others are in the art already. */
const FIGURE_SIZE = 17;
const BODY = 10.5;
const GUTTER = 14;
/** What one of several placements usually takes; of a line with one the first page has room for more. */
const PLACEMENT_HEIGHT = 190;
const STATION_WIDTH = 106;

/** The line on paper: what it is, where it goes, and every station with its settings large enough for arm's length, in black and white. */
export async function runSheetPdf(own: RunSheet, writing: PaperWriting, paper: Paper): Promise<Buffer> {
  const sheet = { ...own, barCode: await barCode(own.code) };
  const page = openSheet({
    title: phrase('Run sheet {code}', writing.language, { code: sheet.code }),
    madeAt: sheet.madeAt,
    writing,
    paper,
    marginMm: 13,
  });
  const width = page.width - 2 * page.margin;
  let y = drawHead(page, sheet);
  for (const print of sheet.route.prints) {
    if (y + PLACEMENT_HEIGHT > page.height - page.margin) {
      drawFoot(page, sheet);
      page.doc.addPage();
      y = drawSmallHead(page, sheet);
    }
    y = drawPlacement(page, sheet, print, y + 10);
  }
  for (const [i, operation] of sheet.route.operations.entries()) {
    const height = operationHeight(page, operation, width);
    if (y + height > page.height - page.margin - 14) {
      drawFoot(page, sheet);
      page.doc.addPage();
      y = drawSmallHead(page, sheet);
    }
    y = drawOperation(page, operation, i + 1, y);
  }
  drawFoot(page, sheet);
  return page.finish();
}

function drawHead({ doc, margin, width, words }: Sheet, sheet: CodedSheet): number {
  const end = write(doc, sheet.code, { x: margin, y: margin - 6, size: 34, weight: 600 });
  const room = width - margin - 168 - GUTTER - (end + 14); // up to the bar code
  writeWithin(doc, sheet.customer, { x: end + 14, y: margin, width: room, size: 15, weight: 600 });
  write(doc, words.t('due {day}', { day: words.weekday(sheet.dueAt) }), {
    x: end + 14,
    y: margin + 19,
    size: 12,
  });
  doc.image(sheet.barCode, width - margin - 168, margin - 4, { fit: [168, 44] });
  let y = margin + 44;
  const facts = [
    `${sheet.pieces} × ${sheet.garment}`,
    words.t('{hands} of hands, {all} in all', {
      hands: formatDuration(sheet.route.totals.handsS),
      all: formatDuration(sheet.route.totals.elapsedS),
    }),
    words.t('route version {number}', { number: sheet.routeNumber }),
  ];
  y = writeColumn(doc, facts.join('  ·  '), { x: margin, y, width: width - 2 * margin, size: 12 });
  if (sheet.note !== '')
    y = writeColumn(doc, words.t('Note: {note}', { note: sheet.note }), {
      x: margin,
      y: y + 2,
      width: width - 2 * margin,
      size: 12,
      weight: 600,
    });
  if (sheet.artOverrule)
    y = warning(doc, words.said(sayOverrule(sheet.artOverrule)), {
      x: margin,
      y: y + 2,
      width: width - 2 * margin,
      size: BODY,
    });
  if (sheet.route.warmUps.length > 0)
    y = writeColumn(
      doc,
      words.t('From cold: {warmUps}', {
        warmUps: sheet.route.warmUps.map((own) => words.said(warmUpSaid(own))).join(' '),
      }),
      {
        x: margin,
        y: y + 2,
        width: width - 2 * margin,
        size: BODY,
      },
    );
  for (const { said } of [...sheet.route.conflicts, ...sheet.route.slips])
    y = warning(doc, words.said(said), { x: margin, y: y + 2, width: width - 2 * margin, size: BODY });
  rule(doc, { x: margin, y: y + 4, width: width - 2 * margin, colour: INK });
  return y + 4;
}

/** On the pages after the first. */
function drawSmallHead({ doc, margin, width }: Sheet, sheet: CodedSheet): number {
  const room = width - 2 * margin - 150 - GUTTER;
  writeWithin(doc, `${sheet.code}  ${sheet.customer}`, {
    x: margin,
    y: margin - 4,
    width: room,
    size: 14,
    weight: 600,
  });
  doc.image(sheet.barCode, width - margin - 150, margin - 8, { fit: [150, 30] });
  rule(doc, { x: margin, y: margin + 26, width: width - 2 * margin, colour: INK });
  return margin + 26;
}

/** Drawing to scale on the left, a row for each size on the right. */
function drawPlacement(page: Sheet, sheet: RunSheet, print: RoutePrint, top: number): number {
  const { doc, margin, width, words } = page;
  const { placement, process } = print;
  if (placement.sizes.length === 0) return top;
  const isAlone = sheet.route.prints.length === 1;
  const drawn = isAlone ? 128 : 96;
  drawGarment(doc, sheet, print, { x: margin, y: top, size: drawn });
  const x = margin + drawn + GUTTER;
  const place = words.t(placement.label);
  const head = isAlone ? place : `${place}: ${words.t(PROCESS_NAMES[process])}`;
  write(doc, head, { x, y: top, size: 15, weight: 600 });
  let y = writeColumn(doc, words.said(placement.rule), {
    x,
    y: top + 20,
    width: width - margin - x,
    size: BODY,
  });
  const again = heatedAgainSaid(sheet.route, print);
  if (again)
    y = writeColumn(doc, words.said(again), {
      x,
      y: y + 2,
      width: width - margin - x,
      size: BODY,
    });
  y = sizeTable(page, placement, { x, y: y + 4, width: width - margin - x });
  for (const { said } of placement.needs)
    y = writeColumn(doc, words.said(said), {
      x,
      y: y + 2,
      width: width - margin - x,
      size: BODY,
      weight: 600,
    });
  for (const { said, waysOut } of placement.problems)
    y = warning(doc, [said, ...waysOut].map((own) => words.said(own)).join(' '), {
      x,
      y: y + 2,
      width: width - margin - x,
      size: BODY,
    });
  const bottom = Math.max(y, top + drawn) + 6;
  rule(doc, { x: margin, y: bottom, width: width - 2 * margin, colour: INK });
  return bottom;
}

function sizeTable(
  { doc, words }: Sheet,
  { sizes, platen }: RoutePrint['placement'],
  { x, y, width }: { x: number; y: number; width: number },
): number {
  const columns = [
    ...['Size', 'Pieces', 'Below', 'Wide'].map((name) => words.t(name)),
    ...(platen ? [words.t('Left, {platen} platen', { platen })] : []),
  ];
  const step = width / (columns.length + 0.5);
  for (const [i, name] of columns.entries()) write(doc, name, { x: x + i * step, y, size: 9, colour: MUTED });
  let at = y + 12;
  for (const own of sizes) {
    const cells = [
      own.size,
      String(own.quantity),
      words.q(own.dropMm, 'length'),
      words.q(own.widthMm, 'length'),
      ...(platen ? [words.q(own.platenLeftMm ?? 0, 'length')] : []),
    ];
    for (const [i, cell] of cells.entries())
      write(doc, cell, { x: x + i * step, y: at, size: 12, weight: i === 0 ? 600 : 400 });
    at += 15;
  }
  return at;
}

/** The garment's outline with the print where it goes, both to one scale. */
function drawGarment(
  doc: Doc,
  { kind, pictures }: RunSheet,
  { id, placement }: RoutePrint,
  { x, y, size }: { x: number; y: number; size: number },
): void {
  const picture = pictures.find(({ print }) => print === id)?.picture;
  const outline = outlineOf(kind, placement.key);
  const middle = placement.sizes[Math.floor((placement.sizes.length - 1) / 2)];
  const grown = outlineScale(outline, middle?.bodyWidthMm ?? null);
  const { box } = outline;
  const scale = size / (Math.max(box.width, box.height) * grown);
  doc.save();
  doc.translate(x + (size - box.width * grown * scale) / 2, y + (size - box.height * grown * scale) / 2);
  doc.scale(scale).translate(-box.x * grown, -box.y * grown);
  doc.save().scale(grown);
  doc.path(outline.body).lineWidth(4).stroke(INK);
  if (outline.details !== '') doc.path(outline.details).lineWidth(2).stroke(MUTED);
  doc.restore();
  if (middle) {
    const top = printTop(placement.key, middle.dropMm / grown);
    const frame = { left: top.x * grown - middle.widthMm / 2, top: top.y * grown };
    if (picture)
      doc.image(picture, frame.left, frame.top, {
        width: middle.widthMm,
        height: middle.heightMm,
      });
    doc.rect(frame.left, frame.top, middle.widthMm, middle.heightMm).lineWidth(3).stroke(INK);
  }
  doc.restore();
}

const bodyWidth = (width: number): number => width - STATION_WIDTH - GUTTER - 16;

function operationHeight({ doc, words }: Sheet, operation: Operation, width: number): number {
  const room = bodyWidth(width);
  const lines = [...bodyLines(operation, words), ...words.allSaid(operation.cautions)].reduce(
    (sum, text) => sum + breakLines(doc, text, room - 14, { size: BODY }).length,
    0,
  );
  const figures = figureRows(doc, figuresOf(operation, words), room).length;
  return 22 + figures * (FIGURE_SIZE * 1.35) + lines * BODY * 1.3 + 8;
}

const bodyLines = ({ sheet, checks, look, weighIn, waitAfter }: Operation, words: PaperWords): string[] => [
  ...(sheet ? [words.t('Under {sheet}', { sheet: sheetWords(sheet.name, words.t) })] : []),
  ...(weighIn
    ? [
        words.t('Weigh in: {target} ± {tolerance}', {
          target: words.q(weighIn.targetG, 'mass'),
          tolerance: words.q(weighIn.toleranceG, 'mass'),
        }),
      ]
    : []),
  words.allSaid(checks).join('  ·  '),
  words.t('Right: {look}', { look: words.said(look) }),
  ...(waitAfter && (waitAfter.minS > 0 || waitAfter.maxS !== null)
    ? [`${waitWords(waitAfter, words)}: ${words.said(waitAfter.why)}`]
    : []),
];

function waitWords({ minS, maxS }: NonNullable<Operation['waitAfter']>, { t }: PaperWords): string {
  const [least, most] = [formatDuration(minS), formatDuration(maxS ?? 0)];
  if (maxS === null) return t('Then wait {least}', { least });
  return minS > 0
    ? t('Then wait {least} and go on within {most}', { least, most })
    : t('Then go on within {most}', { most });
}

const figuresOf = ({ settings }: Operation, words: PaperWords): string[] =>
  settings.map(
    ({ label, value, kind }) => `${words.t(label.replace(/ \(.*\)$/, ''))} ${words.q(value, kind)}`,
  );

/** Large figures broken into rows. */
function figureRows(doc: Doc, figures: readonly string[], width: number): string[] {
  const rows: string[] = [];
  for (const figure of figures) {
    const last = rows[rows.length - 1];
    const longer = last === undefined ? figure : `${last}    ${figure}`;
    if (last !== undefined && widthOf(doc, longer, { size: FIGURE_SIZE, weight: 600 }) <= width)
      rows[rows.length - 1] = longer;
    else rows.push(figure);
  }
  return rows;
}

function drawOperation(
  { doc, margin, width: full, words }: Sheet,
  operation: Operation,
  number: number,
  top: number,
): number {
  const width = full - 2 * margin;
  const room = bodyWidth(width);
  doc
    .rect(margin, top + 8, 11, 11)
    .lineWidth(1)
    .stroke(INK); // to be ticked
  write(doc, `${number}  ${words.t(STATION_NAMES[operation.station])}`, {
    x: margin + 18,
    y: top + 8,
    size: BODY,
    weight: 600,
  });
  const { machine } = plannedMode(operation);
  if (machine) write(doc, machine.name, { x: margin + 18, y: top + 22, size: 9, colour: MUTED });
  write(doc, goesWords(operation, words.t), {
    x: margin + 18,
    y: top + 34,
    size: 9,
    colour: MUTED,
  });
  const x = margin + STATION_WIDTH + GUTTER;
  write(doc, words.t(operation.title), { x, y: top + 6, size: 13, weight: 600 });
  let y = top + 22;
  for (const row of figureRows(doc, figuresOf(operation, words), room)) {
    write(doc, row, { x, y, size: FIGURE_SIZE, weight: 600 });
    y += FIGURE_SIZE * 1.35;
  }
  for (const line of bodyLines(operation, words))
    y = writeColumn(doc, line, { x, y, width: room, size: BODY });
  for (const text of words.allSaid(operation.cautions))
    y = warning(doc, text, { x, y, width: room, size: BODY });
  rule(doc, { x: margin, y: y + 5, width });
  return y + 5;
}

/** A sentence with a triangle before it: seen without colour. */
function warning(
  doc: Doc,
  text: string,
  { x, y, width, size }: { x: number; y: number; width: number; size: number },
): number {
  doc
    .moveTo(x, y + size)
    .lineTo(x + 5, y + 1.5)
    .lineTo(x + 10, y + size)
    .closePath()
    .fill(INK);
  return writeColumn(doc, text, { x: x + 14, y, width: width - 14, size, weight: 600 });
}

function drawFoot({ doc, margin, width, height, words }: Sheet, { madeAt }: RunSheet): void {
  const y = height - margin - 6;
  write(doc, words.t('The maker’s sheets and safety sheets stand above this one.'), {
    x: margin,
    y,
    size: 8,
    colour: MUTED,
  });
  writeRight(doc, words.t('printed {day}', { day: words.date(madeAt) }), {
    x: width - margin,
    y,
    size: 8,
    colour: MUTED,
  });
}
