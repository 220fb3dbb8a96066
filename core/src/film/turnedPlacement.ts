import { turnedBox } from './problem.ts';
import type { FilmProblem, Placement } from './problem.ts';

/** A copy turned to the next way round it may lie, clockwise, about its middle, on whole millimetres. */
export function turnedPlacement({ items }: Pick<FilmProblem, 'items'>, own: Placement): Placement {
  const item = items.find(({ id }) => id === own.itemId);
  if (item === undefined) throw new RangeError(`${own.key} is of no item here`);
  const { turns } = item;
  const turn = turns[(turns.indexOf(own.turn) + 1) % turns.length];
  const is = turnedBox(item, own.turn);
  const will = turnedBox(item, turn);
  return {
    ...own,
    turn,
    xMm: Math.round(own.xMm + (is.widthMm - will.widthMm) / 2),
    yMm: Math.round(own.yMm + (is.heightMm - will.heightMm) / 2),
  };
}
