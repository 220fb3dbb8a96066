import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { calendarOf, pausedEnd } from './calendar.ts';
import { checkPlan } from './checkPlan.ts';
import type { Breach } from './checkPlan.ts';
import type { LockedOp, PlanInstance, PlannedOp } from './instance.ts';
import { problemOf } from './problem.ts';
import { repairPlan } from './repairPlan.ts';

/** What became of a wish to put an operation elsewhere. */
export type MovedPlan =
  | { ok: true; plan: readonly PlannedOp[]; locked: readonly LockedOp[] }
  /** The rule it would break, in words. */
  | { ok: false; said: Said };

/**
 * Puts an operation of a plan at another time, or on another machine, and locks it there; everything in its way goes after
 * it, by as little as it can. What cannot hold is refused with the rule it would break.
 *
 * @param wish its mode, and the minute it is to begin
 * @throws RangeError where the operation is not in the instance
 */
export function movePlanned(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  wish: { id: string; mode: number; start: number },
): MovedPlan {
  const op = instance.ops.find(({ id }) => id === wish.id);
  if (op === undefined) throw new RangeError(`there is no operation “${wish.id}”`);
  const { label } = op;
  if (instance.fixed.some(({ id }) => id === wish.id))
    return { ok: false, said: say('breach.given', { label }) };
  if (wish.start < instance.now)
    return { ok: false, said: say('breach.release', { label, minutes: instance.now - wish.start }) };
  const own: LockedOp = { id: wish.id, mode: wish.mode, start: startsFrom(instance, wish) };
  const locked = [...instance.locked.filter(({ id }) => id !== wish.id), own];
  const asked = { ...instance, locked };
  const moved = plan.map((each): PlannedOp => (each.id === wish.id ? { ...own, setup: null } : each));
  const repaired = repairPlan(asked, moved, { keepsLocks: true });
  // what had no place before, or was more than there are hands for on the floor, is none of this wish's doing
  const placed = new Set(plan.map(({ id }) => id));
  const isLost = repaired.leftOut.some(({ id }) => placed.has(id));
  const stood = new Set(checkPlan(problemOf(instance), plan).breaches.map(keyOf));
  const fresh = isLost
    ? null
    : checkPlan(problemOf(asked), repaired.ops).breaches.filter((breach) => !stood.has(keyOf(breach)));
  if (fresh?.length === 0) return { ok: true, plan: repaired.ops, locked };
  return {
    ok: false,
    said: whyNot(asked, moved, own) ?? fresh?.[0]?.said ?? say('plan.locked-badly', { label }),
  };
}

const keyOf = ({ op, said }: Breach): string => `${op} ${said.code}`;

/** The first rule that the operation itself breaks where it is wished, as everything else stands; its machine would be readied anew. */
function whyNot(instance: PlanInstance, moved: readonly PlannedOp[], { id }: LockedOp): Said | null {
  const free = { ...instance, locked: [] };
  const about = checkPlan(problemOf(free), moved).breaches.filter(({ op }) => op === id);
  return (about.find(({ said }) => said.code !== 'breach.change') ?? about[0])?.said ?? null;
}

/** Phases from a minute on, each as soon as the one before is over; one that takes somebody waits for the end of a break where it may. */
function startsFrom(
  instance: PlanInstance,
  { id, mode, start }: { id: string; mode: number; start: number },
): number[] {
  const calendar = calendarOf(instance);
  const { openBefore, openMinutes, openAt, horizon } = calendar;
  const { phases } = instance.ops.find((own) => own.id === id)!.modes[mode];
  const starts: number[] = [];
  let at = start;
  for (const [i, { d, ops, brk }] of phases.entries()) {
    const k = openBefore[Math.min(horizon, Math.max(0, at))];
    const open = k < openMinutes ? openAt[k] : at;
    const mayWait = i > 0 && open - at <= phases[i - 1].wait;
    const begin = (ops > 0 || brk) && mayWait ? open : at;
    starts.push(begin);
    at = brk && begin <= horizon ? pausedEnd(calendar, begin, d) : begin + d;
  }
  return starts;
}
