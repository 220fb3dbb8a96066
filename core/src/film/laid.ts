import { turnedBox } from './problem.ts';
import type { FilmItem, FilmProblem, Placement } from './problem.ts';

/** A copy as it lies: whose it is, and its turned box. */
export interface Laid {
  own: Placement;
  item: FilmItem;
  widthMm: number;
  heightMm: number;
}

/**
 * Copies of a problem as they lie, in the order given.
 *
 * @throws RangeError where one is of no item
 */
export function laidOf({ items }: Pick<FilmProblem, 'items'>, placements: readonly Placement[]): Laid[] {
  const byId = new Map(items.map((item) => [item.id, item]));
  return placements.map((own) => {
    const item = byId.get(own.itemId);
    if (item === undefined) throw new RangeError(`${own.key} is of no item here`);
    return { own, item, ...turnedBox(item, own.turn) };
  });
}
