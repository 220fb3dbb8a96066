import { countOf } from '@saltflat/contract/filmJob';
import type { FilmLayout, WaitingTransfers } from '@saltflat/contract';
import { phrase } from '@saltflat/core/language';
import type { Writing } from '@saltflat/core/units';
import { HAIRLINE, MUTED, PT_PER_MM, barCode, openSheet, write, writeWithin } from '../../pdf/index.ts';
import type { Paper, Sheet } from '../../pdf/index.ts';

/** What the bags of a layout’s transfers are labelled with. */
export interface LabelSheet {
  layout: FilmLayout;
  madeAt: string;
}

const COLUMNS = 2;
const HIGH = 50 * PT_PER_MM;
const PAD = 4 * PT_PER_MM;
const BARS = { width: 46 * PT_PER_MM, height: 11 * PT_PER_MM };

/** Labels to be cut apart, one for each line’s print: whose it is, how many, what it is made with, and its code as bars. */
export async function labelsPdf(
  { layout, madeAt }: LabelSheet,
  writing: Writing,
  paper: Paper,
): Promise<Buffer> {
  const page = openSheet({
    title: phrase('Labels {code}', writing.language, { code: layout.code }),
    madeAt,
    writing,
    paper,
    marginMm: 10,
  });
  const wide = (page.width - 2 * page.margin) / COLUMNS;
  const rows = Math.floor((page.height - 2 * page.margin) / HIGH);
  for (const [i, own] of layout.document.transfers.entries()) {
    const place = i % (COLUMNS * rows);
    if (i > 0 && place === 0) page.doc.addPage();
    const x = page.margin + (place % COLUMNS) * wide;
    const y = page.margin + Math.floor(place / COLUMNS) * HIGH;
    page.doc.rect(x, y, wide, HIGH).lineWidth(0.5).stroke(HAIRLINE);
    drawLabel(page, layout, own, {
      x: x + PAD,
      y: y + PAD,
      width: wide - 2 * PAD,
      bars: await barCode(own.code),
    });
  }
  return page.finish();
}

function drawLabel(
  { doc, words }: Sheet,
  { code, document }: FilmLayout,
  own: WaitingTransfers,
  { x, y, width, bars }: { x: number; y: number; width: number; bars: Buffer },
): void {
  const pieces = countOf(own) - own.spares;
  const count =
    own.spares > 0
      ? words.t('{n} pieces and {spares} spare', { n: pieces, spares: own.spares })
      : words.t('{n} pieces', { n: pieces });
  const sizes = own.sizes.map(
    ({ widthMm, heightMm }) => `${words.q(widthMm, 'length')} × ${words.q(heightMm, 'length')}`,
  );
  writeWithin(doc, own.code, { x, y, width: width - BARS.width - 8, size: 24, weight: 600 });
  doc.image(bars, x + width - BARS.width, y, { fit: [BARS.width, BARS.height], align: 'right' });
  const lines = [
    own.customer,
    `${words.t(own.place)}, ${own.garment}`,
    `${count}  ·  ${sizes.join(', ')}`,
    [document.film.name, document.powder?.name ?? words.t('no powder')].join('  ·  '),
  ];
  let at = y + BARS.height + 8;
  for (const [i, line] of lines.entries()) {
    writeWithin(doc, line, { x, y: at, width, size: i === 0 ? 12 : 10.5, weight: i === 0 ? 600 : 400 });
    at += 15;
  }
  write(doc, words.t('{layout}, due {day}', { layout: code, day: words.weekday(own.dueAt) }), {
    x,
    y: at,
    size: 9,
    colour: MUTED,
  });
}
