import type { Problem } from './problem.ts';
import { endOf, putGiven } from './given.ts';
import { Placer } from './placer.ts';
import { inWaitOrder } from './blocks.ts';
import { Timetable } from './timetable.ts';

/** When each operation can start and end at the earliest, were it alone in the shop, min. */
export interface Earliest {
  starts: Int32Array;
  /** Beyond the horizon where it fits nowhere. */
  ends: Int32Array;
}

/**
 * Every operation as early as what it waits for, its machine's windows and the people of that time let it, nothing else
 * being in the shop (critical path with calendars): no plan has it earlier.
 */
export function earliestTimes(problem: Problem): Earliest {
  const timetable = new Timetable(problem); // what has begun is in it, and nothing else
  const placer = new Placer(problem, timetable);
  putGiven({ ...problem, locked: [] }, timetable, placer);
  const { n, release, lagsIn, calendar, isFixed, fixed, shortest } = problem;
  const starts = new Int32Array(n);
  const ends = new Int32Array(n);
  for (const own of fixed) {
    starts[own.op] = own.start[0];
    ends[own.op] = endOf(problem, own);
  }
  for (const op of inWaitOrder(problem)) {
    if (isFixed[op]) continue;
    const from = lagsIn[op].reduce((late, lag) => Math.max(late, ends[lag.from] + lag.min), release[op]);
    const isPlaced = placer.seek(op, { from, until: calendar.horizon, mode: -1, isSetupEarly: true });
    starts[op] = from;
    ends[op] = isPlaced ? timetable.places.end[op] : Math.max(from + shortest[op], calendar.horizon + 1);
  }
  return { starts, ends };
}

/** When the last operation of each order has ended at the earliest, min. */
export const earliestThrough = ({ opsOf }: Problem, { ends }: Earliest): Int32Array =>
  Int32Array.from(opsOf, (ops) => ops.reduce((late, op) => Math.max(late, ends[op]), 0));
