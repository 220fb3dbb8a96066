import { fromShown, shownUnit, toShown, METRIC } from '@saltflat/core/units';
import type { QuantityKind } from '@saltflat/core/units';

/** One thing to fill in of a record: read off its schema, so that forms, tables and checks cannot drift apart. */
export interface RecordField {
  /** Where it is in the record. */
  path: readonly string[];
  title: string;
  type: 'number' | 'integer' | 'text' | 'choice' | 'flag' | 'set' | 'rows';
  /** May be left empty. */
  isOptional: boolean;
  /** Where the objects are that it is part of and that may be left out whole, innermost first. */
  within: readonly (readonly string[])[];
  /** Text that must say something. */
  needsText: boolean;
  quantity: QuantityKind | null;
  isMoney: boolean;
  help: string;
  /** What it is where a table from before it was asked for does not say; `undefined` where it has to be said. */
  usual: unknown;
  /** Of a choice or a set. */
  choices: readonly string[];
  /** Of rows: the columns of one row. */
  columns: readonly RecordField[];
}

/** What is read of a JSON schema here. */
interface Schema {
  type?: string;
  title?: string;
  enum?: readonly unknown[];
  anyOf?: readonly Schema[];
  properties?: Record<string, Schema>;
  items?: Schema;
  quantity?: QuantityKind;
  money?: boolean;
  help?: string;
  default?: unknown;
  minLength?: number;
  pattern?: string;
}

/** The fields of an object schema in order, nested objects flattened; `null`-able objects become optional fields. */
export function fieldsOf(schema: object, path: readonly string[] = []): RecordField[] {
  const { properties = {} } = schema as Schema;
  return Object.entries(properties)
    .filter(([key]) => key !== 'id' && key !== 'version')
    .flatMap(([key, own]) => fieldsIn(own, [...path, key], []));
}

/** @param nulls where what may be empty is that this is, or is part of */
function fieldsIn(schema: Schema, path: readonly string[], nulls: RecordField['within']): RecordField[] {
  if (schema.anyOf) {
    const inner = schema.anyOf.find(({ type }) => type !== 'null') ?? {};
    return fieldsIn({ ...inner, title: inner.title ?? schema.title }, path, [path, ...nulls]);
  }
  if (schema.type === 'object' && schema.properties)
    return Object.entries(schema.properties).flatMap(([key, own]) => fieldsIn(own, [...path, key], nulls));
  const isOptional = nulls.length > 0;
  const field: RecordField = {
    path,
    title: schema.title ?? path[path.length - 1] ?? '',
    type: 'text',
    isOptional,
    within: nulls.filter((own) => own.length < path.length),
    needsText: !isOptional && refusesEmpty(schema),
    quantity: schema.quantity ?? null,
    isMoney: schema.money ?? false,
    help: schema.help ?? '',
    usual: schema.default,
    choices: (schema.enum ?? []).map(String),
    columns: [],
  };
  if (schema.enum) return [{ ...field, type: 'choice' }];
  if (schema.type === 'boolean') return [{ ...field, type: 'flag' }];
  if (schema.type === 'number' || schema.type === 'integer') return [{ ...field, type: schema.type }];
  if (schema.type !== 'array' || !schema.items) return [field];
  return schema.items.enum
    ? [{ ...field, type: 'set', choices: schema.items.enum.map(String) }]
    : [{ ...field, type: 'rows', columns: fieldsOf(schema.items) }];
}

/** True of text that has a shortest length, or a pattern that nothing does not fit. */
const refusesEmpty = ({ type, minLength = 0, pattern }: Schema): boolean =>
  type === 'string' && (minLength > 0 || (pattern !== undefined && !new RegExp(pattern, 'u').test('')));

/** What a field reads in a record; `undefined` where an object on the way is empty. */
export function valueAt(record: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>(
    (at, key) => (typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined),
    record,
  );
}

/** A copy of the record in which an optional object none of whose fields says anything is left out. */
export function withoutEmptyObjects<T>(record: T, fields: readonly RecordField[]): T {
  const objects = new Map(fields.flatMap(({ within }) => within).map((path) => [path.join('/'), path]));
  const saysNothing = (path: readonly string[]): boolean =>
    fields
      .filter(({ within }) => within.some((own) => own.join('/') === path.join('/')))
      .every((field) => (valueAt(record, field.path) ?? null) === null);
  return [...objects.values()]
    .filter(saysNothing)
    .sort((p, q) => q.length - p.length)
    .reduce(
      (result, path) => (valueAt(result, path) === undefined ? result : withValueAt(result, path, null)),
      record,
    );
}

/** A copy of the record with one field set. */
export function withValueAt<T>(record: T, path: readonly string[], value: unknown): T {
  const [key, ...rest] = path;
  if (key === undefined) return value as T;
  const own = (record ?? {}) as Record<string, unknown>;
  const inner = withValueAt(own[key], rest, value);
  return { ...own, [key]: inner } as T;
}

/** Heading of a field in a table: its title and the unit its numbers are in. */
export function columnName({ title, quantity, isMoney }: RecordField): string {
  if (isMoney) return `${title}, cents`;
  const unit = quantity === null ? '' : shownUnit(quantity, METRIC);
  return unit === '' ? title : `${title}, ${unit}`;
}

const ROWS = '; ';
const CELLS = ' / ';

/** A field's value as the text of a table cell: numbers in the heading's unit, lists with semicolons, rows with slashes. */
export function toCell(field: RecordField, value: unknown): string {
  if (value === null || value === undefined) return '';
  switch (field.type) {
    case 'flag':
      return value === true ? 'yes' : 'no';
    case 'set':
      return (value as readonly string[]).join(ROWS);
    case 'rows':
      return (value as readonly unknown[])
        .map((row) => field.columns.map((column) => toCell(column, valueAt(row, column.path))).join(CELLS))
        .join(ROWS);
    case 'number':
    case 'integer':
      return String(
        round(field.quantity === null ? Number(value) : toShown(Number(value), field.quantity, METRIC)),
      );
    default:
      return typeof value === 'string' ? value : JSON.stringify(value);
  }
}

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

/** What a cell says, or a sentence about what would be right. */
export type CellValue = { ok: true; value: unknown } | { ok: false; problem: string };

/** Reads a table cell back; what it means is checked later, against the schema. */
export function fromCell(field: RecordField, cell: string): CellValue {
  const text = cell.trim();
  if (text === '' && (field.isOptional || field.type === 'set' || field.type === 'rows'))
    return { ok: true, value: field.type === 'set' || field.type === 'rows' ? [] : null };
  switch (field.type) {
    case 'number':
    case 'integer':
      return numberFrom(field, text);
    case 'flag': {
      const flag = { yes: true, no: false }[text.toLowerCase()];
      return flag === undefined
        ? { ok: false, problem: `“${field.title}” must be yes or no, but “${text}” was given.` }
        : { ok: true, value: flag };
    }
    case 'set':
      return { ok: true, value: parts(text, ';') };
    case 'rows':
      return rowsFrom(field, text);
    default:
      return { ok: true, value: text };
  }
}

function numberFrom(field: RecordField, text: string): CellValue {
  const number = Number(text.replace(',', '.'));
  if (text === '' || !Number.isFinite(number))
    return {
      ok: false,
      problem: `“${columnName(field)}” must be a number, but “${text}” was given.`,
    };
  return {
    ok: true,
    value: field.quantity === null ? number : round(fromShown(number, field.quantity, METRIC)),
  };
}

function rowsFrom(field: RecordField, text: string): CellValue {
  const rows: unknown[] = [];
  for (const part of parts(text, ';')) {
    const cells = part.split('/').map((cell) => cell.trim());
    const left = field.columns.slice(cells.length);
    if (cells.length > field.columns.length || left.some(({ usual }) => usual === undefined))
      return {
        ok: false,
        problem: `“${field.title}” wants ${field.columns.map(({ title }) => title).join(' / ')} for each, but “${part}” was given.`,
      };
    let row: Record<string, unknown> = {};
    for (const [i, column] of field.columns.entries()) {
      const cell = cells[i];
      const read: CellValue = cell === undefined ? { ok: true, value: column.usual } : fromCell(column, cell);
      if (!read.ok) return read;
      row = withValueAt(row, column.path, read.value);
    }
    rows.push(row);
  }
  return { ok: true, value: rows };
}

const parts = (text: string, by: string): string[] =>
  text
    .split(by)
    .map((part) => part.trim())
    .filter((part) => part !== '');
