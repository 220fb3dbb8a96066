import { inEnglish } from '@saltflat/core/language';
import type { Phrasing } from '@saltflat/core/language';
import type { ErrorObject } from 'ajv';
import type { FieldProblem } from './problems.ts';

/** A finding of Ajv. */
export type Fault = ErrorObject;

/** How schemas are read, on the server and where checks of forms are compiled: every fault, with the schema it is about. */
export const AJV_OPTIONS = { allErrors: true, verbose: true, strict: true, strictTypes: false } as const;

/** What schemas say for forms, tables and sentences, not for checking. */
export const FOR_PEOPLE = ['quantity', 'money', 'help', 'ask'] as const;

/** So many faults are told: who has more mends these first. */
export const MOST_TOLD = 20;

/** Ajv's findings as sentences, one per field, as many as are told; and how many more fields there are. @param t the language they are said in */
export function faultsIn(
  errors: readonly ErrorObject[],
  t: Phrasing = inEnglish,
): { fields: FieldProblem[]; more: number } {
  const paths = new Set<string>();
  const fields: FieldProblem[] = [];
  for (const error of errors) {
    if (error.keyword === 'anyOf' || error.keyword === 'oneOf') continue; // its branches say it better
    if (isHalfFilled(error, errors)) continue;
    const path = pathOf(error);
    if (paths.has(path)) continue;
    paths.add(path);
    if (fields.length < MOST_TOLD) fields.push({ path: cut(path, 300), message: sentenceFor(error, t) });
  }
  if (fields.length === 0) fields.push({ path: '', message: t('The values sent cannot be used.') });
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

function sentenceFor(error: ErrorObject, t: Phrasing): string {
  const { keyword, data } = error;
  const name = fieldName(error, t);
  const { limit, format, type, allowedValues, additionalProperty } = error.params as Record<string, unknown>;
  const given = shown(data, t);
  const most = String(limit);
  if (saysNothing(error)) {
    const { ask } = schemaOf(error);
    if (ask !== undefined) return t(ask);
    if (keyword === 'required' || data === null) return t('{name} is missing.', { name });
  }
  const must = (what: string): string =>
    t('{name} must be {what}, but {given} was given.', { name, what, given });
  switch (keyword) {
    case 'additionalProperties':
      return t('There is no field “{field}” here; leave it out.', {
        field: cut(String(additionalProperty), 60),
      });
    case 'minimum':
      return must(t('at least {most}', { most }));
    case 'maximum':
      return must(t('at most {most}', { most }));
    case 'exclusiveMinimum':
      return must(t('above {most}', { most }));
    case 'exclusiveMaximum':
      return must(t('below {most}', { most }));
    case 'minItems':
      return t('{name} needs at least {most}.', { name, most });
    case 'maxItems':
      return t('{name} takes at most {most}.', { name, most });
    case 'uniqueItems':
      return t('{name} has something twice.', { name });
    case 'minLength':
      return t('{name} must not be empty.', { name });
    case 'maxLength':
      return t('{name} takes at most {most} characters.', { name, most });
    case 'pattern':
      return typeof data === 'string' && data.trim() === ''
        ? t('{name} must not be empty.', { name })
        : t('{name} has characters that cannot be used.', { name });
    case 'enum':
      return must(t('one of {values}', { values: (allowedValues as unknown[]).join(', ') }));
    case 'format':
      return must(
        format === 'date-time' ? t('a date and time') : t('a valid {format}', { format: String(format) }),
      );
    case 'type':
      return must(t(typeWords(type)));
    default:
      return `${name} ${error.message ?? t('cannot be used')}.`;
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

function fieldName(error: ErrorObject, t: Phrasing): string {
  const { keyword, instancePath, params } = error;
  const key =
    keyword === 'required'
      ? String((params as Record<string, unknown>).missingProperty)
      : instancePath.slice(instancePath.lastIndexOf('/') + 1);
  const { title } = schemaOf(error);
  return quoted(cut(title === undefined ? key : t(title), 60), t);
}

const quoted = (name: string, t: Phrasing): string => `“${name === '' ? t('The body') : name}”`;

function shown(data: unknown, t: Phrasing): string {
  if (data === null) return t('nothing');
  if (typeof data === 'string') return `“${cut(data, 58)}”`;
  if (Array.isArray(data)) return data.length === 0 ? t('an empty list') : t('a list');
  if (typeof data === 'object') return t('a set of fields');
  return JSON.stringify(data);
}
