import { t } from '../../words/t.ts';
import type { Artwork, GarmentStyle, Order, Preparation, PrintInput } from '@saltflat/contract';
import type { BlankKind } from '@saltflat/core/blank';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import { MOST_PRINTS } from '@saltflat/core/route';
import type { HouseMethods, Process } from '@saltflat/core/route';
import { fromLocalField, toLocalField, usualDue } from './dates.ts';

/** A way to make an artwork ready that is kept already. */
export type ReadyArt = Pick<Preparation, 'id' | 'steps' | 'white'>;

/** One print of a line that is being written. */
export interface PrintValues {
  /** Its name within the line: of one that is there already, or a made-up one until the server gives one. */
  id: string;
  isNew: boolean;
  artwork: Artwork | null;
  /** How the artwork is made ready; `null` for the file as it came. */
  preparation: ReadyArt | null;
  placement: PlacementKey;
  dropMm: number | null;
  widthMm: number | null;
  process: Process;
  /** A person has chosen the process: the suggestion no longer sets it. */
  isProcessChosen: boolean;
  /** Widths of their own, by size, mm. */
  widths: Record<string, number>;
}

export interface LineValues {
  /** Of a line that is already there. */
  lineId: string | null;
  styleId: string;
  colourId: string;
  /** At least one. */
  prints: PrintValues[];
  /** As typed, by size; empty is none. */
  quantities: Record<string, string>;
  /** Where this line is done otherwise than the shop does. */
  house: Partial<HouseMethods>;
}

export interface OrderValues {
  customer: string;
  /** As the field for a day and hour writes it. */
  dueAt: string;
  note: string;
  lines: LineValues[];
}

export function emptyLine(styles: readonly GarmentStyle[]): LineValues {
  const style = styles[0];
  return {
    lineId: null,
    styleId: style?.id ?? '',
    colourId: style?.colours[0]?.id ?? '',
    prints: [emptyPrint('1', usualPlace(style))],
    quantities: {},
    house: {},
  };
}

export const emptyPrint = (id: string, place: ReturnType<typeof usualPlace>): PrintValues => ({
  id,
  isNew: true,
  artwork: null,
  preparation: null,
  ...place,
  process: 'dtf',
  isProcessChosen: false,
  widths: {},
});

/** Where a print usually goes on a blank, with its usual drop and width. */
export function usualPlace(
  style: GarmentStyle | undefined,
  wished?: PlacementKey,
): Pick<PrintValues, 'placement' | 'dropMm' | 'widthMm'> {
  const places = placementsOn(style?.kind ?? 'tee');
  const placement = places.find((key) => key === wished) ?? places[0] ?? 'full-front';
  const { dropMm, widthMm } = PLACEMENTS[placement];
  return { placement, dropMm, widthMm };
}

/** Where a further print most often goes, before all other places. */
const SIDES: readonly PlacementKey[] = ['full-front', 'back', 'left-chest', 'left-sleeve', 'right-sleeve'];

/** Places of a blank that no print of the line is at; a front and a mark on the same chest lie on each other. */
export function freePlaces(kind: BlankKind, prints: readonly PrintValues[]): PlacementKey[] {
  const taken = prints.map(({ placement }) => placement);
  const places = placementsOn(kind).filter((key) => !taken.includes(key));
  const isCrowded = (key: PlacementKey): boolean => ON_CHEST.includes(key) && taken.some(isOnChest);
  const usual = SIDES.filter((side) => places.includes(side));
  const all = [...usual, ...places.filter((key) => !usual.includes(key))];
  return [...all.filter((key) => !isCrowded(key)), ...all.filter(isCrowded)];
}

const ON_CHEST: readonly PlacementKey[] = ['full-front', 'left-chest', 'right-chest', 'pocket'];
const isOnChest = (key: PlacementKey): boolean => ON_CHEST.includes(key);

/** A further print on the same garment, at the next place that is free; `null` where all are taken. */
export function anotherPrint(
  style: GarmentStyle | undefined,
  prints: readonly PrintValues[],
): PrintValues | null {
  const [place] = freePlaces(style?.kind ?? 'tee', prints);
  if (place === undefined || prints.length >= MOST_PRINTS) return null;
  const id = String(1 + Math.max(0, ...prints.map((own) => Number(own.id))));
  return emptyPrint(id, usualPlace(style, place));
}

/** The line an artwork was dropped on with several others, and a line like it for each of them; how many is asked of each. */
export function withArtAsLines(line: LineValues, print: string, art: readonly Artwork[]): LineValues[] {
  const [first, ...others] = art;
  const dropped = line.prints.find(({ id }) => id === print);
  if (!first || !dropped) return [line];
  const own = { ...line, prints: line.prints.map((was) => (was === dropped ? withArt(was, first) : was)) };
  const like = (artwork: Artwork): LineValues => ({
    ...line,
    lineId: null,
    quantities: {},
    prints: [{ ...withArt(dropped, artwork), id: '1', isNew: true }],
  });
  return [own, ...others.map(like)];
}

/** The line with several artworks as prints of it: the first where it was dropped, the others where there is room. */
export function withArtAsPrints(
  style: GarmentStyle | undefined,
  line: LineValues,
  print: string,
  art: readonly Artwork[],
): LineValues {
  const [first, ...others] = art;
  const prints = line.prints.map((was) => (was.id === print && first ? withArt(was, first) : was));
  for (const artwork of others) {
    const next = anotherPrint(style, prints);
    if (next) prints.push(withArt(next, artwork));
  }
  return { ...line, prints };
}

/** How many artworks dropped on one print of a line it can take: that print’s, and one for each place that is free. */
export const roomFor = (style: GarmentStyle | undefined, { prints }: LineValues): number =>
  1 + Math.min(freePlaces(style?.kind ?? 'tee', prints).length, MOST_PRINTS - prints.length);

const withArt = (print: PrintValues, artwork: Artwork): PrintValues => ({
  ...print,
  artwork,
  preparation: null,
});

/** The print that pasted art goes to: the first without any, or a further one of the last line. */
export function placeToPaste(lines: readonly LineValues[]): { line: number; print: string } {
  for (const [line, { prints }] of lines.entries()) {
    const bare = prints.find(({ artwork }) => artwork === null);
    if (bare) return { line, print: bare.id };
  }
  return { line: lines.length - 1, print: lines.at(-1)?.prints.at(-1)?.id ?? '1' };
}

/** The prints on another garment: those it has the place for stay; where two come to one place, the later goes. */
export function printsOn(style: GarmentStyle | undefined, prints: readonly PrintValues[]): PrintValues[] {
  const sizes = style?.sizes.map(({ size }) => size) ?? [];
  return prints.reduce<PrintValues[]>((kept, print) => {
    const isPlaceThere = placementsOn(style?.kind ?? 'tee').includes(print.placement);
    const own = {
      ...print,
      ...(isPlaceThere ? {} : usualPlace(style)),
      widths: Object.fromEntries(Object.entries(print.widths).filter(([size]) => sizes.includes(size))),
    };
    return kept.some(({ placement }) => placement === own.placement) ? kept : [...kept, own];
  }, []);
}

/** Nothing of these lines was filled in yet: no art, no number of pieces. */
export const isUntouched = (lines: readonly LineValues[]): boolean =>
  lines.every(
    (line) =>
      line.lineId === null && piecesOf(line) === 0 && line.prints.every(({ artwork }) => artwork === null),
  );

export const emptyOrder = (styles: readonly GarmentStyle[], nowMs: number): OrderValues => ({
  customer: '',
  dueAt: usualDue(nowMs),
  note: '',
  lines: [emptyLine(styles)],
});

export const valuesOf = (order: Order): OrderValues => ({
  customer: order.customer,
  dueAt: toLocalField(order.dueAt),
  note: order.note,
  lines: order.lines.map((line) => ({
    lineId: line.id,
    styleId: line.styleId,
    colourId: line.colour.id,
    prints: line.prints.map(({ id, artwork, preparation, placement, dropMm, widthMm, process, grades }) => ({
      ...{ id, artwork, preparation, placement, dropMm, widthMm, process },
      isNew: false,
      isProcessChosen: true,
      widths: Object.fromEntries(
        grades.flatMap(({ sizes, widthMm: own }) => sizes.map((size) => [size, own])),
      ),
    })),
    quantities: Object.fromEntries(line.sizes.map(({ size, quantity }) => [size, String(quantity)])),
    house: line.house,
  })),
});

/** Pieces of a line as typed so far; what is no number counts as none. */
export const piecesOf = ({ quantities }: LineValues): number =>
  Object.values(quantities).reduce(
    (sum, text) => sum + (Number.isFinite(Number(text)) ? Math.max(0, Number(text)) : 0),
    0,
  );

/** Sizes a line has a number for, in the order they were typed. */
export const orderedSizes = ({ quantities }: LineValues): string[] =>
  Object.entries(quantities)
    .filter(([, text]) => text.trim() !== '')
    .map(([size]) => size);

/** What is wrong with the numbers of a line; `size` is `null` where it is wrong with all of them. */
export interface SizesProblem {
  size: string | null;
  words: string;
}

/** @param path of the line, in what is sent */
export function sizesProblem(
  line: LineValues,
  path: string,
  problems: Record<string, string>,
): SizesProblem | undefined {
  const all = problems[`${path}/sizes`];
  if (all !== undefined) return { size: null, words: all };
  for (const [i, size] of orderedSizes(line).entries()) {
    const words = problems[`${path}/sizes/${i}/quantity`] ?? problems[`${path}/sizes/${i}`];
    if (words !== undefined) return { size, words: t('Size {size}: {words}', { size, words }) };
  }
  return undefined;
}

/** What is sent. What was typed and cannot be read is sent on as it is, so that the check can say so. */
export const orderOf = (values: OrderValues): unknown => ({
  customer: values.customer.trim(),
  dueAt: fromLocalField(values.dueAt),
  note: values.note,
  lines: values.lines.map(lineOf),
});

function lineOf(line: LineValues): unknown {
  const sizes = Object.entries(line.quantities)
    .filter(([, text]) => text.trim() !== '')
    .map(([size, text]) => ({ size, quantity: Number.isNaN(Number(text)) ? text : Number(text) }));
  return {
    ...(line.lineId === null ? {} : { id: line.lineId }),
    styleId: line.styleId,
    colourId: line.colourId,
    prints: line.prints.map((print) => printOf(print, sizes)),
    sizes,
    house: line.house,
  };
}

const printOf = (
  { id, isNew, artwork, preparation, placement, dropMm, widthMm, process, widths }: PrintValues,
  sizes: readonly { size: string }[],
): unknown => ({
  ...(isNew ? {} : { id }),
  artworkId: artwork?.id ?? null,
  preparationId: preparation?.id ?? null,
  placement,
  dropMm,
  widthMm,
  process,
  grades: gradesOf(widths, sizes),
});

/** Sizes of one width together, in the order of the sizes; only sizes that are ordered. */
export function gradesOf(
  widths: PrintValues['widths'],
  sizes: readonly { size: string }[],
): NonNullable<PrintInput['grades']> {
  const grades: NonNullable<PrintInput['grades']> = [];
  for (const { size } of sizes) {
    const widthMm = widths[size];
    if (widthMm === undefined) continue;
    const same = grades.find((grade) => grade.widthMm === widthMm);
    if (same) same.sizes.push(size);
    else grades.push({ sizes: [size], widthMm });
  }
  return grades;
}
