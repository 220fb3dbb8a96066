import { phrase } from '@saltflat/core/language';
import { formatDate } from '@saltflat/core/units';
import { STATION_NAMES } from '@saltflat/core/work';
import { HAIRLINE, MUTED, openSheet, rule, writeWithin } from '../../pdf/index.ts';
import type { Paper, PaperWriting, Sheet } from '../../pdf/index.ts';
import type { DayPaper, DayRow } from './dayPaper.ts';

const ROW = 20;
const BOX = 9;
/** Shares of the width: done, begins, ends, order, what, for whom, where, pieces, hands. */
const COLUMNS = [0, 0.03, 0.095, 0.16, 0.27, 0.505, 0.67, 0.835, 0.91];

/** A day on paper: a page for each station, in work order, with a box to tick beside each work. */
export function dayPaperPdf(day: DayPaper, writing: PaperWriting, paper: Paper): Promise<Buffer> {
  const dayWords = formatDate(day.dayMs, 'weekday', writing, writing.zone);
  const page = openSheet({
    title: phrase('Plan of {day}', writing.language, { day: dayWords }),
    madeAt: day.madeAt,
    writing,
    paper,
    marginMm: 14,
  });
  const time = (ms: number): string => formatDate(ms, 'time', writing, writing.zone);
  for (const [i, { station, rows }] of day.stations.entries()) {
    if (i > 0) page.doc.addPage();
    const name = page.words.t(STATION_NAMES[station]);
    let y = drawHead(page, name, dayWords);
    for (const row of rows) {
      if (y + ROW > page.height - page.margin) {
        page.doc.addPage();
        y = drawHead(page, name, dayWords);
      }
      y = drawRow(page, row, y, time);
    }
  }
  if (day.stations.length === 0) {
    const { doc, margin, width, words } = page;
    drawHead(page, words.t('Nothing is planned'), dayWords);
    rule(doc, { x: margin, y: margin + 60, width: width - 2 * margin, colour: HAIRLINE });
  }
  return page.finish();
}

function drawHead(page: Sheet, name: string, day: string): number {
  const { doc, margin, width, words } = page;
  writeWithin(doc, name, { x: margin, y: margin, width: width - 2 * margin, size: 22, weight: 600 });
  writeWithin(doc, day, { x: margin, y: margin + 28, width: width - 2 * margin, size: 12 });
  const titles = ['', 'Begins', 'Ends', 'Order', 'What', 'For', 'Where', 'Pieces', 'Hands'].map((own) =>
    own === '' ? '' : words.t(own),
  );
  cells(page, titles, margin + 52, { size: 8.5, colour: MUTED });
  return margin + 66;
}

function drawRow(page: Sheet, row: DayRow, y: number, time: (ms: number) => string): number {
  const { doc, margin, width, words } = page;
  doc
    .rect(margin, y + 4, BOX, BOX)
    .lineWidth(0.8)
    .stroke(MUTED);
  const where = [
    row.machine ?? words.t('by hand'),
    ...(row.tempC === null ? [] : [words.q(row.tempC, 'temperature')]),
  ];
  const texts = [
    '',
    time(row.fromMs),
    row.goesOn ? words.t('{time} later', { time: time(row.toMs) }) : time(row.toMs),
    row.codes,
    row.title,
    row.customer,
    where.join(' '),
    String(row.pieces),
    words.t('{n} min', { n: Math.round(row.handsMin) }),
  ];
  cells(page, texts, y + 4, { size: 9 });
  rule(doc, { x: margin, y: y + ROW, width: width - 2 * margin, colour: HAIRLINE });
  return y + ROW;
}

function cells(
  { doc, margin, width }: Sheet,
  texts: readonly string[],
  y: number,
  style: { size: number; colour?: string },
): void {
  const room = width - 2 * margin;
  for (const [i, text] of texts.entries()) {
    const from = (COLUMNS[i] ?? 0) * room;
    const to = (COLUMNS[i + 1] ?? 1) * room;
    if (text !== '') writeWithin(doc, text, { x: margin + from, y, width: to - from - 6, ...style });
  }
}
