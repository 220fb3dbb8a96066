import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { pausedEnd } from './calendar.ts';
import type { MachineState, PlannedOp } from './instance.ts';
import { lateCost, MOST_MOVED } from './lateness.ts';
import type { Problem } from './problem.ts';
import type { PlanScore } from './readPlan.ts';

/** A rule that a plan breaks, and the operation at which it does. */
export interface Breach {
  op: string;
  said: Said;
}

/** An operation as a plan has it. */
interface Standing {
  op: number;
  mode: number;
  /** Starts and ends of its phases. */
  starts: readonly number[];
  ends: readonly number[];
  start: number;
  end: number;
  setup: number | null;
}

/** A change of a machine before an operation. */
interface Change {
  op: number;
  /** The state it begins in. */
  from: MachineState;
  minutes: number;
  people: number;
  at: number | null;
}

/** Whether a plan holds, what it comes to, and the changes of machines in it. */
export interface CheckedPlan {
  breaches: readonly Breach[];
  score: PlanScore;
  changes: readonly { op: string; from: MachineState; to: MachineState; minutes: number; people: number }[];
}

/**
 * Checks a plan somebody made, or one made for another shop, against every rule, and says what it comes to.
 *
 * @param ops in any order; what is missing is told
 */
export function checkPlan(problem: Problem, ops: readonly PlannedOp[]): CheckedPlan {
  const { instance } = problem;
  const byId = new Map(ops.map((own) => [own.id, own]));
  const breaches: Breach[] = [];
  const standing: (Standing | null)[] = instance.ops.map(({ id, label }, op) => {
    const own = byId.get(id);
    const found = own === undefined ? null : standingOf(problem, op, own);
    if (found === null) breaches.push({ op: id, said: say('breach.missing', { label }) });
    return found;
  });
  const all = standing.filter((own) => own !== null);
  const changes: Change[] = [];
  for (const own of all) breaches.push(...breachesAlone(problem, own));
  breaches.push(...breachesOfLags(problem, standing));
  for (const k of problem.machines.keys()) breaches.push(...breachesOfMachine(problem, k, all, changes));
  breaches.push(...breachesOfPeople(problem, all, changes), ...breachesOfPools(problem, all));
  return {
    breaches,
    score: scoreOf(problem, standing, changes),
    changes: changes.map(({ op, from, minutes, people }) => ({
      op: instance.ops[op].id,
      from,
      to: stateIn(problem, standing[op]!),
      minutes,
      people,
    })),
  };
}

function standingOf(
  problem: Problem,
  op: number,
  { mode: choice, start, setup }: PlannedOp,
): Standing | null {
  const { modeFrom, phaseFrom, minutes, canPause, calendar } = problem;
  const mode = modeFrom[op] + choice;
  const [first, last] = [phaseFrom[mode], phaseFrom[mode + 1]];
  if (mode >= modeFrom[op + 1] || start.length !== last - first) return null;
  const ends = start.map((at, k) =>
    canPause[first + k] && at <= calendar.horizon
      ? pausedEnd(calendar, at, minutes[first + k])
      : at + minutes[first + k],
  );
  return { op, mode, starts: start, ends, start: start[0], end: ends[ends.length - 1], setup };
}

/** The state its machine is in for an operation. */
const stateIn = ({ instance, modeFrom }: Problem, { op, mode }: Standing): MachineState =>
  instance.ops[op].modes[mode - modeFrom[op]].state!;

/** What an operation breaks whatever the others do. */
function* breachesAlone(problem: Problem, own: Standing): Generator<Breach> {
  const {
    instance,
    phaseFrom,
    wait,
    calendar,
    canPause,
    minutes,
    release,
    isFixed,
    fixed,
    locked,
    modeFrom,
  } = problem;
  const { id: op, label } = instance.ops[own.op];
  const given = [...fixed, ...locked].find((other) => other.op === own.op);
  if (
    given !== undefined &&
    (given.mode !== own.mode - modeFrom[own.op] || given.start.some((at, k) => at !== own.starts[k]))
  )
    yield { op, said: say('breach.given', { label }) };
  if (!isFixed[own.op] && own.start < release[own.op])
    yield { op, said: say('breach.release', { label, minutes: release[own.op] - own.start }) };
  if (own.start < 0 || own.end > calendar.horizon) yield { op, said: say('breach.end', { label }) };
  for (let k = 0; k < own.starts.length; k++) {
    const p = phaseFrom[own.mode] + k;
    const at = own.starts[k];
    if (canPause[p] && minutes[p] > 0 && calendar.openBefore[at] === calendar.openBefore[at + 1])
      yield { op, said: say('breach.closed', { label }) };
    if (k === 0) continue;
    const waited = at - own.ends[k - 1];
    if (waited < 0 || waited > wait[p - 1])
      yield { op, said: say('breach.phases', { label, waited, longest: wait[p - 1] }) };
  }
}

function* breachesOfLags(
  { instance, lagsIn }: Problem,
  standing: readonly (Standing | null)[],
): Generator<Breach> {
  for (const lag of lagsIn.flat()) {
    const [first, then] = [standing[lag.from], standing[lag.to]];
    if (first === null || then === null) continue;
    const [from, { id: op, label }] = [instance.ops[lag.from].label, instance.ops[lag.to]];
    const waited = then.start - first.end;
    if (waited < lag.min) yield { op, said: say('breach.too-soon', { label, from, waited, least: lag.min }) };
    if (lag.max >= 0 && waited > lag.max)
      yield { op, said: say('breach.too-late', { label, from, waited, longest: lag.max }) };
  }
}

function* breachesOfMachine(
  problem: Problem,
  k: number,
  all: readonly Standing[],
  changes: Change[],
): Generator<Breach> {
  const { instance, machines, machineOf, stateOf, windowStart, windowEnd, windowState, isFixed } = problem;
  const { windowFrom, windowTo, states, setupMin, setupPeople } = machines[k];
  const { id, name: machine = id } = instance.machines[k];
  const here = all
    .filter(({ mode }) => machineOf[mode] === k)
    .sort((p, q) => p.start - q.start || p.end - q.end);
  let before: Standing | null = null;
  let beforeIn = -1;
  for (const own of here) {
    const { id: op, label } = instance.ops[own.op];
    let window = windowFrom;
    while (window < windowTo && !(windowStart[window] <= own.start && own.end <= windowEnd[window])) window++;
    if (window === windowTo) yield { op, said: say('breach.window', { label, machine }) };
    if (before !== null && own.start < before.end)
      yield { op, said: say('breach.machine', { label, machine, other: instance.ops[before.op].label }) };
    if (window < windowTo) {
      const isNext: boolean = before !== null && window === beforeIn;
      const state: number = isNext ? stateOf[before!.mode] : windowState[window];
      const free: number = isNext ? before!.end : windowStart[window];
      const ready = isFixed[own.op] ? free : Math.max(free, instance.now);
      const minutes = setupMin[state * states + stateOf[own.mode]];
      const people = setupPeople[state * states + stateOf[own.mode]];
      const standing = instance.machines[k].windows[window - windowFrom][2];
      const from = isNext ? stateIn(problem, before!) : standing;
      if (minutes > 0) changes.push({ op: own.op, from, minutes, people, at: own.setup });
      const isReady =
        minutes > 0 && people > 0
          ? own.setup !== null && own.setup >= ready && own.setup + minutes <= own.start
          : own.setup === null && own.start >= ready + minutes;
      if (minutes < 0 || !isReady)
        yield {
          op,
          said: say('breach.change', { label, machine, minutes, had: Math.max(0, own.start - ready) }),
        };
    }
    before = own;
    beforeIn = window;
  }
}

function* breachesOfPeople(
  problem: Problem,
  all: readonly Standing[],
  changes: readonly Change[],
): Generator<Breach> {
  const { instance, calendar, phaseFrom, people, canPause } = problem;
  const busy = new Int32Array(calendar.horizon + 1);
  const isOpen = (t: number): boolean => calendar.openBefore[t + 1] > calendar.openBefore[t];
  const there = (t: number): number => (isOpen(t) ? calendar.people[calendar.openBefore[t]] : 0);
  const took = (from: number, to: number, count: number, isPausing: boolean): number => {
    let short = -1;
    for (let t = Math.max(0, from); t < Math.min(to, busy.length); t++) {
      if (isPausing && !isOpen(t)) continue;
      busy[t] += count;
      if (count > 0 && busy[t] > there(t) && short < 0) short = t;
    }
    return short;
  };
  const inTime = [...all].sort((p, q) => p.start - q.start);
  const at = new Map(changes.map((change) => [change.op, change]));
  for (const own of inTime) {
    const change = at.get(own.op);
    let short =
      change === undefined || change.at === null
        ? -1
        : took(change.at, change.at + change.minutes, change.people, false);
    for (let k = 0; k < own.starts.length; k++) {
      const p = phaseFrom[own.mode] + k;
      const late = took(own.starts[k], own.ends[k], people[p], canPause[p] === 1);
      if (short < 0) short = late;
    }
    const { id: op, label } = instance.ops[own.op];
    if (short >= 0)
      yield {
        op,
        said: say('breach.people', { label, wanted: busy[short] / 100, there: there(short) / 100 }),
      };
  }
}

function* breachesOfPools(
  { instance, poolsOf, poolCap, calendar }: Problem,
  all: readonly Standing[],
): Generator<Breach> {
  for (const [pool, cap] of poolCap.entries()) {
    const taken = new Int32Array(calendar.horizon + 1);
    for (const own of [...all].sort((p, q) => p.start - q.start)) {
      const amount = poolsOf[own.mode].reduce(
        (sum, entry) => sum + (entry.pool === pool ? entry.amount : 0),
        0,
      );
      if (amount === 0) continue;
      let most = 0;
      for (let t = Math.max(0, own.start); t < Math.min(own.end, taken.length); t++)
        most = Math.max(most, (taken[t] += amount));
      const { id: op, label } = instance.ops[own.op];
      if (most > cap)
        yield { op, said: say('breach.pool', { label, pool: instance.pools[pool].id, wanted: most, cap }) };
    }
  }
}

function scoreOf(
  problem: Problem,
  standing: readonly (Standing | null)[],
  changes: readonly Change[],
): PlanScore {
  const { opsOf, planned, isFixed, machines, machineOf } = problem;
  const endOf = (op: number): number => standing[op]?.end ?? 0;
  const through = opsOf.map((ops) => ops.reduce((late, op) => Math.max(late, endOf(op)), 0));
  const costOf = ({ op, minutes }: Change): number =>
    minutes + machines[machineOf[standing[op]!.mode]].changeFixed;
  return {
    lateness: through.reduce((sum, end, j) => sum + lateCost(problem, j, end), 0),
    finish: standing.reduce((late, own) => Math.max(late, own?.end ?? 0), 0),
    setup: changes.reduce((sum, change) => sum + costOf(change), 0),
    moved: standing.reduce(
      (sum, own, op) =>
        own === null || planned[op] < 0 || isFixed[op]
          ? sum
          : sum + Math.min(MOST_MOVED, Math.abs(own.start - planned[op])),
      0,
    ),
  };
}
