import { DomainError } from '@saltflat/contract';
import { Memory } from '../memory.ts';
import { UUID } from './endpoint.ts';

/** A place in a sorted list, opaque to clients. */
export const writeCursor = (values: readonly (string | number)[]): string =>
  Buffer.from(JSON.stringify(values)).toString('base64url');

/**
 * Reads a place back.
 *
 * @param checks one for each value: whether it can be one here
 * @throws DomainError for one that is no place in this list as it is sorted now
 */
export function readCursor<T extends readonly (string | number)[]>(
  cursor: string,
  checks: { [K in keyof T]: (value: unknown) => boolean },
): T {
  try {
    const values = JSON.parse(Buffer.from(cursor, 'base64url').toString()) as unknown[];
    if (values.length === checks.length && checks.every((check, i) => check(values[i])))
      return values as unknown as T;
  } catch {
    // said below, like any other that was never ours
  }
  const message = '“Cursor” is no place in this list: leave it out to begin at the start.';
  throw new DomainError('invalid-input', message, { fields: [{ path: '/cursor', message }] });
}

/** All pages of a list, one after another. */
export async function* eachPage<T>(
  read: (cursor: string | undefined) => Promise<{ items: T[]; nextCursor: string | null }>,
): AsyncGenerator<T[]> {
  for (let cursor: string | null | undefined; cursor !== null;) {
    const page: { items: T[]; nextCursor: string | null } = await read(cursor);
    yield page.items;
    cursor = page.nextCursor;
  }
}

export const isTime = (value: unknown): boolean =>
  typeof value === 'string' && !Number.isNaN(Date.parse(value));
export const isCount = (value: unknown): boolean =>
  typeof value === 'number' && Number.isInteger(value) && Math.abs(value) <= 2_147_483_647;
export const isId = (value: unknown): boolean => typeof value === 'string' && UUID.test(value);
export const isText = (value: unknown): boolean => typeof value === 'string' && value.length <= 200;

/** Conditions that all must hold, as SQL; without any it always holds. */
export const and = (conditions: readonly string[]): string =>
  conditions.length === 0 ? 'true' : conditions.join(' and ');

/** Text as a pattern that matches it anywhere, literally. */
const escaped = (word: string): string => word.toLowerCase().replace(/[\\%_]/g, '\\$&');

/**
 * Patterns of a search, all of which must match: a word of three letters or more anywhere in the text, a shorter one at
 * the beginning of a word (signs alone anywhere). So each can be looked up in an index of trigrams.
 */
export const searchPatterns = (search: string): string[] =>
  search
    .split(/\s+/)
    .filter((word) => word !== '')
    .map((word) =>
      word.length >= 3 || !/[\p{L}\p{N}]/u.test(word) ? `%${escaped(word)}%` : `% ${escaped(word)}%`,
    );

/** Whether a search is for few: words with a figure in them are codes, which are looked up rather than walked to. */
const isRare = (search: string | undefined): boolean =>
  (search ?? '').split(/\s+/).some((word) => word.length >= 3 && /\d/.test(word));

/**
 * Searches that a walk did not fill a page for. They are asked again and again, with every change of a list that somebody
 * looks at: from then on they are looked up without a walk before.
 */
export class SparseSearches {
  private readonly known = new Memory<true>(200);

  /** A page of a search: what a walk meets where that fills it, else what is looked up. */
  async page<T extends { nextCursor: string | null }>(
    query: { search?: string; cursor?: string },
    { walk, lookUp }: Record<'walk' | 'lookUp', () => Promise<T>>,
  ): Promise<T> {
    const key = keyOf(query);
    if (isRare(query.search) || this.known.get(key)) return lookUp();
    const walked = await walk();
    if (walked.nextCursor !== null) return walked;
    if (query.cursor === undefined) this.known.put(key, true);
    return lookUp();
  }
}

/** What is sought, wherever a page of it begins. */
const keyOf = (query: object): string => JSON.stringify({ ...query, cursor: null, limit: null });
