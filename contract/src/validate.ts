import { Ajv } from 'ajv';
import type { ErrorObject, ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import type { Static, TSchema } from 'typebox';
import { DomainError } from './problems.ts';
import type { FieldProblem } from './problems.ts';

const strict = { ajv: makeAjv(false), compiled: new WeakMap<object, ValidateFunction>() };
const coercing = { ajv: makeAjv(true), compiled: new WeakMap<object, ValidateFunction>() };

function makeAjv(coerceTypes: boolean): Ajv {
  const ajv = new Ajv({ allErrors: true, verbose: true, strict: true, strictTypes: false, coerceTypes });
  addFormats(ajv);
  ajv.addVocabulary(['quantity', 'money', 'help']); // for forms and tables, not for checking
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
    const { fields, more } = fieldProblems(check.errors ?? []);
    throw refusedFields(fields, more);
  }
  const fields = options.coerce ? endlessNumbers(schema, data) : [];
  if (fields.length === 0) return data as Static<T>;
  throw refusedFields(fields);
}

/** So many faults are told: who has more mends these first. */
const MOST_TOLD = 20;

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

/** Ajv's findings as sentences, one per field, as many as are told; and how many more fields there are. */
function fieldProblems(errors: readonly ErrorObject[]): { fields: FieldProblem[]; more: number } {
  const paths = new Set<string>();
  const fields: FieldProblem[] = [];
  for (const error of errors) {
    if (error.keyword === 'anyOf' || error.keyword === 'oneOf') continue; // its branches say it better
    if (isHalfFilled(error, errors)) continue;
    const path = pathOf(error);
    if (paths.has(path)) continue;
    paths.add(path);
    if (fields.length < MOST_TOLD) fields.push({ path: cut(path, 300), message: sentenceFor(error) });
  }
  if (fields.length === 0) fields.push({ path: '', message: 'The values sent cannot be used.' });
  return { fields, more: Math.max(0, paths.size - fields.length) };
}

/** What may be left out whole and is partly there: what is wrong inside it says it, not that it is there. */
const isHalfFilled = ({ keyword, params, instancePath }: ErrorObject, all: readonly ErrorObject[]): boolean =>
  keyword === 'type' &&
  params.type === 'null' &&
  all.some((other) => pathOf(other).startsWith(`${instancePath}/`));

function pathOf({ instancePath, params, keyword }: ErrorObject): string {
  if (keyword === 'required') return `${instancePath}/${String(params.missingProperty)}`;
  if (keyword === 'additionalProperties') return `${instancePath}/${String(params.additionalProperty)}`;
  return instancePath;
}

/** What somebody sent may be of any length: no sentence repeats more of it than a person reads. */
const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

function sentenceFor(error: ErrorObject): string {
  const { keyword, data } = error;
  const name = fieldName(error);
  const params = error.params as Record<string, unknown>;
  const given = `, but ${shown(data)} was given.`;
  switch (keyword) {
    case 'required':
      return `${name} is missing.`;
    case 'additionalProperties':
      return `There is no field “${cut(String(params.additionalProperty), 60)}” here; leave it out.`;
    case 'minimum':
      return `${name} must be at least ${String(params.limit)}${given}`;
    case 'maximum':
      return `${name} must be at most ${String(params.limit)}${given}`;
    case 'minItems':
      return `${name} needs at least ${String(params.limit)}.`;
    case 'maxItems':
      return `${name} takes at most ${String(params.limit)}.`;
    case 'uniqueItems':
      return `${name} has something twice.`;
    case 'minLength':
      return `${name} must not be empty.`;
    case 'maxLength':
      return `${name} takes at most ${String(params.limit)} characters.`;
    case 'pattern':
      return typeof data === 'string' && data.trim() === ''
        ? `${name} must not be empty.`
        : `${name} has characters that cannot be used.`;
    case 'enum':
      return `${name} must be one of ${(params.allowedValues as unknown[]).join(', ')}${given}`;
    case 'format':
      return `${name} must be ${params.format === 'date-time' ? 'a date and time' : `a valid ${String(params.format)}`}${given}`;
    case 'type':
      return `${name} must be ${typeWords(params.type)}${given}`;
    default:
      return `${name} ${error.message ?? 'cannot be used'}.`;
  }
}

const typeWords = (type: unknown): string =>
  ({
    integer: 'a whole number',
    number: 'a number',
    string: 'text',
    array: 'a list',
    object: 'a set of fields',
    boolean: 'yes or no',
    null: 'empty',
  })[String(type)] ?? String(type);

function fieldName(error: ErrorObject): string {
  const { keyword, instancePath, parentSchema, params } = error;
  if (keyword === 'required') {
    const key = String((params as Record<string, unknown>).missingProperty);
    const properties = (parentSchema?.properties ?? {}) as Record<string, { title?: string } | undefined>;
    return quoted(properties[key]?.title ?? key);
  }
  const title = parentSchema?.title as string | undefined;
  return quoted(cut(title ?? instancePath.slice(instancePath.lastIndexOf('/') + 1), 60));
}

const quoted = (name: string): string => `“${name === '' ? 'The body' : name}”`;

function shown(data: unknown): string {
  if (data === null) return 'nothing';
  if (typeof data === 'string') return `“${cut(data, 58)}”`;
  if (Array.isArray(data)) return data.length === 0 ? 'an empty list' : 'a list';
  if (typeof data === 'object') return 'a set of fields';
  return JSON.stringify(data);
}
