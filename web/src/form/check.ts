import { t } from '../words/t.ts';
import { faultsIn } from '@saltflat/contract/faults';
import type { Fault } from '@saltflat/contract/faults';
import type { FieldProblem } from '@saltflat/contract/problems';
import { set } from 'react-hook-form';
import type { FieldErrors, FieldValues, Resolver } from 'react-hook-form';

/** What Ajv makes of a schema. */
export interface Check {
  (data: unknown): boolean;
  errors?: readonly Fault[] | null;
}

/** Something that is filled in: what its fields hold, what that is when it is sent, and how it is checked before. */
export interface Filled<V extends FieldValues, D extends FieldValues> {
  /** Fetched when it is first needed; by what is sent, where that has kinds. */
  check: (document: unknown) => Promise<Check>;
  /** What is sent; left out where the fields hold just that. A fault is marked at the field of the same path. */
  documentOf?: (values: V) => unknown;
  /** What a schema cannot say. */
  more?: (document: D) => FieldProblem[];
}

/**
 * A resolver for react-hook-form that checks with a compiled schema, in the sentences the server would say it in. Ajv’s own needs
 * to make code of the schema, which a page of ours may not.
 */
export const resolverOf =
  <V extends FieldValues, D extends FieldValues>({
    check: fetched,
    documentOf = (values) => values,
    more = () => [],
  }: Filled<V, D>): Resolver<V, unknown, D> =>
  async (values) => {
    const document = documentOf(values);
    const check = await fetched(document).catch(() => null); // where it does not come, the server checks alone
    const isSound = check === null || check(document);
    // it is what the check says it is
    const faults = isSound ? (check ? more(document as D) : []) : faultsIn(check.errors ?? [], t).fields;
    return faults.length === 0
      ? { values: document as D, errors: {} }
      : { values: {}, errors: errorsAt<V>(faults) };
  };

/** Refused fields where react-hook-form keeps them. */
export function errorsAt<V extends FieldValues>(faults: readonly FieldProblem[]): FieldErrors<V> {
  const errors: FieldErrors<V> = {};
  for (const { path, message } of faults) set(errors, nameOf(path), { type: 'check', message });
  return errors;
}

/** What was typed, without what is blank before and after it. */
export const trimmed = (values: Record<string, string>): unknown =>
  Object.fromEntries(Object.entries(values).map(([key, text]) => [key, text.trim()]));

/** The number that was typed; what is none stays as it is, for the check to say so. */
export const numberIn = (text: string): unknown =>
  text.trim() === '' || Number.isNaN(Number(text)) ? text : Number(text);

/** The name of a field by its JSON Pointer. */
export const nameOf = (path: string): string => path.slice(1).replaceAll('/', '.');

/** Sentences by JSON Pointer, out of where react-hook-form keeps them. */
export function problemsIn(errors: object, at = ''): Record<string, string> {
  const found: Record<string, string> = {};
  for (const [key, value] of Object.entries(errors) as [string, unknown][]) {
    if (typeof value !== 'object' || value === null || key === 'ref') continue;
    const path = key === 'root' ? at : `${at}/${key}`;
    const { type, message } = value as { type?: unknown; message?: unknown };
    if (typeof type === 'string' && typeof message === 'string') found[path] = message;
    Object.assign(found, problemsIn(value, path));
  }
  return found;
}
