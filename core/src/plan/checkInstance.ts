import type { PlanInstance, PlanMode, PlanOp, PlannedOp } from './instance.ts';

/** Something in an instance that cannot be read: which field, and a sentence of what is wrong and would be right. */
export interface InstanceFault {
  path: string;
  message: string;
}

/** Longest plan, min: a year. */
export const LONGEST_MIN = 366 * 1440;

/**
 * @throws RangeError with the first thing that makes an instance none: names of nothing, names that are there twice,
 *   numbers that are no whole minutes
 */
export function checkInstance(instance: PlanInstance): void {
  for (const { path, message } of faultsOfInstance(instance)) throw new RangeError(`${path}: ${message}`);
}

/** Everything that makes an instance none. What only stands in the way of a plan is told with the plan. */
export function* faultsOfInstance(instance: PlanInstance): Generator<InstanceFault> {
  yield* faultsOfNumbers(instance);
  for (const key of ['machines', 'pools', 'orders', 'ops'] as const) yield* faultsOfIds(key, instance[key]);
  for (const [k, machine] of instance.machines.entries()) yield* faultsOfMachine(machine, k, instance.ops);
  for (const [i, op] of instance.ops.entries()) yield* faultsOfOp(op, `/ops/${i}`, instance);
  const ops = new Map(instance.ops.map((op) => [op.id, op]));
  for (const [i, lag] of instance.lags.entries())
    for (const end of ['from', 'to'] as const)
      if (!ops.has(lag[end])) yield unknown(`/lags/${i}/${end}`, 'operation', lag[end]);
  for (const key of ['fixed', 'locked'] as const)
    for (const [i, own] of instance[key].entries()) yield* faultsOfGiven(own, `/${key}/${i}`, ops);
}

const unknown = (path: string, what: string, id: string): InstanceFault => ({
  path,
  message: `There is no ${what} “${id}”: name one that is listed.`,
});

function* faultsOfNumbers({ horizon, now, people, lags }: PlanInstance): Generator<InstanceFault> {
  if (!(Number.isInteger(horizon) && horizon > 0 && horizon <= LONGEST_MIN))
    yield {
      path: '/horizon',
      message: `The horizon must be whole minutes from 1 to ${LONGEST_MIN}, not ${horizon}.`,
    };
  if (!(Number.isInteger(now) && now >= 0))
    yield { path: '/now', message: `Now must be a whole minute from 0, not ${now}.` };
  for (const [i, entry] of people.entries())
    if (!entry.every(Number.isInteger) || entry[2] < 0)
      yield {
        path: `/people/${i}`,
        message: `People must be whole minutes and whole hundredths of a person from 0, not ${entry.join(', ')}.`,
      };
  for (const [i, { min, max }] of lags.entries())
    if (!Number.isInteger(min) || min < 0 || (max !== null && (!Number.isInteger(max) || max < 0)))
      yield { path: `/lags/${i}`, message: `A wait must be whole minutes from 0, not ${min} to ${max}.` };
}

function* faultsOfIds(key: string, all: readonly { id: string }[]): Generator<InstanceFault> {
  const known = new Set<string>();
  for (const [i, { id }] of all.entries()) {
    if (known.has(id))
      yield { path: `/${key}/${i}/id`, message: `“${id}” is there twice: each needs a name of its own.` };
    known.add(id);
  }
}

function* faultsOfMachine(
  { id, setup, windows }: PlanInstance['machines'][number],
  k: number,
  ops: readonly PlanOp[],
): Generator<InstanceFault> {
  const path = `/machines/${k}`;
  let last = 0;
  for (const [i, [from, to]] of windows.entries()) {
    if (!Number.isInteger(from) || !Number.isInteger(to) || from < last || to < from)
      yield {
        path: `${path}/windows/${i}`,
        message: `Window ${from} to ${to} of “${id}” must be whole minutes, end after it begins and begin after the one before.`,
      };
    last = Math.max(last, to);
  }
  if (setup?.kind !== 'temp') return;
  if (!(setup.heat > 0 && setup.cool > 0))
    yield {
      path: `${path}/setup`,
      message: `“${id}” must warm up and cool by more than 0 degrees a minute.`,
    };
  const states = [
    ...windows.map(([, , state]) => state),
    ...ops.flatMap(({ modes }) => modes.filter(({ machine }) => machine === id).map(({ state }) => state)),
  ];
  if (states.some((state) => typeof state !== 'number'))
    yield { path, message: `“${id}” changes by temperature: each of its states must be a number, in °C.` };
}

function* faultsOfOp(op: PlanOp, path: string, instance: PlanInstance): Generator<InstanceFault> {
  if (op.modes.length === 0)
    yield { path: `${path}/modes`, message: `“${op.label}” must have a way of doing it.` };
  if (!Number.isInteger(op.release) || op.release < 0)
    yield { path: `${path}/release`, message: `“${op.label}” must be free from a whole minute on, from 0.` };
  for (const order of op.orders)
    if (!instance.orders.some(({ id }) => id === order)) yield unknown(`${path}/orders`, 'order', order);
  for (const [m, mode] of op.modes.entries()) yield* faultsOfMode(mode, `${path}/modes/${m}`, op, instance);
}

function* faultsOfMode(
  { machine, phases, pools }: PlanMode,
  path: string,
  { label }: PlanOp,
  instance: PlanInstance,
): Generator<InstanceFault> {
  if (machine !== null && !instance.machines.some(({ id }) => id === machine))
    yield unknown(`${path}/machine`, 'machine', machine);
  if (phases.length === 0)
    yield { path: `${path}/phases`, message: `“${label}” must have a phase at least.` };
  for (const [p, { d, ops, wait }] of phases.entries())
    if (![d, ops, wait].every((own) => Number.isInteger(own) && own >= 0))
      yield {
        path: `${path}/phases/${p}`,
        message: `A phase of “${label}” must have whole minutes, people and wait from 0, not ${d}, ${ops} and ${wait}.`,
      };
  for (const [pool, amount] of Object.entries(pools)) {
    const own = instance.pools.find(({ id }) => id === pool);
    if (own === undefined) yield unknown(`${path}/pools`, 'pool', pool);
    else if (!Number.isInteger(amount) || amount < 0)
      yield { path: `${path}/pools`, message: `“${label}” must take a whole number of places of “${pool}”.` };
  }
}

function* faultsOfGiven(
  { id, mode, start }: Omit<PlannedOp, 'setup'>,
  path: string,
  ops: ReadonlyMap<string, PlanOp>,
): Generator<InstanceFault> {
  const op = ops.get(id);
  if (op === undefined) yield unknown(`${path}/id`, 'operation', id);
  else if (op.modes[mode] === undefined)
    yield {
      path: `${path}/mode`,
      message: `“${op.label}” has no mode ${mode}: it has 0 to ${op.modes.length - 1}.`,
    };
  else if (
    start.length !== op.modes[mode].phases.length ||
    !start.every((at) => Number.isInteger(at) && at >= 0)
  )
    yield {
      path: `${path}/start`,
      message: `“${op.label}” needs a start in whole minutes for each of its ${op.modes[mode].phases.length} phases.`,
    };
}
