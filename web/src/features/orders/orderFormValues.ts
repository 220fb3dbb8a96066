import type { Artwork, GarmentStyle, Order, OrderInput, OrderLineInput } from '@saltflat/contract';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import type { HouseMethods, Process } from '@saltflat/core/route';
import { fromLocalField, toLocalField, usualDue } from './dates.ts';

export interface LineValues {
  /** Of a line that is already there. */
  lineId: string | null;
  styleId: string;
  colourId: string;
  artwork: Artwork | null;
  placement: PlacementKey;
  dropMm: number | null;
  widthMm: number | null;
  process: Process;
  /** A person has chosen the process: the suggestion no longer sets it. */
  isProcessChosen: boolean;
  /** As typed, by size; empty is none. */
  quantities: Record<string, string>;
  /** Widths of their own, by size, mm. */
  widths: Record<string, number>;
  /** Where this line is done otherwise than the shop does. */
  house: Partial<HouseMethods>;
}

export interface OrderValues {
  customer: string;
  due: string;
  note: string;
  lines: LineValues[];
}

export function emptyLine(styles: readonly GarmentStyle[]): LineValues {
  const style = styles[0];
  return {
    lineId: null,
    styleId: style?.id ?? '',
    colourId: style?.colours[0]?.id ?? '',
    artwork: null,
    ...usualPlace(style),
    process: 'dtf',
    isProcessChosen: false,
    quantities: {},
    widths: {},
    house: {},
  };
}

/** Where a print usually goes on a blank, with its usual drop and width. */
export function usualPlace(
  style: GarmentStyle | undefined,
  wished?: PlacementKey,
): Pick<LineValues, 'placement' | 'dropMm' | 'widthMm'> {
  const places = placementsOn(style?.kind ?? 'tee');
  const placement = places.find((key) => key === wished) ?? places[0] ?? 'full-front';
  const { dropMm, widthMm } = PLACEMENTS[placement];
  return { placement, dropMm, widthMm };
}

const SIDES: readonly PlacementKey[] = ['full-front', 'back', 'left-sleeve', 'right-sleeve'];

/** A further print on the pieces of the last line: same garment, colour and sizes, on the next side that is free. */
export function anotherPrint(lines: readonly LineValues[]): LineValues {
  const last = lines[lines.length - 1];
  if (!last) throw new RangeError('there is no line yet to add a print to');
  const taken = lines.filter(
    ({ styleId, colourId }) => styleId === last.styleId && colourId === last.colourId,
  );
  const placement = SIDES.find((side) => !taken.some((line) => line.placement === side)) ?? 'back';
  const { dropMm, widthMm } = PLACEMENTS[placement];
  return { ...last, lineId: null, artwork: null, placement, dropMm, widthMm, widths: {} };
}

export const emptyOrder = (styles: readonly GarmentStyle[], nowMs: number): OrderValues => ({
  customer: '',
  due: toLocalField(usualDue(nowMs)),
  note: '',
  lines: [emptyLine(styles)],
});

export const valuesOf = (order: Order): OrderValues => ({
  customer: order.customer,
  due: toLocalField(order.dueAt),
  note: order.note,
  lines: order.lines.map((line) => ({
    lineId: line.id,
    styleId: line.styleId,
    colourId: line.colour.id,
    artwork: line.artwork,
    placement: line.placement,
    dropMm: line.dropMm,
    widthMm: line.widthMm,
    process: line.process,
    isProcessChosen: true,
    quantities: Object.fromEntries(line.sizes.map(({ size, quantity }) => [size, String(quantity)])),
    widths: Object.fromEntries(
      line.grades.flatMap(({ sizes, widthMm }) => sizes.map((size) => [size, widthMm])),
    ),
    house: line.house,
  })),
});

/** Pieces of a line as typed so far; what is no number counts as none. */
export const piecesOf = ({ quantities }: LineValues): number =>
  Object.values(quantities).reduce(
    (sum, text) => sum + (Number.isFinite(Number(text)) ? Math.max(0, Number(text)) : 0),
    0,
  );

/** What is sent, or the fields that first need a person, by the server's own paths. */
export function toInput(values: OrderValues): { input: OrderInput } | { problems: Record<string, string> } {
  const problems: Record<string, string> = {};
  const dueAt = fromLocalField(values.due);
  if (values.customer.trim() === '') problems['/customer'] = 'Say who it is for.';
  if (dueAt === null) problems['/dueAt'] = 'Give a date and a time.';
  const lines = values.lines.map((line, i) => lineInput(line, `/lines/${i}`, problems));
  if (Object.keys(problems).length > 0 || dueAt === null) return { problems };
  return { input: { customer: values.customer.trim(), dueAt, note: values.note, lines } };
}

function lineInput(line: LineValues, path: string, problems: Record<string, string>): OrderLineInput {
  const sizes = Object.entries(line.quantities)
    .filter(([, text]) => text.trim() !== '')
    .map(([size, text]) => ({ size, quantity: Number(text) }));
  const wrong = sizes.find(({ quantity }) => !Number.isInteger(quantity) || quantity < 1);
  if (wrong) problems[`${path}/sizes`] = `Size ${wrong.size}: a whole number from 1, or nothing.`;
  else if (sizes.length === 0) problems[`${path}/sizes`] = 'How many, in at least one size?';
  if (line.widthMm === null) problems[`${path}/widthMm`] = 'How wide is the print?';
  if (line.dropMm === null) problems[`${path}/dropMm`] = 'How far below the collar?';
  return {
    ...(line.lineId === null ? {} : { id: line.lineId }),
    styleId: line.styleId,
    colourId: line.colourId,
    artworkId: line.artwork?.id ?? null,
    placement: line.placement,
    dropMm: line.dropMm ?? 0,
    widthMm: line.widthMm ?? 0,
    process: line.process,
    sizes,
    grades: gradesOf(line.widths, sizes),
    house: line.house,
  };
}

/** Sizes of one width together, in the order of the sizes; only sizes that are ordered. */
export function gradesOf(
  widths: LineValues['widths'],
  sizes: readonly { size: string }[],
): NonNullable<OrderLineInput['grades']> {
  const grades: NonNullable<OrderLineInput['grades']> = [];
  for (const { size } of sizes) {
    const widthMm = widths[size];
    if (widthMm === undefined) continue;
    const same = grades.find((grade) => grade.widthMm === widthMm);
    if (same) same.sizes.push(size);
    else grades.push({ sizes: [size], widthMm });
  }
  return grades;
}
