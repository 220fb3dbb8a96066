import type { GarmentStyle } from '@saltflat/contract';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import { MOST_PRINTS, PROCESSES, PROCESS_NAMES } from '@saltflat/core/route';
import type { Process } from '@saltflat/core/route';
import { parseQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { fromLocalField } from './dates.ts';
import { emptyLine, emptyPrint, usualPlace } from './orderFormValues.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';

/** Headings of an order as a table; one row a size of a print. */
export const TABLE_COLUMNS = [
  'Customer', 'Due', 'Note', 'Line', 'Garment', 'Colour', 'Size', 'Quantity', 'Placement', 'Width', 'Process', 'Art',
] as const; // prettier-ignore
type Column = (typeof TABLE_COLUMNS)[number];
/** Cells of a row by their headings, as typed. */
export type TableRow = Partial<Record<string, string>>;

/** Something in a row that cannot be taken. */
export interface TableProblem {
  /** Of the file, the headings being the first. */
  row: number;
  words: string;
}

/** A line of the table, with the file each of its prints names. */
export interface TableLine {
  line: LineValues;
  garment: string;
  files: { print: string; name: string; isThere: boolean }[];
}

/** What a table would put into the order. */
export interface OrderTablePlan {
  /** Empty where the table does not say. */
  customer: string;
  due: string;
  note: string;
  lines: TableLine[];
  problems: TableProblem[];
}

interface Known {
  styles: readonly GarmentStyle[];
  /** Names of the art files that came with the table. */
  files: readonly string[];
  /** Unit of a width that is written without one. */
  system: UnitSystem;
}

/**
 * Reads an order from a table. Rows of one line have the same word under “Line”, or, where there is none, the same garment,
 * colour, placement, width and art; rows of a line with other placements are further prints of it.
 *
 * @returns what it would be, and every row that cannot be taken with what would be right
 */
export function orderFromTable(rows: readonly TableRow[], known: Known): OrderTablePlan {
  const problems: TableProblem[] = [];
  const lines = new Map<string, TableLine>();
  const read = rows.map((row, i) => ({ row: i + 2, cell: cellsOf(row) }));
  const first = (column: Column): string =>
    read.map(({ cell }) => cell(column)).find((text) => text !== '') ?? '';
  for (const { row, cell } of read) {
    if (TABLE_COLUMNS.every((column) => cell(column) === '')) continue;
    const refuse = (words: string): void => void problems.push({ row, words });
    const style = styleOf(cell('Garment'), known, refuse);
    const colourId = style && colourOf(style, cell('Colour'), refuse);
    const print = style && printOf(style, cell, known, refuse);
    const size = style && sizeOf(style, cell('Size'), refuse);
    const quantity = quantityOf(cell('Quantity'), refuse);
    if (!style || !colourId || !print || !size || quantity === null) continue;
    const named = cell('Line').toLowerCase();
    const key =
      named === ''
        ? JSON.stringify([style.id, colourId, print.placement, print.widthMm, cell('Art').toLowerCase()])
        : named;
    const line = lines.get(key) ?? openLine(style, colourId, known);
    if (line.line.styleId !== style.id || line.line.colourId !== colourId) {
      refuse(
        `Line “${cell('Line')}” is of another garment or colour above: give this one a word of its own.`,
      );
      continue;
    }
    lines.set(key, line);
    addPrint(line, print, fileOf(cell('Art'), known), refuse);
    addSize(line, { size, quantity, placement: print.placement }, refuse);
  }
  const due = dueOf(first('Due'));
  if (due === null)
    problems.push({ row: 2, words: `Due “${first('Due')}” is no day: write it as 2031-02-28 17:00.` });
  if (read.length === 0) problems.push({ row: 1, words: 'There is nothing below the headings.' });
  return {
    ...{ customer: first('Customer'), due: due ?? '', note: first('Note') },
    lines: [...lines.values()],
    problems: problems.sort((p, q) => p.row - q.row),
  };
}

type Refuse = (words: string) => void;

/** Cells by heading, however that is written. */
function cellsOf(row: TableRow): (column: Column) => string {
  const byName = new Map(
    Object.entries(row).map(([name, text]) => [name.trim().toLowerCase(), (text ?? '').trim()]),
  );
  return (column) => byName.get(column.toLowerCase()) ?? '';
}

const isSame = (text: string, other: string): boolean => text.toLowerCase() === other.toLowerCase();
const some = (names: readonly string[]): string =>
  names.length > 6 ? `${names.slice(0, 6).join(', ')} …` : names.join(', ');

function styleOf(text: string, { styles }: Known, refuse: Refuse): GarmentStyle | undefined {
  const style = styles.find(({ name }) => isSame(name, text));
  if (!style)
    refuse(
      text === ''
        ? 'Which garment? Write its name as it stands in the blanks.'
        : `There is no garment “${text}” in the blanks: ${some(styles.map(({ name }) => name))}.`,
    );
  return style;
}

function colourOf({ name, colours }: GarmentStyle, text: string, refuse: Refuse): string | undefined {
  const colour =
    text === '' && colours.length === 1 ? colours[0] : colours.find((own) => isSame(own.name, text));
  if (!colour)
    refuse(
      `${name} comes in ${some(colours.map((own) => own.name))}: ${text === '' ? 'write which' : `not in “${text}”`}.`,
    );
  return colour?.id;
}

function sizeOf({ name, sizes }: GarmentStyle, text: string, refuse: Refuse): string | undefined {
  const own = text === '' && sizes.length === 1 ? sizes[0] : sizes.find(({ size }) => isSame(size, text));
  if (!own)
    refuse(
      `${name} comes in ${some(sizes.map(({ size }) => size))}: ${text === '' ? 'write which' : `not in “${text}”`}.`,
    );
  return own?.size;
}

function quantityOf(text: string, refuse: Refuse): number | null {
  const quantity = Number(text);
  if (Number.isInteger(quantity) && quantity >= 1 && quantity <= 9999) return quantity;
  refuse(
    text === ''
      ? 'How many? A whole number from 1.'
      : `“${text}” is no number of pieces: a whole number from 1.`,
  );
  return null;
}

function printOf(
  style: GarmentStyle,
  cell: (column: Column) => string,
  { system }: Known,
  refuse: Refuse,
): PrintValues | undefined {
  const places = placementsOn(style.kind);
  const wished = cell('Placement');
  const placement =
    wished === ''
      ? places[0]
      : places.find((key) => isSame(key, wished) || isSame(PLACEMENTS[key].label, wished));
  if (placement === undefined) {
    refuse(
      `${style.name} has no place “${wished}”: ${some(places.map((key) => PLACEMENTS[key].label.toLowerCase()))}.`,
    );
    return undefined;
  }
  const usual = usualPlace(style, placement);
  const width = cell('Width') === '' ? null : parseQuantity(cell('Width'), 'length', system);
  if (width?.ok === false) {
    refuse(`Width: ${width.problem}`);
    return undefined;
  }
  const named = cell('Process');
  const process = processOf(named);
  if (named !== '' && process === undefined) {
    refuse(`There is no process “${named}”: ${some(PROCESSES)}, or nothing for the one that suits best.`);
    return undefined;
  }
  return {
    ...emptyPrint('1', usual),
    widthMm: width?.value ?? usual.widthMm,
    ...(process === undefined ? {} : { process, isProcessChosen: true }),
  };
}

const processOf = (text: string): Process | undefined =>
  PROCESSES.find((key) => isSame(key, text) || isSame(PROCESS_NAMES[key], text));

const openLine = (style: GarmentStyle, colourId: string, { styles }: Known): TableLine => ({
  line: { ...emptyLine(styles), styleId: style.id, colourId, prints: [] },
  garment: `${style.colours.find(({ id }) => id === colourId)?.name ?? ''} ${style.name}`,
  files: [],
});

/** The file a cell names, with or without its ending. */
function fileOf(text: string, { files }: Known): { name: string; isThere: boolean } | null {
  if (text === '') return null;
  const found = files.find((name) => isSame(name, text) || isSame(name.replace(/\.[^.]+$/, ''), text));
  return { name: found ?? text, isThere: found !== undefined };
}

function addPrint(
  { line, files }: TableLine,
  print: PrintValues,
  file: { name: string; isThere: boolean } | null,
  refuse: Refuse,
): void {
  const same = line.prints.find(({ placement }) => placement === print.placement);
  if (same) {
    const named = files.find((own) => own.print === same.id);
    if (file && named && !isSame(file.name, named.name))
      refuse(`This line has “${named.name}” at that place above: one print a place.`);
    else if (same.widthMm !== print.widthMm) refuse('This line has another width at that place above.');
    else if (file && !named) files.push({ print: same.id, ...file });
    return;
  }
  if (line.prints.length >= MOST_PRINTS) {
    refuse(`A line has at most ${MOST_PRINTS} prints.`);
    return;
  }
  const id = String(line.prints.length + 1);
  line.prints.push({ ...print, id });
  if (file) files.push({ print: id, ...file });
}

/** A size stands once for each print, with the same number: every piece gets all prints of its line. */
function addSize(
  { line }: TableLine,
  { size, quantity, placement }: { size: string; quantity: number; placement: PlacementKey },
  refuse: Refuse,
): void {
  const before = line.quantities[size];
  const isFirstPrint = line.prints[0]?.placement === placement;
  if (before === undefined) line.quantities[size] = String(quantity);
  else if (isFirstPrint) refuse(`${size} stands twice in this line: write it once, with the sum.`);
  else if (Number(before) !== quantity)
    refuse(
      `${size}: ${quantity} here and ${before} at another place: every piece of a line gets all its prints.`,
    );
}

/** "2031-02-28", then five in the afternoon, or with a time; empty stays empty. */
function dueOf(text: string): string | null {
  if (text === '') return '';
  const local = /^\d{4}-\d{2}-\d{2}$/.test(text) ? `${text}T17:00` : text.replace(' ', 'T').slice(0, 16);
  return fromLocalField(local) === null ? null : local;
}
