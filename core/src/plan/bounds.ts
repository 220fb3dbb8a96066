import type { Problem } from './problem.ts';
import { Placer } from './placer.ts';
import { ranksOf } from './blocks.ts';
import { Timetable } from './timetable.ts';

/**
 * When each order's last operation ends at the earliest, were it alone in the shop: every operation as early as its
 * predecessors, its machine's windows and the people of that time let it (critical path with calendars).
 */
export function earliestThrough(problem: Problem): Int32Array {
  const ends = earliestEnds(problem);
  return Int32Array.from(problem.opsOf, (ops) => ops.reduce((late, op) => Math.max(late, ends[op]), 0));
}

/** Earliest end of each operation, were it alone in the shop, min. */
export function earliestEnds(problem: Problem): Int32Array {
  const timetable = new Timetable(problem); // stays empty
  const placer = new Placer(problem, timetable);
  const { n, release, lagsIn, calendar, isFixed, fixed, shortest } = problem;
  const rank = ranksOf(problem);
  const ends = new Int32Array(n);
  for (const own of fixed) ends[own.op] = own.start[0];
  const inOrder = Array.from({ length: n }, (_, i) => i).sort((p, q) => rank[p] - rank[q]);
  for (const op of inOrder) {
    if (isFixed[op]) continue;
    const from = lagsIn[op].reduce((late, lag) => Math.max(late, ends[lag.from] + lag.min), release[op]);
    const isPlaced = placer.seek(op, { from, until: calendar.horizon, mode: -1, isSetupEarly: true });
    ends[op] = isPlaced ? timetable.places.end[op] : from + shortest[op];
  }
  return ends;
}
