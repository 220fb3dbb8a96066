import { Ajv } from 'ajv';
import type { ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import type { Static, TSchema } from 'typebox';
import { AJV_OPTIONS, FOR_PEOPLE, MOST_TOLD, faultsIn } from './faults.ts';
import { DomainError } from './problems.ts';
import type { FieldProblem } from './problems.ts';

const strict = { ajv: makeAjv(false), compiled: new WeakMap<object, ValidateFunction>() };
const coercing = { ajv: makeAjv(true), compiled: new WeakMap<object, ValidateFunction>() };

function makeAjv(coerceTypes: boolean): Ajv {
  const ajv = new Ajv({ ...AJV_OPTIONS, coerceTypes });
  addFormats(ajv);
  ajv.addVocabulary([...FOR_PEOPLE]);
  ajv.removeKeyword('uniqueItems'); // Ajv's own compares every item with every other
  ajv.addKeyword({ keyword: 'uniqueItems', type: 'array', schemaType: 'boolean', validate: isEachOnce });
  return ajv;
}

function isEachOnce(isWanted: boolean, items: unknown[]): boolean {
  return !isWanted || new Set(items.map((item) => JSON.stringify(item))).size === items.length;
}

/**
 * Checks outside data against a schema, all faults at once.
 *
 * @param options.coerce true for query strings, whose numbers arrive as text
 * @returns the data, now trusted
 * @throws DomainError `invalid-input` naming every field that is wrong and what would be right
 */
export function parse<T extends TSchema>(
  schema: T,
  data: unknown,
  options: { coerce?: boolean } = {},
): Static<T> {
  const { ajv, compiled } = options.coerce ? coercing : strict;
  let check = compiled.get(schema);
  if (!check) {
    check = ajv.compile(schema);
    compiled.set(schema, check);
  }
  if (!check(data)) {
    const { fields, more } = faultsIn(check.errors ?? []);
    throw refusedFields(fields, more);
  }
  const fields = options.coerce ? endlessNumbers(schema, data) : [];
  if (fields.length === 0) return data as Static<T>;
  throw refusedFields(fields);
}

/** The refusal that tells of faulty fields: the first twenty, and how many more there are. */
export function refusedFields(fields: readonly FieldProblem[], more = 0): DomainError {
  const told = fields.slice(0, MOST_TOLD);
  const untold = fields.length - told.length + more;
  const sentence = told.map(({ message }) => message).join(' ');
  return new DomainError('invalid-input', untold > 0 ? `${sentence} And ${untold} more.` : sentence, {
    fields: told,
  });
}

/** Text that reads as a number beyond all numbers ("1e400") is coerced past every limit: it is refused here. */
function endlessNumbers(schema: TSchema, data: unknown): FieldProblem[] {
  const { properties = {} } = schema as { properties?: Record<string, { title?: string }> };
  return Object.entries(data ?? {})
    .filter(([, value]) => typeof value === 'number' && !Number.isFinite(value))
    .map(([key]) => ({
      path: `/${key}`,
      message: `“${properties[key]?.title ?? key}” is too large a number.`,
    }));
}
