import {
  BLANK_FIELDS,
  DomainError,
  columnName,
  fromCell,
  machineFields,
  materialFields,
  parse,
  HouseDocument,
  MACHINE_DOCUMENTS,
  MATERIAL_DOCUMENTS,
  parseBlank,
  parseMachine,
  parseMaterial,
  toCell,
  valueAt,
  withValueAt,
  withoutEmptyObjects,
} from '@saltflat/contract';
import type {
  BlankInput,
  Catalogue,
  MachineInput,
  MachineKind,
  MaterialInput,
  MaterialKind,
  RecordField,
  ShopList,
} from '@saltflat/contract';
import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseMethods } from '@saltflat/core/route';
import Papa from 'papaparse';
import { mapBreathing } from '../../breathe.ts';
import { readJson } from '../../http/body.ts';
import { unguarded } from '../../http/csv.ts';

/** A record of one of the lists, without what belongs to the database. */
export type ShopRecord =
  | { list: 'blanks'; record: BlankInput }
  | { list: 'materials'; record: MaterialInput }
  | { list: 'machines'; record: MachineInput }
  | { list: 'methods'; record: Partial<HouseMethods> };

/** One line of a file that was read: a record, or why it is none. */
export type ReadLine = { line: number; name: string } & ({ found: ShopRecord } | { problems: string[] });

const isKind = <K extends string>(kinds: Record<K, unknown>, kind: string): kind is K =>
  Object.hasOwn(kinds, kind);

/** What a list's records look like as a table: one heading for each field of any kind in it. */
function columnsOf(list: ShopList): string[] {
  const named = (fields: readonly RecordField[]): string[] => fields.map(columnName);
  switch (list) {
    case 'blanks':
      return named(BLANK_FIELDS);
    case 'materials':
      return distinct(
        (Object.keys(MATERIAL_DOCUMENTS) as MaterialKind[]).flatMap((kind) => named(materialFields(kind))),
      );
    case 'machines':
      return distinct(
        (Object.keys(MACHINE_DOCUMENTS) as MachineKind[]).flatMap((kind) => named(machineFields(kind))),
      );
    default:
      return ['Method', 'Choice'];
  }
}

const distinct = (names: readonly string[]): string[] => [...new Set(names)];

/** The fields of a record, which for materials and machines depend on its kind. */
function fieldsFor(list: ShopList, kind: string): readonly RecordField[] | null {
  if (list === 'blanks') return BLANK_FIELDS;
  if (list === 'materials') return isKind(MATERIAL_DOCUMENTS, kind) ? materialFields(kind) : null;
  return isKind(MACHINE_DOCUMENTS, kind) ? machineFields(kind) : null;
}

/** A list's records as they leave the house: without identities and versions. */
export function recordsOf(list: ShopList, catalogue: Catalogue): object[] {
  switch (list) {
    case 'blanks':
      return catalogue.styles.map(({ id: _id, version: _version, colours, ...rest }) => ({
        ...rest,
        colours: colours.map(({ id: _own, ...colour }) => colour),
      }));
    case 'materials':
      return catalogue.materials.map(({ id: _id, version: _version, learnt: _learnt, ...rest }) => rest);
    case 'machines':
      return catalogue.machines.map(({ id: _id, version: _version, ...rest }) => rest);
    default:
      return [catalogue.house.document];
  }
}

/** A list as CSV rows with its headings. */
export function tableOf(
  list: ShopList,
  catalogue: Catalogue,
): { columns: string[]; rows: Record<string, string>[] } {
  const columns = columnsOf(list);
  if (list === 'methods')
    return {
      columns,
      rows: HOUSE_KEYS.map((key) => ({
        Method: HOUSE_METHODS[key].label,
        Choice: catalogue.house.document[key],
      })),
    };
  const rows = recordsOf(list, catalogue).map((record) => {
    const fields = fieldsFor(list, String(valueAt(record, ['kind']))) ?? [];
    return Object.fromEntries(
      fields.map((field) => [columnName(field), toCell(field, valueAt(record, field.path))]),
    );
  });
  return { columns, rows };
}

/** So many records at once: a shop's longest list has a tenth of them. */
const MOST_RECORDS = 2000;
const MOST_LINES = 10_000; // a quoted cell may go over several
const MOST_VALUES = 60_000;
const DELIMITERS = [',', ';', '\t'] as const;
const HEAD_LENGTH = 10_000;

/** Reads a file of a list, line by line; nothing is thrown for a bad line, it says what is wrong. */
export function readTable(list: ShopList, format: 'csv' | 'json', text: string): Promise<ReadLine[]> {
  return format === 'json' ? readRecords(list, text) : readCsv(list, text);
}

async function readRecords(list: ShopList, text: string): Promise<ReadLine[]> {
  const data = readJson(text, MOST_VALUES);
  if (!Array.isArray(data)) throw new DomainError('invalid-input', 'The file must hold a list of records.');
  refuseLong(data.length);
  return mapBreathing(data, (record: unknown, i) => checked(list, asAskedNow(list, record), i + 1));
}

/** A record from before something was asked for, with what is usual of it. */
function asAskedNow(list: ShopList, record: unknown): unknown {
  const kind = valueAt(record, ['kind']);
  const fields = fieldsFor(list, typeof kind === 'string' ? kind : '') ?? [];
  return fields.reduce(withUsual, record);
}

function withUsual(record: unknown, field: RecordField): unknown {
  const value = valueAt(record, field.path);
  if (value === undefined && field.usual !== undefined) return withValueAt(record, field.path, field.usual);
  const whole = field.within.at(-1) ?? field.path;
  if (field.isOptional && valueAt(record, whole) === undefined) return withValueAt(record, whole, null);
  if (field.type !== 'rows' || !Array.isArray(value)) return record;
  const rows = value.map((row: unknown) => field.columns.reduce(withUsual, row));
  return withValueAt(record, field.path, rows);
}

async function readCsv(list: ShopList, text: string): Promise<ReadLine[]> {
  const [head, ...rows] = linesOf(text.replace(/^\ufeff/, ''));
  const headings = head?.cells.map((heading) => heading.trim()) ?? [];
  refuseHeadings(list, headings, head?.line ?? 1);
  refuseLong(rows.length);
  const read = await mapBreathing(rows, ({ line, cells }) => ({
    line,
    extra: cells.slice(headings.length).find((cell) => cell.trim() !== '') ?? null,
    row: Object.fromEntries(headings.map((heading, i) => [heading, cells[i] ?? ''])),
  }));
  if (list === 'methods') return [readMethods(read)];
  return mapBreathing(read, (own) => readRow(list, own));
}

function refuseLong(records: number): void {
  if (records > MOST_RECORDS)
    throw new DomainError(
      'invalid-input',
      `The file has ${records} records; up to ${MOST_RECORDS} are taken at once. Split it.`,
    );
}

interface CsvRow {
  /** Where it begins in the file, as an editor counts. */
  line: number;
  row: Record<string, string>;
  /** What stands beyond the last heading, if anything. */
  extra: string | null;
}

/** The rows of a CSV text that are not empty. A quoted cell may go over several lines: a row is where it begins. */
function linesOf(text: string): { line: number; cells: string[] }[] {
  const newline = text.includes('\r\n') ? '\r\n' : text.includes('\n') ? '\n' : '\r';
  refuseLines(text, newline);
  const found: { line: number; cells: string[] }[] = [];
  let at = 0;
  let line = 1;
  Papa.parse<string[]>(text, {
    newline, // left to be guessed, it and the delimiter take longer than the reading
    delimiter: delimiterOf(text),
    step: ({ data, meta }) => {
      if (data.some((cell) => cell.trim() !== '')) found.push({ line, cells: data });
      line += text.slice(at, meta.cursor).split(/\r\n|\r|\n/).length - 1;
      at = meta.cursor;
    },
  });
  return found;
}

function refuseLines(text: string, newline: string): void {
  let lines = 1;
  for (let at = text.indexOf(newline); at >= 0; at = text.indexOf(newline, at + newline.length)) lines++;
  if (lines > MOST_LINES)
    throw new DomainError(
      'invalid-input',
      `The file has ${lines} lines, empty ones included; up to ${MOST_LINES} are taken at once. Split it.`,
    );
}

/** Whichever stands most often in the headings: spreadsheets write what is usual in their country. */
function delimiterOf(text: string): string {
  const head =
    text
      .slice(0, HEAD_LENGTH)
      .split(/[\r\n]/)
      .find((line) => line.trim() !== '') ?? '';
  const counted = DELIMITERS.map((own) => [own, head.split(own).length] as const);
  return counted.reduce((most, own) => (own[1] > most[1] ? own : most))[0];
}

function refuseHeadings(list: ShopList, headings: readonly string[], line: number): void {
  const columns = columnsOf(list);
  const unknown = headings.filter((name) => !columns.includes(name));
  if (unknown.length > 0) {
    const told = unknown.slice(0, 5).map((name) => name.slice(0, 60));
    const more = unknown.length > 5 ? ` and ${unknown.length - 5} more` : '';
    throw new DomainError(
      'invalid-input',
      `Line ${line}: there is no column “${told.join('”, “')}”${more} in ${list}; the columns are ${columns.join(', ')}.`,
    );
  }
  const seen = new Set<string>();
  const twice = headings.find((name) => seen.size === seen.add(name).size);
  if (twice !== undefined)
    throw new DomainError('invalid-input', `Line ${line}: the column “${twice}” is there twice.`);
}

function readRow(list: ShopList, { row, line, extra }: CsvRow): ReadLine {
  const cell = (name: string): string => unguarded(row[name] ?? '');
  const name = cell('Name').trim();
  if (extra !== null)
    return {
      line,
      name,
      problems: [`“${extra.slice(0, 60)}” stands beyond the last column: quote a cell that has commas.`],
    };
  const fields = fieldsFor(list, cell('Kind').trim());
  if (fields === null)
    return {
      line,
      name,
      problems: [`“Kind” is “${cell('Kind').slice(0, 60)}”, which no ${list.slice(0, -1)} is.`],
    };
  let record: unknown = {};
  const problems: string[] = [];
  for (const field of fields) {
    const isAsked = row[columnName(field)] !== undefined || field.usual === undefined;
    const read = isAsked
      ? fromCell(field, cell(columnName(field)))
      : { ok: true as const, value: field.usual };
    if (read.ok) record = withValueAt(record, field.path, read.value);
    else problems.push(read.problem);
  }
  return problems.length > 0
    ? { line, name, problems }
    : checked(list, withoutEmptyObjects(record, fields), line);
}

function readMethods(rows: readonly CsvRow[]): ReadLine {
  const problems: string[] = [];
  const record: Record<string, string> = {};
  for (const { line, row } of rows) {
    const { Method = '', Choice = '' } = row;
    const key = HOUSE_KEYS.find((own) => HOUSE_METHODS[own].label === Method.trim());
    if (!key) {
      problems.push(`Line ${line}: there is no method “${Method.slice(0, 60)}”.`);
      continue;
    }
    const choices = Object.keys(HOUSE_METHODS[key].choices);
    if (!choices.includes(Choice.trim()))
      problems.push(
        `Line ${line}: “${Method}” must be one of ${choices.join(', ')}, but “${Choice.slice(0, 60)}” was given.`,
      );
    record[key] = Choice.trim();
  }
  return problems.length > 0
    ? { line: 2, name: 'House methods', problems }
    : { line: 2, name: 'House methods', found: { list: 'methods', record } };
}

function checked(list: ShopList, data: unknown, line: number): ReadLine {
  const named = valueAt(data, ['name']);
  const name = list === 'methods' ? 'House methods' : typeof named === 'string' ? named : '';
  try {
    return { line, name, found: parsed(list, data) };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { line, name, problems: error.extra.fields?.map(({ message }) => message) ?? [error.message] };
  }
}

function parsed(list: ShopList, data: unknown): ShopRecord {
  switch (list) {
    case 'blanks':
      return { list, record: parseBlank(data) };
    case 'materials':
      return { list, record: parseMaterial(data) };
    case 'machines':
      return { list, record: parseMachine(data) };
    default:
      return { list, record: parse(HouseDocument, data) };
  }
}

/** What differs between two records of a list, field by field, in words. */
export function recordDifferences(list: ShopList, kind: string, before: unknown, after: unknown): string[] {
  if (list === 'methods')
    return HOUSE_KEYS.flatMap((key) => {
      const [p, q] = [before, after].map((record) => valueAt(record, [key]) as string | undefined); // parsed before
      return q === undefined || p === q ? [] : [`${HOUSE_METHODS[key].label}: ${p} → ${q}`];
    });
  return (fieldsFor(list, kind) ?? []).flatMap((field) => {
    const [p, q] = [before, after].map((record) => toCell(field, valueAt(record, field.path)));
    return p === q ? [] : [`${columnName(field)}: ${p === '' ? 'empty' : p} → ${q === '' ? 'empty' : q}`];
  });
}
