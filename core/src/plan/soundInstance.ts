import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { circlesOf } from './circles.ts';
import { earliestTimes } from './earliest.ts';
import type { WhyOut } from './decoder.ts';
import type { PlanInstance, PlanOp } from './instance.ts';
import { problemOf } from './problem.ts';

const DAY_MIN = 1440;

/** What is wrong with an instance, and what of it can be planned all the same. */
export interface SoundInstance {
  instance: PlanInstance;
  faults: readonly Said[];
  leftOut: readonly { id: string; why: WhyOut }[];
}

/** Minute of a day as a clock shows it. */
const clock = (minute: number): string =>
  `${String(Math.floor((minute % DAY_MIN) / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const dayOf = (minute: number): number => Math.floor(minute / DAY_MIN) + 1;

/**
 * Says in words what is wrong with an instance and leaves out what cannot be planned, so that the rest can.
 *
 * @param asked whose ids are all known, see the reading of instances
 */
export function soundInstance(asked: PlanInstance): SoundInstance {
  const people = asked.people.filter(([from, to]) => from < to);
  const lags = asked.lags.filter(({ min, max }) => max === null || max >= min);
  const instance = { ...asked, people, lags };
  const faults = [...faultsOfPeople(asked), ...faultsOfOrders(asked), ...faultsOfLags(asked)];
  const out = new Map<string, WhyOut>();
  for (const circle of circlesIn(instance)) {
    faults.push(say('plan.circle', { labels: circle.map(({ label }) => label) }));
    for (const { id } of circle) out.set(id, 'circle');
  }
  faults.push(...faultsOfMachines(without(instance, new Set(out.keys())), out));
  waiting(instance, out);
  faults.push(...faultsOfReleases(without(instance, new Set(out.keys())), out));
  faults.push(...faultsOfLength(without(instance, new Set(out.keys())), out));
  waiting(instance, out);
  return {
    instance: without(instance, new Set(out.keys())),
    faults,
    leftOut: [...out].map(([id, why]) => ({ id, why })),
  };
}

function* faultsOfPeople({ people, machines, ops }: PlanInstance): Generator<Said> {
  let last = -Infinity;
  for (const [from, to] of people) {
    if (to <= from) yield say('plan.shift-backwards', { day: dayOf(from), from: clock(from), to: clock(to) });
    else {
      if (from < last) yield say('plan.shifts-overlap', { day: dayOf(from) });
      last = Math.max(last, to);
    }
  }
  const asked = new Set(ops.flatMap(({ modes }) => modes.map(({ machine }) => machine)));
  for (const { id, name = id, windows } of machines)
    for (const [from, to] of asked.has(id) ? windows : [])
      if (!people.some(([start, end]) => Math.max(start, from) < Math.min(end, to)))
        yield say('plan.nobody', { machine: name, day: dayOf(from) });
}

function* faultsOfOrders({ orders, now, ops, fixed }: PlanInstance): Generator<Said> {
  const done = new Set(fixed.map(({ id }) => id));
  const isOpen = (order: string): boolean =>
    ops.some(({ id, orders: own }) => own.includes(order) && !done.has(id));
  for (const { id, name, due } of orders)
    if (due < now && isOpen(id)) yield say('plan.due-past', { order: name });
}

function* faultsOfLags({ lags, ops }: PlanInstance): Generator<Said> {
  const labels = new Map(ops.map(({ id, label }) => [id, label]));
  for (const { from, to, min, max } of lags)
    if (max !== null && max < min)
      yield say('plan.lag-backwards', {
        from: labels.get(from) ?? from,
        to: labels.get(to) ?? to,
        min,
        max,
      });
}

function circlesIn({ ops, lags }: PlanInstance): PlanOp[][] {
  const index = new Map(ops.map(({ id }, i) => [id, i]));
  const links = lags.map(({ from, to }): [number, number] => [index.get(from)!, index.get(to)!]);
  const selfish = links.filter(([from, to]) => from === to).map(([from]) => [from]);
  return [...selfish, ...circlesOf(ops.length, links)].map((circle) => circle.map((i) => ops[i]));
}

/** Machines without any time; operations that have no other way are added to what is left out. */
function* faultsOfMachines({ machines, ops }: PlanInstance, out: Map<string, WhyOut>): Generator<Said> {
  const usable = new Map(machines.map(({ id, windows }) => [id, windows.some(([from, to]) => from < to)]));
  const isStuck = ({ modes }: PlanOp): boolean =>
    modes.every(({ machine }) => machine !== null && usable.get(machine) === false);
  const stuck = ops.filter(isStuck);
  for (const { id } of stuck) out.set(id, 'no-room');
  for (const { id, name = id } of machines) {
    const own = stuck.filter(({ modes }) => modes.some(({ machine }) => machine === id));
    if (own.length > 0) yield say('plan.no-window', { machine: name, count: own.length });
  }
}

/** Orders for which something comes only after the end of the plan; what is for them is added to what is left out. */
function* faultsOfReleases(
  { orders, ops, horizon }: PlanInstance,
  out: Map<string, WhyOut>,
): Generator<Said> {
  for (const { id, name, release } of orders) {
    const own = ops.filter((op) => op.orders.includes(id));
    if (release < horizon || own.length === 0) continue;
    for (const op of own) out.set(op.id, 'waits');
    yield say('plan.not-here', { order: name });
  }
}

/** Operations that no window and no shift can hold, were they alone. */
function* faultsOfLength(instance: PlanInstance, out: Map<string, WhyOut>): Generator<Said> {
  const alone = { ...instance, lags: [], fixed: [], locked: [], now: 0 };
  const { ends } = earliestTimes(problemOf(alone));
  const fixed = new Set(instance.fixed.map(({ id }) => id));
  for (const [i, op] of instance.ops.entries()) {
    if (ends[i] <= instance.horizon || fixed.has(op.id)) continue;
    out.set(op.id, 'no-room');
    const tight = tightestMode(instance, op);
    yield tight === null
      ? say('plan.no-time', { label: op.label })
      : say('plan.too-long', { label: op.label, ...tight });
  }
}

/** The mode that comes nearest to fitting its machine, where all are longer than any window. */
function tightestMode(
  { machines }: PlanInstance,
  { modes }: PlanOp,
): { minutes: number; longest: number; machine: string } | null {
  const all = modes.map(({ machine, phases }) => {
    const own = machines.find(({ id }) => id === machine);
    const windows = own?.windows ?? [];
    return {
      machine: own?.name ?? machine ?? '',
      minutes: phases.reduce((sum, { d }) => sum + d, 0),
      longest: machine === null ? Infinity : Math.max(0, ...windows.map(([from, to]) => to - from)),
    };
  });
  return all.every(({ minutes, longest }) => minutes > longest) ? all[0] : null;
}

/** Adds what waits for something that is left out. */
function waiting({ lags, fixed }: PlanInstance, out: Map<string, WhyOut>): void {
  const done = new Set(fixed.map(({ id }) => id));
  for (let isGrowing = true; isGrowing;) {
    isGrowing = false;
    for (const { from, to } of lags)
      if (out.has(from) && !out.has(to) && !done.has(to)) {
        out.set(to, 'waits');
        isGrowing = true;
      }
  }
}

function without(instance: PlanInstance, out: ReadonlySet<string>): PlanInstance {
  if (out.size === 0) return instance;
  const isIn = ({ id }: { id: string }): boolean => !out.has(id);
  return {
    ...instance,
    ops: instance.ops.filter(isIn),
    lags: instance.lags.filter(({ from, to }) => !out.has(from) && !out.has(to)),
    fixed: instance.fixed.filter(isIn),
    locked: instance.locked.filter(isIn),
    planned: instance.planned.filter(isIn),
  };
}
