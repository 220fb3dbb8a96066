import { laidOf } from './laid.ts';
import { turnedBox } from './problem.ts';
import type { FilmProblem, Placement } from './problem.ts';

/** A copy turned to the next way round it may lie, clockwise, about its middle, on whole millimetres. */
export function turnedPlacement(problem: Pick<FilmProblem, 'items'>, own: Placement): Placement {
  const [is] = laidOf(problem, [own]);
  const { item } = is;
  const { turns } = item;
  const turn = turns[(turns.indexOf(own.turn) + 1) % turns.length];
  const will = turnedBox(item, turn);
  return {
    ...own,
    turn,
    xMm: Math.round(own.xMm + (is.widthMm - will.widthMm) / 2),
    yMm: Math.round(own.yMm + (is.heightMm - will.heightMm) / 2),
  };
}
