import { seededRandom } from '../work/index.ts';
import { boxWork } from './boxes/boxWork.ts';
import { searchBoxes } from './boxes/searchBoxes.ts';
import { compareLayouts } from './compareLayouts.ts';
import { layoutOf, placementsOf } from './layoutOf.ts';
import { checkProblem } from './problem.ts';
import type { FilmLayout, FilmProblem } from './problem.ts';

/**
 * A layout at once, by boxes: what a price can be reckoned with before anybody lays film out. A search begins with the same
 * layouts, so it never takes more.
 *
 * @throws RangeError where the problem is none, see `checkProblem`
 */
export function quickLayout(problem: FilmProblem): FilmLayout {
  checkProblem(problem);
  const work = boxWork(problem);
  if (work.kinds.length === 0) return layoutOf(problem, []);
  const [first, second] = (['skyline', 'rows'] as const).map((how) => {
    const search = searchBoxes(work, how, seededRandom(1));
    for (let step = 0; step < search.starts; step++) search.step();
    return layoutOf(problem, placementsOf(problem, work, search.best().packing));
  });
  return compareLayouts(problem, second, first) < 0 ? second : first;
}
