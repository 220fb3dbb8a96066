import { compareLayouts } from '@saltflat/core/film';
import type { FilmAnswer, FilmLayout, FilmProblem } from '@saltflat/core/film';

/** Whether a layout has all that fits: round locked pieces the first does not come at once. */
export const isWhole = ({ items }: FilmProblem, { placements, unplaced }: FilmLayout): boolean =>
  placements.length + unplaced.reduce((sum, { count }) => sum + count, 0) >=
  items.reduce((sum, { count }) => sum + count, 0);

/** Of several searches the best layouts: what has more of its pieces goes before all else. */
export function bestOf(problem: FilmProblem, answers: readonly FilmAnswer[]): FilmAnswer | null {
  const [first, ...rest] = answers;
  if (first === undefined) return null;
  const better = (p: FilmLayout | null, q: FilmLayout | null): FilmLayout | null => {
    if (p === null || q === null) return p ?? q;
    const more = q.placements.length - p.placements.length;
    return (more !== 0 ? more : compareLayouts(problem, p, q)) <= 0 ? p : q;
  };
  return rest.reduce<FilmAnswer>(
    (known, own) => ({
      ...known,
      best: better(known.best, own.best) ?? known.best,
      rows: better(known.rows, own.rows),
      rounds: known.rounds + own.rounds,
    }),
    first,
  );
}
