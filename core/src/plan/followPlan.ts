import { blocksOf, inWaitOrder, ranksOf } from './blocks.ts';
import type { Blocks } from './blocks.ts';
import { putGiven } from './given.ts';
import type { PlannedOp } from './instance.ts';
import { Placer } from './placer.ts';
import type { Lag, Problem } from './problem.ts';
import { Timetable } from './timetable.ts';

/** What comes of a plan that is followed. */
export interface Followed {
  timetable: Timetable;
  /** 1 where an operation finds no place any more. */
  isOut: Uint8Array;
  /** Longest waits that were not kept, and by how much, min. */
  overdue: { lag: Lag; over: number }[];
}

/**
 * Follows a plan in the order of its starts: everything in its way and on its machine, no phase and no change before it
 * was planned to be; what is in the way pushes it on. Where nothing is, all lies as it was planned. What is new, in no
 * plan yet, comes last and goes where it first fits, before what waits for it; what may not stand after work that was begun
 * before its time comes as soon as it can.
 *
 * @param floors earliest starts besides; read, never written
 * @param keepsLocks what is locked is put where it is first, and everything in its way goes after it; otherwise it is
 *   followed like all else
 */
export function followPlan(
  problem: Problem,
  plan: readonly PlannedOp[],
  { floors, keepsLocks = false }: { floors?: Int32Array; keepsLocks?: boolean } = {},
): Followed {
  const { lagsIn, release, calendar, isFixed, n } = problem;
  const timetable = new Timetable(problem);
  const placer = new Placer(problem, timetable);
  const locked = keepsLocks ? problem.locked : [];
  const refused = putGiven({ ...problem, locked }, timetable, placer);
  const { places } = timetable;
  const isOut = new Uint8Array(n);
  for (const op of refused) isOut[op] = 1;
  const isPut = new Set(locked.map(({ op }) => op));
  const overdue: Followed['overdue'] = [];
  const byId = new Map(plan.map((own) => [own.id, own]));
  const hurried = hurriedIn(problem, byId, { end: places.end, floors });
  for (const { op, own } of inOrder(problem, byId, hurried)) {
    if (isFixed[op] || isPut.has(op)) continue;
    let from = Math.max(release[op], own?.start[0] ?? 0, floors?.[op] ?? 0);
    for (const lag of lagsIn[op]) {
      from = Math.max(from, places.end[lag.from] + lag.min);
      if (isOut[lag.from] === 1) isOut[op] = 1;
    }
    const wish = {
      from,
      until: calendar.horizon,
      mode: own?.mode ?? -1,
      isSetupEarly: true,
      following: own === null ? undefined : { phases: own.start, setup: own.setup ?? 0 },
    };
    if (isOut[op] === 1 || !placer.seek(op, wish)) {
      isOut[op] = 1;
      continue;
    }
    timetable.put(op);
    for (const lag of lagsIn[op]) {
      const over = places.start[op] - places.end[lag.from] - lag.max;
      if (lag.max >= 0 && over > 0) overdue.push({ lag, over });
    }
  }
  return { timetable, isOut, overdue };
}

/**
 * What was begun before its time, or was done sooner, may not stand until what follows it was planned: that comes as soon
 * as it can, with all that hangs together with it by longest waits.
 *
 * @param end of what has begun
 * @returns from when on each can be done
 */
function hurriedIn(
  problem: Problem,
  byId: ReadonlyMap<string, PlannedOp>,
  { end, floors }: { end: Int32Array; floors: Int32Array | undefined },
): ReadonlyMap<number, number> {
  const { instance, lagsIn, isFixed, isGiven, calendar, n } = problem;
  const hurried = new Map<number, number>();
  let blocks: Blocks | null = null; // most plans have nothing that hurries
  for (let op = 0; op < n; op++) {
    const start = byId.get(instance.ops[op].id)?.start[0];
    // what was given up does not hurry, and what is new pushes nothing on
    if (start === undefined || isGiven[op] || floors?.[op] === calendar.horizon) continue;
    for (const { from, min, max } of lagsIn[op]) {
      if (max < 0 || !isFixed[from] || start <= end[from] + max) continue;
      blocks ??= blocksOf(problem);
      for (const other of blocks.ops[blocks.blockOf[op]])
        hurried.set(other, Math.min(hurried.get(other) ?? Infinity, end[from] + min));
    }
  }
  return hurried;
}

/**
 * Operations by their planned starts; what is in no plan where the first that waits for it is, or last.
 *
 * @param hurried what cannot wait for its place, and when its turn is
 */
function inOrder(
  problem: Problem,
  byId: ReadonlyMap<string, PlannedOp>,
  hurried: ReadonlyMap<number, number>,
): { op: number; own: PlannedOp | null }[] {
  const { instance, n, lagsOut } = problem;
  const rank = ranksOf(problem);
  const at = Float64Array.from(
    instance.ops,
    ({ id }, op) => hurried.get(op) ?? byId.get(id)?.start[0] ?? Infinity,
  );
  for (const op of inWaitOrder(problem, rank).reverse())
    for (const { to } of lagsOut[op]) at[op] = Math.min(at[op], at[to]);
  return [...Array(n).keys()]
    .sort((p, q) => (at[p] === at[q] ? rank[p] - rank[q] || p - q : at[p] - at[q]))
    .map((op) => ({
      op,
      own: hurried.has(op) ? null : fitting(problem, op, byId.get(instance.ops[op].id)),
    }));
}

/** A planned place that is still one: its mode is there, with as many phases. */
function fitting({ modeFrom, phaseFrom }: Problem, op: number, own: PlannedOp | undefined): PlannedOp | null {
  if (own === undefined || own.mode >= modeFrom[op + 1] - modeFrom[op]) return null;
  const mode = modeFrom[op] + own.mode;
  return phaseFrom[mode + 1] - phaseFrom[mode] === own.start.length ? own : null;
}
