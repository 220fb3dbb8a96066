import type { FilmLayout } from '@saltflat/contract';
import { codeOf, isSpare, ownerOf } from '@saltflat/contract/filmJob';
import type { SheetOut } from '@saltflat/core/film';
import { phrase } from '@saltflat/core/language';
import { INK, MUTED, openSheet, rule, write, writeColumn, writeWithin } from '../../pdf/index.ts';
import type { Paper, PaperWriting, Sheet } from '../../pdf/index.ts';

/** How a layout is cut apart, on paper. */
export interface CuttingList {
  layout: FilmLayout;
  /** As they are read through the film. */
  sheets: readonly SheetOut[];
  madeAt: string;
}

const DRAWN_HIGH = 290; // of the drawing at most, pt
const ROW = 15;

/** Pages for each sheet: the sheet to scale with its cuts in order, and what is cut out of it. */
export function cuttingListPdf(list: CuttingList, writing: PaperWriting, paper: Paper): Promise<Buffer> {
  const { layout, sheets, madeAt } = list;
  const page = openSheet({
    title: phrase('Cutting list {code}', writing.language, { code: layout.code }),
    madeAt,
    writing,
    paper,
    marginMm: 14,
  });
  for (const [i, sheet] of sheets.entries()) {
    if (i > 0) page.doc.addPage();
    let y = drawHead(page, list, i);
    y = drawSheet(page, sheet, list, y + 8);
    y = drawPieces(page, sheet, layout, y + 14);
    drawCuts(page, sheet, y + 10);
  }
  return page.finish();
}

function drawHead({ doc, margin, width, words }: Sheet, { layout, sheets }: CuttingList, i: number): number {
  const { code, document } = layout;
  const sheet = sheets[i];
  const room = width - 2 * margin;
  writeWithin(doc, words.t('{code}, sheet {number} of {of}', { code, number: i + 1, of: sheets.length }), {
    x: margin,
    y: margin,
    width: room,
    size: 22,
    weight: 600,
  });
  const size = words.t('{width} × {height}', {
    width: words.q(document.film.widthMm, 'length'),
    height: words.q(Math.round(sheet?.heightMm ?? 0), 'length'),
  });
  const facts = [
    document.film.name,
    size,
    document.powder?.name ?? words.t('no powder'),
    ...(document.printer ? [document.printer.name] : []),
  ];
  writeWithin(doc, facts.join('  ·  '), { x: margin, y: margin + 28, width: room, size: 12 });
  const seen = words.t('Drawn as it is read through the film. Printed side up it is the other way round.');
  return writeColumn(doc, seen, { x: margin, y: margin + 46, width: room, size: 10, colour: MUTED });
}

/** The sheet to scale: pieces with their numbers, straight cuts with theirs. */
function drawSheet(
  { doc, margin, width }: Sheet,
  { widthMm, heightMm, art, plan }: SheetOut,
  { layout }: CuttingList,
  top: number,
): number {
  const scale = Math.min((width - 2 * margin) / widthMm, DRAWN_HIGH / heightMm);
  const at = (xMm: number, yMm: number): [number, number] => [margin + xMm * scale, top + yMm * scale];
  doc
    .rect(margin, top, widthMm * scale, heightMm * scale)
    .lineWidth(1)
    .stroke(INK);
  for (const { key, xMm, yMm, widthMm: w, heightMm: h } of art) {
    const [x, y] = at(xMm, yMm);
    doc
      .rect(x, y, w * scale, h * scale)
      .lineWidth(0.5)
      .stroke(MUTED);
    const text = codeOf(layout.document.transfers, key);
    if (text === '') continue;
    const size = Math.min(9, h * scale * 0.7, (w * scale - 4) / (0.6 * text.length));
    if (size >= 3.5) writeWithin(doc, text, { x: x + 2, y: y + 2, width: w * scale - 4, size });
  }
  for (const [i, { way, atMm, fromMm, toMm }] of plan.straight.entries()) {
    const [from, to] =
      way === 'down' ? [at(atMm, fromMm), at(atMm, toMm)] : [at(fromMm, atMm), at(toMm, atMm)];
    doc.moveTo(...from).lineTo(...to).lineWidth(0.9).dash(3, { space: 2 }).stroke(INK).undash(); // prettier-ignore
    const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    doc.circle(x, y, 6).fill('#FFFFFF').circle(x, y, 6).lineWidth(0.8).stroke(INK);
    const name = String(i + 1);
    write(doc, name, { x: x - 2.2 * name.length, y: y - 4, size: 7.5, weight: 600 });
  }
  return top + heightMm * scale;
}

function drawPieces(page: Sheet, { art }: SheetOut, { document }: FilmLayout, top: number): number {
  const { doc, margin, words } = page;
  const groups = new Map<string, { cells: string[]; slots: number[]; spares: number }>();
  for (const { key, itemId } of art) {
    const found = ownerOf(document.transfers, { key, itemId });
    if (!found) continue;
    const { owner, size, slot } = found;
    const own = groups.get(itemId) ?? {
      cells: [
        owner.code,
        words.t(owner.place),
        `${words.q(size.widthMm, 'length')} × ${words.q(size.heightMm, 'length')}`,
        `${owner.customer}, ${owner.garment}`,
      ],
      slots: [],
      spares: 0,
    };
    own.slots.push(slot);
    if (isSpare(owner, slot)) own.spares++;
    groups.set(itemId, own);
  }
  const titles = ['Line', 'Place', 'Size', 'For', 'Pieces'].map((title) => words.t(title));
  let y = row(page, titles, top, true);
  for (const { cells, slots, spares } of groups.values()) {
    const count =
      spares > 0 ? words.t('{n}, {spares} of them spare', { n: slots.length, spares }) : String(slots.length);
    y = row(page, [...cells, count], onPage(page, y, ROW), false);
  }
  rule(doc, { x: margin, y, width: page.width - 2 * margin, colour: INK });
  return y;
}

/** Shares of the width. */
const COLUMNS = [0, 0.1, 0.24, 0.46, 0.86];

function row({ doc, margin, width }: Sheet, cells: readonly string[], y: number, isHead: boolean): number {
  const room = width - 2 * margin;
  for (const [i, cell] of cells.entries()) {
    const from = (COLUMNS[i] ?? 0) * room;
    const to = (COLUMNS[i + 1] ?? 1) * room;
    writeWithin(doc, cell, {
      x: margin + from,
      y,
      width: to - from - 6,
      size: isHead ? 9 : 11,
      ...(isHead ? { colour: MUTED } : { weight: i === 0 ? 600 : 400 }),
    });
  }
  return y + ROW;
}

function drawCuts(page: Sheet, { plan }: SheetOut, top: number): void {
  const { doc, margin, width, words } = page;
  const { straight, byHand } = plan;
  let y = onPage(page, top, 2 * ROW);
  const say = (text: string, weight: 400 | 600 = 400): void => {
    y = writeColumn(doc, text, {
      x: margin,
      y: onPage(page, y, ROW),
      width: width - 2 * margin,
      size: 11,
      weight,
      leading: ROW,
    });
  };
  if (straight.length > 0)
    say(words.t('Straight cuts, in this order, measured from the upper left corner'), 600);
  for (const [i, { way, atMm, fromMm, toMm }] of straight.entries()) {
    const parts = {
      number: i + 1,
      at: words.q(atMm, 'length'),
      from: words.q(Math.round(fromMm), 'length'),
      to: words.q(Math.round(toMm), 'length'),
    };
    say(
      way === 'down'
        ? words.t('{number}. Down at {at} from the left, from {from} to {to}', parts)
        : words.t('{number}. Across at {at} from the top, from {from} to {to}', parts),
    );
  }
  if (byHand.length > 0)
    say(
      words.t('{n} pieces are cut out by hand: no straight cut sets them free.', { n: byHand.length }),
      600,
    );
}

/** Where to go on: here, or at the top of a new page where there is no room. */
function onPage({ doc, height, margin }: Sheet, y: number, needed: number): number {
  if (y + needed <= height - margin) return y;
  doc.addPage();
  return margin;
}
