import { improving } from '../task/index.ts';
import { comparePlans } from './changes.ts';
import type { OrderMove } from './changes.ts';
import { calendarOf } from './calendar.ts';
import type { PlanInstance, PlannedOp } from './instance.ts';
import { chanceOf, followManyTimes } from './orderChances.ts';
import type { ChanceWish } from './orderChances.ts';
import { Planning } from './planDay.ts';
import { repairPlan } from './repairPlan.ts';

export interface PromiseInput {
  /** The shop, with what is asked for as orders of it. */
  instance: PlanInstance;
  /** The plan that is followed, without what is asked for; `null` where there is none. */
  plan: readonly PlannedOp[] | null;
  /** Ids of the orders that are asked for; they are promised together. */
  wanted: readonly string[];
  chances: ChanceWish;
}

/** When what is asked for would be through in one way of doing it, and what that costs others; min. */
export interface Promised {
  /** By the plan, its rest counted. */
  through: number;
  /** In nine samples of ten, rounded up to half an hour at which somebody is there: what can honestly be said. */
  honest: number;
  /** Share of the samples in which it is through by its due date, 0–1. */
  onTime: number;
  /** Other orders that are through at another time because of it, those that lose most first. */
  pushed: readonly OrderMove[];
}

export interface PromiseAnswer {
  /** Between what is planned, of which nothing moves; `null` where it does not fit in. */
  between: Promised | null;
  /** Before all else; `null` where that is impossible, or gains nothing on what goes between. */
  first: Promised | null;
  /**
   * By the due dates of all: none while it is not known, where what goes between is in time nine times in ten, or where
   * it is no surer to be in time.
   */
  weighed: Promised | null;
}

/** Plans that are tried where none is followed, for what is asked for alone, and for all by their due dates. */
const TRIES = { base: 120, alone: 60, weighed: 240 };
const TRIES_A_STEP = 8;
const SEED = 1;
/** Share of the samples that is sure enough. */
const SURE = 0.9;

/**
 * When something not taken in yet could be through: put between what is planned, put before all else, and weighed against
 * the others by the due dates. All three are plans that hold. A model: chances, no promises.
 *
 * What goes first is planned as if the shop had nothing else to do but what has begun or is locked, locked there, and the
 * others follow around it.
 */
export const promiseDates = improving(answers);

function* answers(input: PromiseInput): Generator<PromiseAnswer, void> {
  const { instance } = input;
  const base = basePlan(input);
  const inBetween = repairPlan(instance, base, { keepsLocks: true }).ops;
  const between = promised(input, base, inBetween);
  let known: PromiseAnswer = { between, first: null, weighed: null };
  yield known;
  const ahead = planAhead(input);
  const first = repairPlan({ ...instance, locked: [...instance.locked, ...ahead] }, base, {
    keepsLocks: true,
  });
  known = { ...known, first: sooner(promised(input, base, first.ops), between) };
  yield known;
  if (between !== null && between.onTime >= SURE) return;
  const planning = new Planning({ instance, seed: SEED, from: inBetween });
  while (planning.tried < TRIES.weighed && !planning.isBest) {
    for (let k = 0; k < TRIES_A_STEP; k++) planning.step(planning.tried / TRIES.weighed);
    yield known;
  }
  const weighed = promised(input, base, planning.answer.best.ops);
  const isSurer = weighed !== null && weighed.onTime > (between?.onTime ?? 0);
  yield { ...known, weighed: isSurer ? weighed : null };
}

/** What is gained by it; `null` where what goes between is through as soon. */
const sooner = (own: Promised | null, between: Promised | null): Promised | null =>
  own !== null && between !== null && own.honest >= between.honest ? null : own;

/** The plan of the others: followed as the shop stands, or a first one. */
function basePlan({ instance, plan, wanted }: PromiseInput): readonly PlannedOp[] {
  const others = withOrders(instance, (id) => !wanted.includes(id));
  if (plan !== null) return repairPlan(others, plan, { keepsLocks: true }).ops;
  return new Planning({ instance: others, seed: SEED }).within(TRIES.base).ops;
}

/** Where what is asked for lies were there nothing else but what has begun or is locked. */
function planAhead({ instance, wanted }: PromiseInput): PlannedOp[] {
  const given = new Set([...instance.fixed, ...instance.locked].map(({ id }) => id));
  const alone = withOps(
    instance,
    ({ id, orders }) => given.has(id) || orders.some((own) => wanted.includes(own)),
  );
  const { ops } = new Planning({ instance: alone, seed: SEED }).within(TRIES.alone);
  return ops.filter(({ id }) => !given.has(id));
}

/** What a plan says of what is asked for; `null` where not all of it has a place. */
function promised(
  { instance, wanted, chances }: PromiseInput,
  base: readonly PlannedOp[],
  plan: readonly PlannedOp[],
): Promised | null {
  const placed = new Set(plan.map(({ id }) => id));
  const isWanted = instance.orders.map(({ id }) => wanted.includes(id));
  const isWhole = instance.ops.every(
    ({ id, orders }) => placed.has(id) || !orders.some((own) => wanted.includes(own)),
  );
  if (!isWhole) return null;
  const { exact, all } = followManyTimes(instance, plan, chances);
  const tails = instance.orders.map(({ tail }) => tail);
  const lastOf = (through: Float64Array): number =>
    through.reduce((last, end, j) => (isWanted[j] ? Math.max(last, end + tails[j]) : last), 0);
  const due = Math.min(...instance.orders.filter((_, j) => isWanted[j]).map((own) => own.due));
  const { onTime, nineInTen } = chanceOf(
    Float64Array.from(all, ({ through }) => lastOf(through)),
    due,
  );
  return {
    through: lastOf(exact.through),
    honest: atNextHalfHour(instance, nineInTen),
    onTime,
    pushed: comparePlans(instance, base, plan).filter(({ id }) => !wanted.includes(id)),
  };
}

const HALF_HOUR = 30;

/** The first half hour from a minute on at which somebody is there; beyond the horizon where nobody is any more. */
function atNextHalfHour(instance: PlanInstance, minute: number): number {
  const { openBefore, openAt, openMinutes, horizon } = calendarOf(instance);
  const isOpen = (at: number): boolean => at <= horizon && openBefore[at + 1] > openBefore[at];
  for (let at = HALF_HOUR * Math.ceil(minute / HALF_HOUR); at <= horizon; at += HALF_HOUR) {
    // just when the last one goes home it can still be handed over
    if (isOpen(at) || (at > 0 && isOpen(at - 1))) return at;
    const next = openBefore[at];
    if (next >= openMinutes) break;
    at = Math.max(at, HALF_HOUR * Math.ceil(openAt[next] / HALF_HOUR) - HALF_HOUR);
  }
  return horizon + 1;
}

/** An instance with only some of its orders, and what belongs to them. */
const withOrders = (instance: PlanInstance, isKept: (order: string) => boolean): PlanInstance =>
  withOps(instance, ({ orders }) => orders.some(isKept));

/** An instance with only some of its operations, and the orders and waits that are left of it. */
function withOps(instance: PlanInstance, isKept: (op: PlanInstance['ops'][number]) => boolean): PlanInstance {
  const ops = instance.ops.filter(isKept);
  const ids = new Set(ops.map(({ id }) => id));
  const orders = new Set(ops.flatMap((op) => op.orders));
  const here = ({ id }: { id: string }): boolean => ids.has(id);
  return {
    ...instance,
    ops,
    orders: instance.orders.filter(({ id }) => orders.has(id)),
    lags: instance.lags.filter(({ from, to }) => ids.has(from) && ids.has(to)),
    fixed: instance.fixed.filter(here),
    locked: instance.locked.filter(here),
    planned: instance.planned.filter(here),
  };
}
