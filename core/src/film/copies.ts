import type { FilmProblem } from './problem.ts';

/** Names of the copies that are not locked, by the item's place: its id, `#`, and a number from 0. */
export function freeKeys({ items, locked = [] }: Pick<FilmProblem, 'items' | 'locked'>): string[][] {
  const taken = new Set(locked.map(({ key }) => key));
  return items.map(({ id, count }) =>
    Array.from({ length: count }, (_, copy) => `${id}#${copy}`).filter((key) => !taken.has(key)),
  );
}
