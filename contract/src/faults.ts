import type { ErrorObject } from 'ajv';
import type { FieldProblem } from './problems.ts';

/** A finding of Ajv. */
export type Fault = ErrorObject;

/** What schemas say for forms, tables and sentences, not for checking. */
export const FOR_PEOPLE = ['quantity', 'money', 'help', 'ask'] as const;

/** So many faults are told: who has more mends these first. */
export const MOST_TOLD = 20;

/** Ajv's findings as sentences, one per field, as many as are told; and how many more fields there are. */
export function faultsIn(errors: readonly ErrorObject[]): { fields: FieldProblem[]; more: number } {
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
  if (saysNothing(error)) {
    const { ask } = schemaOf(error);
    if (ask !== undefined) return ask;
    if (keyword === 'required' || data === null) return `${name} is missing.`;
  }
  switch (keyword) {
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

/** What a schema says of itself to people. */
interface Told {
  title?: string;
  /** What is asked where nothing is given. */
  ask?: string;
}

/** The schema of the field that is wrong: of one that is not there, its place in the object. */
function schemaOf({ keyword, params, parentSchema = {} }: ErrorObject): Told {
  if (keyword !== 'required') return parentSchema as Told;
  const { properties = {} } = parentSchema as { properties?: Record<string, Told> };
  return properties[String((params as Record<string, unknown>).missingProperty)] ?? {};
}

/** Nothing was given, rather than something wrong. */
const saysNothing = ({ keyword, data }: ErrorObject): boolean =>
  keyword === 'required' ||
  data === null ||
  (typeof data === 'string' && data.trim() === '') ||
  (keyword === 'minItems' && Array.isArray(data) && data.length === 0);

function fieldName(error: ErrorObject): string {
  const { keyword, instancePath, params } = error;
  const key =
    keyword === 'required'
      ? String((params as Record<string, unknown>).missingProperty)
      : instancePath.slice(instancePath.lastIndexOf('/') + 1);
  return quoted(cut(schemaOf(error).title ?? key, 60));
}

const quoted = (name: string): string => `“${name === '' ? 'The body' : name}”`;

function shown(data: unknown): string {
  if (data === null) return 'nothing';
  if (typeof data === 'string') return `“${cut(data, 58)}”`;
  if (Array.isArray(data)) return data.length === 0 ? 'an empty list' : 'a list';
  if (typeof data === 'object') return 'a set of fields';
  return JSON.stringify(data);
}
