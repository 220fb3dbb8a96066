import type { QuoteDocument } from '@saltflat/contract';
import { INK, MUTED, openSheet, rule, write, writeColumn, writeRight, writeWithin } from '../../pdf/index.ts';
import type { Doc, Paper, PaperWriting, Sheet } from '../../pdf/index.ts';

/** What stands on a quote: what the customer needs, not what it costs us. */
export interface QuoteSheet extends QuoteDocument {
  /** `null` for a draft. */
  given: { code: string; at: string; goodUntil: string } | null;
  madeAt: string;
}

/** The offer for an order on paper. */
export async function quotePdf(sheet: QuoteSheet, writing: PaperWriting, paper: Paper): Promise<Buffer> {
  const { given, orderCode, customer, dueAt } = sheet;
  const name = given ? `${given.code}, ${orderCode}` : orderCode;
  const page = openSheet({ title: name, madeAt: sheet.madeAt, writing, paper });
  const { doc, margin, width, words } = page;
  const { t } = words;
  const day = words.date;
  const title = given
    ? t('Quote {code} for {customer}', { code: given.code, customer })
    : t('Draft of a quote for {customer}', { customer });
  writeWithin(doc, title, {
    x: margin,
    y: margin,
    width: width - 2 * margin,
    size: 20,
    weight: 600,
  });
  const standing = given
    ? t('given {at}, good until {until}', { at: day(given.at), until: day(given.goodUntil) })
    : t('{at}, not given yet: prices may still move', { at: day(sheet.madeAt) });
  write(doc, t('{order}, {standing}; wanted by {due}', { order: orderCode, standing, due: day(dueAt) }), {
    x: margin,
    y: margin + 28,
    colour: MUTED,
  });
  let y = margin + 60;
  for (const line of sheet.lines) {
    const needed = 150 + 16 * line.quote.sizes.length;
    if (y + needed > page.height - margin - 40) {
      doc.addPage();
      y = margin;
    }
    y = drawLine(page, line, y);
  }
  rule(doc, { x: margin, y, width: width - 2 * margin, colour: INK });
  write(doc, t('Total, without tax'), { x: margin, y: y + 10, size: 14, weight: 600 });
  writeRight(doc, words.money(sheet.totalCents), { x: width - margin, y: y + 10, size: 14, weight: 600 });
  writeColumn(
    doc,
    t(
      'Prices hold for these quantities, sizes and this artwork. Fabric and ink differ from the screen: ask for a proof before saying yes.',
    ),
    { x: margin, y: y + 40, width: width - 2 * margin, size: 9, colour: MUTED },
  );
  return page.finish();
}

function drawLine(
  { doc, margin, width, words }: Sheet,
  { what, print, look, quote }: QuoteDocument['lines'][number],
  top: number,
): number {
  const right = width - margin;
  const { t } = words;
  writeWithin(doc, what, { x: margin, y: top, width: width - 2 * margin, size: 13, weight: 600 });
  const printed = writeColumn(doc, print, { x: margin, y: top + 18, width: width - 2 * margin });
  let y = writeColumn(doc, look, { x: margin, y: printed, width: width - 2 * margin, colour: MUTED }) + 4;
  const names = ['Size', 'Pieces', 'Each', 'Together'].map((name) => t(name));
  heads(doc, names, { x: margin, right, y });
  y += 14;
  for (const { size, quantity, eachCents, totalCents } of quote.sizes) {
    cells(doc, [size, String(quantity), words.money(eachCents), words.money(totalCents)], {
      x: margin,
      right,
      y,
    });
    y += 16;
  }
  const extras = [
    ...quote.upCharges.map(({ what: extra, cents }) =>
      t('{money} a piece for {extra} included', { money: words.money(cents), extra: t(extra) }),
    ),
    ...(quote.offShare === null
      ? []
      : [
          t('{percent} % off for {pieces} pieces included', {
            percent: Math.round(100 * quote.offShare),
            pieces: quote.pieces,
          }),
        ]),
  ];
  if (extras.length > 0)
    y = writeColumn(doc, extras.join('; '), { x: margin, y, width: right - margin, size: 9, colour: MUTED });
  const ladder = quote.ladder.filter(({ pieces }) => pieces > quote.pieces).slice(0, 3);
  if (ladder.length > 0)
    y = writeColumn(
      doc,
      t('For more of the same: {steps}.', {
        steps: ladder
          .map(({ pieces, eachCents }) =>
            t('{money} each from {pieces}', { money: words.money(eachCents), pieces }),
          )
          .join(', '),
      }),
      { x: margin, y: y + 2, width: right - margin, size: 9, colour: MUTED },
    );
  return y + 22;
}

interface Row {
  x: number;
  right: number;
  y: number;
}

/** Four columns: the first from the left, the others ending at thirds of the width. */
const ends = ({ x, right }: Row): number[] => [2, 3, 4].map((i) => x + ((right - x) * i) / 4);

function heads(doc: Doc, names: readonly string[], row: Row): void {
  line(doc, names, row, { size: 9, colour: MUTED });
  rule(doc, { x: row.x, y: row.y + 12, width: row.right - row.x });
}

function cells(doc: Doc, values: readonly string[], row: Row): void {
  line(doc, values, row, { size: 11 });
}

function line(doc: Doc, values: readonly string[], row: Row, style: { size: number; colour?: string }): void {
  const [first = '', ...rest] = values;
  write(doc, first, { x: row.x, y: row.y, ...style });
  for (const [i, value] of rest.entries())
    writeRight(doc, value, { x: ends(row)[i] ?? row.right, y: row.y, ...style });
}
