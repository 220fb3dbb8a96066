import { calendarOf } from './calendar.ts';
import type { Calendar } from './calendar.ts';
import type { MachineSetup, MachineState, PlanInstance, PlanMachine } from './instance.ts';

/** A machine in numbers: its states by index, windows by their place in the list of all windows. */
export interface Machine {
  /** Its windows are those from here up to `windowTo`. */
  windowFrom: number;
  windowTo: number;
  states: number;
  /** Minutes from state x to y at `x * states + y`; −1 where it cannot be done. */
  setupMin: Int32Array;
  /** People during that, hundredths. */
  setupPeople: Int32Array;
  changeFixed: number;
}

/** Somebody's decision that a plan takes as it is. */
export interface Given {
  op: number;
  mode: number;
  start: readonly number[];
  /** −1: none. */
  setup: number;
}

/** A wait between two operations; `max` is −1 where there is no longest. */
export interface Lag {
  from: number;
  to: number;
  min: number;
  max: number;
}

/** An instance in numbers: operations, modes, phases, machines and orders by index, in flat arrays. */
export interface Problem {
  instance: PlanInstance;
  calendar: Calendar;
  n: number;
  release: Int32Array;
  ordersOf: readonly (readonly number[])[];
  /** Modes of operation i are those from `modeFrom[i]` up to `modeFrom[i + 1]`; phases of a mode likewise. */
  modeFrom: Int32Array;
  /** −1: none. */
  machineOf: Int32Array;
  stateOf: Int32Array;
  phaseFrom: Int32Array;
  poolsOf: readonly (readonly { pool: number; amount: number }[])[];
  /** Sum of the phases of a mode, min. */
  lengthOf: Int32Array;
  /** Shortest mode of an operation, min. */
  shortest: Int32Array;
  minutes: Int32Array;
  people: Int32Array;
  canPause: Uint8Array;
  wait: Int32Array;
  /** Where an operation's phase starts are kept: as many places as its longest mode has phases. */
  slotFrom: Int32Array;
  machines: readonly Machine[];
  windowStart: Int32Array;
  windowEnd: Int32Array;
  windowState: Int32Array;
  poolCap: Int32Array;
  lagsIn: readonly (readonly Lag[])[];
  lagsOut: readonly (readonly Lag[])[];
  due: Int32Array;
  weight: Float64Array;
  tail: Int32Array;
  opsOf: readonly (readonly number[])[];
  fixed: readonly Given[];
  locked: readonly Given[];
  /** 1 where an operation is fixed or locked. */
  isGiven: Uint8Array;
  isFixed: Uint8Array;
  /** Start planned before; −1: none. */
  planned: Int32Array;
}

/**
 * Puts an instance into numbers.
 *
 * @param instance without faults, see `checkInstance`
 */
export function problemOf(instance: PlanInstance): Problem {
  const opIndex = new Map(instance.ops.map(({ id }, i) => [id, i]));
  const orderIndex = new Map(instance.orders.map(({ id }, j) => [id, j]));
  const op = (id: string): number => opIndex.get(id)!;
  const isFixed = new Uint8Array(instance.ops.length);
  for (const { id } of instance.fixed) isFixed[op(id)] = 1;
  const isGiven = isFixed.slice();
  for (const { id } of instance.locked) isGiven[op(id)] = 1;
  const ordersOf = instance.ops.map(({ orders }) => orders.map((id) => orderIndex.get(id)!));
  const lags = instance.lags.map(({ from, to, min, max }): Lag => ({
    from: op(from),
    to: op(to),
    min,
    max: max ?? -1,
  }));
  const planned = new Int32Array(instance.ops.length).fill(-1);
  for (const { id, start } of instance.planned) if (opIndex.has(id)) planned[op(id)] = start;
  return {
    instance,
    calendar: calendarOf(instance),
    n: instance.ops.length,
    release: Int32Array.from(instance.ops, ({ release }, i) =>
      ordersOf[i].reduce(
        (late, j) => Math.max(late, instance.orders[j].release),
        Math.max(release, instance.now),
      ),
    ),
    ordersOf,
    ...modesOf(instance),
    ...machinesOf(instance),
    poolCap: Int32Array.from(instance.pools, ({ cap }) => cap),
    lagsIn: grouped(instance.ops.length, lags, ({ to }) => to),
    lagsOut: grouped(instance.ops.length, lags, ({ from }) => from),
    due: Int32Array.from(instance.orders, ({ due }) => due),
    weight: Float64Array.from(instance.orders, ({ weight }) => weight),
    tail: Int32Array.from(instance.orders, ({ tail }) => tail),
    opsOf: instance.orders.map((_, j) => ordersOf.flatMap((orders, i) => (orders.includes(j) ? [i] : []))),
    fixed: instance.fixed.map(({ id, mode, start, setup }) => ({
      op: op(id),
      mode,
      start,
      setup: setup ?? -1,
    })),
    locked: instance.locked.map(({ id, mode, start }) => ({ op: op(id), mode, start, setup: -1 })),
    isGiven,
    isFixed,
    planned,
  };
}

/** People that a mode takes by the minute, hundredths × min. */
export function handsOf({ phaseFrom, minutes, people }: Problem, mode: number): number {
  let sum = 0;
  for (let p = phaseFrom[mode]; p < phaseFrom[mode + 1]; p++) sum += minutes[p] * people[p];
  return sum;
}

function grouped<T>(n: number, all: readonly T[], by: (one: T) => number): T[][] {
  const groups: T[][] = Array.from({ length: n }, () => []);
  for (const one of all) groups[by(one)].push(one);
  return groups;
}

/** States that a machine stands in or is asked for. */
function statesOf({ windows, id }: PlanMachine, { ops }: PlanInstance): MachineState[] {
  const asked = ops.flatMap(({ modes }) =>
    modes.flatMap(({ machine, state }) => (machine === id ? [state ?? ''] : [])),
  );
  return [...new Set([...windows.map(([, , state]) => state), ...asked])];
}

/** Minutes and people from one state to another; `null` where it cannot be done. */
function setupBetween(
  setup: MachineSetup | null,
  x: MachineState,
  y: MachineState,
): readonly [number, number] | null {
  if (x === y || setup === null) return [0, 0];
  if (setup.kind === 'table') return setup.table[x]?.[y] ?? null;
  const change = Number(y) - Number(x);
  return [Math.ceil(change > 0 ? change / setup.heat : -change / setup.cool), 0];
}

function machinesOf(
  instance: PlanInstance,
): Pick<Problem, 'machines' | 'windowStart' | 'windowEnd' | 'windowState'> {
  const [windowStart, windowEnd, windowState]: [number[], number[], number[]] = [[], [], []];
  const machines = instance.machines.map((machine): Machine => {
    const states = statesOf(machine, instance);
    const windowFrom = windowStart.length;
    for (const [from, to, state] of machine.windows) {
      windowStart.push(from);
      windowEnd.push(Math.min(to, instance.horizon));
      windowState.push(states.indexOf(state));
    }
    const between = states.flatMap((x) => states.map((y) => setupBetween(machine.setup, x, y) ?? [-1, 0]));
    return {
      windowFrom,
      windowTo: windowStart.length,
      states: states.length,
      setupMin: Int32Array.from(between, ([minutes]) => minutes),
      setupPeople: Int32Array.from(between, ([, people]) => people),
      changeFixed: machine.changeFixed,
    };
  });
  return {
    machines,
    windowStart: Int32Array.from(windowStart),
    windowEnd: Int32Array.from(windowEnd),
    windowState: Int32Array.from(windowState),
  };
}

type Modes = Pick<
  Problem,
  | 'modeFrom'
  | 'machineOf'
  | 'stateOf'
  | 'phaseFrom'
  | 'poolsOf'
  | 'lengthOf'
  | 'shortest'
  | 'minutes'
  | 'people'
  | 'canPause'
  | 'wait'
  | 'slotFrom'
>;

function modesOf(instance: PlanInstance): Modes {
  const machineIndex = new Map(instance.machines.map(({ id }, k) => [id, k]));
  const poolIndex = new Map(instance.pools.map(({ id }, p) => [id, p]));
  const states = instance.machines.map((machine) => statesOf(machine, instance));
  const modes = instance.ops.flatMap((op) => op.modes);
  const phases = modes.flatMap((mode) => mode.phases);
  const machineOf = Int32Array.from(modes, ({ machine }) =>
    machine === null ? -1 : machineIndex.get(machine)!,
  );
  const lengths = (op: PlanInstance['ops'][number]): number[] =>
    op.modes.map((mode) => mode.phases.reduce((sum, { d }) => sum + d, 0));
  return {
    modeFrom: startsOf(instance.ops.map((op) => op.modes.length)),
    machineOf,
    stateOf: Int32Array.from(modes, ({ state }, m) =>
      machineOf[m] < 0 ? -1 : states[machineOf[m]].indexOf(state ?? ''),
    ),
    phaseFrom: startsOf(modes.map((mode) => mode.phases.length)),
    poolsOf: modes.map(({ pools }) =>
      Object.entries(pools)
        .filter(([, amount]) => amount > 0)
        .map(([id, amount]) => ({ pool: poolIndex.get(id)!, amount })),
    ),
    lengthOf: Int32Array.from(instance.ops.flatMap(lengths)),
    shortest: Int32Array.from(instance.ops, (op) => Math.min(...lengths(op))),
    minutes: Int32Array.from(phases, ({ d }) => d),
    people: Int32Array.from(phases, ({ ops }) => ops),
    canPause: Uint8Array.from(phases, ({ brk }) => (brk ? 1 : 0)),
    wait: Int32Array.from(phases, ({ wait }) => wait),
    slotFrom: startsOf(instance.ops.map((op) => Math.max(...op.modes.map((mode) => mode.phases.length)))),
  };
}

/** Where each of several lists begins when they are put behind one another, and where the last ends. */
function startsOf(lengths: readonly number[]): Int32Array {
  const starts = new Int32Array(lengths.length + 1);
  for (const [i, length] of lengths.entries()) starts[i + 1] = starts[i] + length;
  return starts;
}
