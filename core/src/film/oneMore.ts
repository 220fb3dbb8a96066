import type { FilmAnswer, LayOutInput } from './layOutFilm.ts';
import { layoutOf } from './layoutOf.ts';
import type { FilmProblem, Placement } from './problem.ts';

/** Steps in which a place is found for one piece among others that stay. */
const ROUNDS = 20;

/** Where one more copy lies, and what it takes beyond the film there was: nothing where a gap takes it. */
export interface OneMore {
  own: Placement;
  /** mm of film; sheets. */
  byMm: number;
  bySheets: number;
}

/**
 * What is to be laid out so that one more copy finds its place while all others stay.
 *
 * @param problem with the new copy in it
 * @param placements of all copies but that
 */
export const oneMore = (problem: FilmProblem, placements: readonly Placement[]): LayOutInput => ({
  problem: { ...problem, locked: [...placements] },
  seed: 1,
  rounds: ROUNDS,
});

/** What came of {@link oneMore}; `null` where no film takes the copy. */
export function oneMoreIn({ problem }: LayOutInput, { best }: FilmAnswer): OneMore | null {
  const { locked = [] } = problem;
  const keys = new Set(locked.map(({ key }) => key));
  const own = best.placements.find(({ key }) => !keys.has(key));
  if (!own) return null;
  const before = layoutOf(problem, locked);
  return { own, byMm: best.lengthMm - before.lengthMm, bySheets: best.sheets - before.sheets };
}
