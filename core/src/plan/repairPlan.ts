import { checkInstance } from './checkInstance.ts';
import { checkPlan } from './checkPlan.ts';
import type { WhyOut } from './decoder.ts';
import { followPlan } from './followPlan.ts';
import type { Followed } from './followPlan.ts';
import type { PlanInstance, PlannedOp } from './instance.ts';
import { problemOf } from './problem.ts';
import type { Problem } from './problem.ts';
import { plannedOp } from './readPlan.ts';
import type { Plan } from './readPlan.ts';
import { soundInstance } from './soundInstance.ts';

/**
 * Makes a plan hold again in a shop that has changed, by moving as little as it can: everything keeps its time, its
 * machine and its way of being done, or comes later; where what is wet would have to wait for it too long, that is held
 * back too. Nothing comes earlier but what may not stand after work that was begun before its time, so nobody else has to
 * be told to hurry. What is new (a rush order) goes where it first fits between the others. In a shop that has not changed
 * the plan is the same.
 *
 * @param keepsLocks what is locked is put first where it is; otherwise it is followed like all else
 * @throws RangeError where the instance is none, see `checkInstance`
 */
export function repairPlan(
  asked: PlanInstance,
  plan: readonly PlannedOp[],
  { keepsLocks = false }: { keepsLocks?: boolean } = {},
): Plan {
  checkInstance(asked);
  const { instance, leftOut } = soundInstance(asked);
  const problem = problemOf(instance);
  const why = new Map<number, WhyOut>();
  const followed = followedInTime(problem, plan, { why, keepsLocks });
  const { places, setupNow } = followed.timetable;
  const out = (op: number): boolean => followed.isOut[op] === 1 || why.has(op);
  const ops = instance.ops.flatMap((_, op) => (out(op) ? [] : [plannedOp(problem, places, setupNow, op)]));
  return {
    ops,
    score: checkPlan(problem, ops).score,
    leftOut: [
      ...leftOut,
      ...instance.ops.flatMap(({ id }, op) => (out(op) ? [{ id, why: why.get(op) ?? 'no-room' }] : [])),
    ],
  };
}

type Overdue = Followed['overdue'][number];

/**
 * Follows a plan again and again, what comes before a wait that is too long each time as much later as it was too long:
 * that never has to be taken back, since nothing after it can come earlier. What has begun, or is locked, cannot be held back: what
 * waits for it is spoiled, and left out with all that follows.
 */
function followedInTime(
  problem: Problem,
  plan: readonly PlannedOp[],
  { why, keepsLocks }: { why: Map<number, WhyOut>; keepsLocks: boolean },
): ReturnType<typeof followPlan> {
  const { isFixed, n, calendar, instance } = problem;
  const floors = new Int32Array(n);
  const isStill = isFixed.slice();
  for (const { op } of keepsLocks ? problem.locked : []) isStill[op] = 1;
  for (;;) {
    const followed = followPlan(problem, plan, { floors, keepsLocks });
    const overdue = followed.overdue.filter(({ lag }) => !why.has(lag.to));
    if (overdue.length === 0) return followed;
    const lost = overdue.filter(({ lag }) => isStill[lag.from] === 1);
    if (lost.length === 0) {
      for (const { lag, over } of overdue)
        floors[lag.from] = followed.timetable.places.start[lag.from] + over;
      continue;
    }
    // what is over already, or else what is most overdue, is given up first: the others may have its hands
    const isOver = ({ lag: { from, max } }: Overdue): boolean =>
      followed.timetable.places.end[from] + max < instance.now;
    const hopeless = lost.filter(isOver);
    const spoilt = hopeless.length > 0 ? hopeless : lost.sort((p, q) => q.over - p.over).slice(0, 1);
    for (const { lag } of spoilt) {
      why.set(lag.to, 'spoilt');
      for (const op of waitingFor(problem, lag.to)) if (!why.has(op)) why.set(op, 'waits');
    }
    floors.fill(0);
    for (const op of why.keys()) floors[op] = calendar.horizon; // it finds no place, and nothing has to make room for it
  }
}

/** All that can only be done after an operation, but for what has begun all the same. */
function waitingFor({ lagsOut, isFixed }: Problem, first: number): Set<number> {
  const found = new Set([first]);
  for (const op of found) for (const { to } of lagsOut[op]) if (!isFixed[to]) found.add(to);
  found.delete(first);
  return found;
}
