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
  return ajv;
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
  const fields = !check(data)
    ? fieldProblems(check.errors ?? [])
    : options.coerce
      ? endlessNumbers(schema, data)
      : [];
  if (fields.length === 0) return data as Static<T>;
  const sentence = fields.map(({ message }) => message).join(' ');
  throw new DomainError('invalid-input', sentence, { fields });
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

/** Ajv's findings as sentences, one per field. */
function fieldProblems(errors: readonly ErrorObject[]): FieldProblem[] {
  const byPath = new Map<string, string>();
  for (const error of errors) {
    if (error.keyword === 'anyOf' || error.keyword === 'oneOf') continue; // its branches say it better
    const path = pathOf(error);
    if (!byPath.has(path)) byPath.set(path, sentenceFor(error));
  }
  if (byPath.size === 0) byPath.set('', 'The values sent cannot be used.');
  return [...byPath].map(([path, message]) => ({ path, message }));
}

function pathOf({ instancePath, params, keyword }: ErrorObject): string {
  if (keyword === 'required') return `${instancePath}/${String(params.missingProperty)}`;
  if (keyword === 'additionalProperties') return `${instancePath}/${String(params.additionalProperty)}`;
  return instancePath;
}

function sentenceFor(error: ErrorObject): string {
  const { keyword, data } = error;
  const name = fieldName(error);
  const params = error.params as Record<string, unknown>;
  const given = `, but ${shown(data)} was given.`;
  switch (keyword) {
    case 'required':
      return `${name} is missing.`;
    case 'additionalProperties':
      return `There is no field “${String(params.additionalProperty)}” here; leave it out.`;
    case 'minimum':
      return `${name} must be at least ${String(params.limit)}${given}`;
    case 'maximum':
      return `${name} must be at most ${String(params.limit)}${given}`;
    case 'minItems':
      return `${name} needs at least ${String(params.limit)}.`;
    case 'maxItems':
      return `${name} takes at most ${String(params.limit)}.`;
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
  return quoted(title ?? instancePath.split('/').pop() ?? 'The value');
}

const quoted = (name: string): string => `“${name === '' ? 'The body' : name}”`;

function shown(data: unknown): string {
  const text = typeof data === 'string' ? `“${data}”` : JSON.stringify(data);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
