import { LONGEST_MIN, faultsOfInstance } from '@saltflat/core/plan';
import type { Plan, PlanInstance } from '@saltflat/core/plan';
import { Type } from 'typebox';
import { nullable } from './scalars.ts';
import { parse, refusedFields } from './validate.ts';

/** Work that is planned in one go at most. */
const MOST_OPS = 5000;
const Name = (title: string) => Type.String({ title, minLength: 1, maxLength: 200 });
const Minute = (title: string) => Type.Integer({ title, minimum: 0, maximum: LONGEST_MIN });
const State = Type.Union([Type.String(), Type.Number()], { title: 'State of a machine' });
const Hundredths = Type.Integer({ title: 'People, in hundredths', minimum: 0, maximum: 100_000 });

const Setup = Type.Union(
  [
    Type.Null(),
    Type.Object({
      kind: Type.Literal('temp'),
      heat: Type.Number({ title: 'Degrees a minute up', exclusiveMinimum: 0 }),
      cool: Type.Number({ title: 'Degrees a minute down', exclusiveMinimum: 0 }),
    }),
    Type.Object({
      kind: Type.Literal('table'),
      table: Type.Record(
        Type.String(),
        Type.Record(Type.String(), Type.Tuple([Minute('Minutes of a change'), Hundredths])),
      ),
    }),
  ],
  { title: 'Changes of a machine' },
);

const Machine = Type.Object({
  id: Name('Machine'),
  kind: Type.Optional(Type.String({ title: 'Kind of machine' })),
  windows: Type.Array(Type.Tuple([Minute('Begin of a window'), Minute('End of a window'), State]), {
    title: 'Windows',
  }),
  setup: Type.Optional(Setup),
  changeFixed: Type.Optional(Type.Number({ title: 'Cost of any change', minimum: 0 })),
});

const Phase = Type.Object({
  d: Minute('Duration of a phase'),
  ops: Type.Optional(Hundredths),
  brk: Type.Optional(Type.Boolean({ title: 'Pauses' })),
  wait: Type.Optional(Minute('Longest wait after a phase')),
});

const Op = Type.Object({
  id: Name('Operation'),
  label: Type.Optional(Type.String({ title: 'Label' })),
  orders: Type.Array(Name('Order'), { title: 'Orders' }),
  modes: Type.Array(
    Type.Object({
      machine: nullable(Name('Machine')),
      state: Type.Optional(nullable(State)),
      phases: Type.Array(Phase, { title: 'Phases' }),
      pools: Type.Optional(Type.Record(Type.String(), Minute('Places in a pool'))),
    }),
    { title: 'Modes' },
  ),
  release: Type.Optional(Minute('Release')),
});

const Order = Type.Object({
  id: Name('Order'),
  name: Type.Optional(Type.String({ title: 'Name' })),
  due: Type.Integer({ title: 'Due', minimum: -LONGEST_MIN, maximum: 2 * LONGEST_MIN }),
  weight: Type.Optional(Type.Number({ title: 'Weight', minimum: 0, maximum: 1e6 })),
  release: Type.Optional(Minute('Release')),
  tail: Type.Optional(Minute('Rest at the end')),
});

const Starts = Type.Array(Minute('Start of a phase'), { title: 'Starts' });
const Mode = Type.Integer({ title: 'Mode', minimum: 0, maximum: 100 });

/** Work to be planned, as a file: whole minutes from the beginning of the first shift. Fields besides these are notes. */
const PlanInstanceDocument = Type.Object({
  name: Type.Optional(Type.String({ title: 'Name' })),
  horizon: Type.Integer({ title: 'Horizon', minimum: 1, maximum: LONGEST_MIN }),
  operators: Type.Object({
    capacity: Type.Array(Type.Tuple([Minute('Begin of a shift'), Minute('End of a shift'), Hundredths]), {
      title: 'People',
    }),
  }),
  machines: Type.Array(Machine, { title: 'Machines' }),
  pools: Type.Optional(
    Type.Array(Type.Object({ id: Name('Pool'), cap: Minute('Places of a pool') }), { title: 'Pools' }),
  ),
  orders: Type.Array(Order, { title: 'Orders' }),
  ops: Type.Array(Op, { title: 'Operations', maxItems: MOST_OPS }),
  lags: Type.Optional(
    Type.Array(
      Type.Object({
        from: Name('Operation'),
        to: Name('Operation'),
        min: Type.Optional(Minute('Shortest wait')),
        max: Type.Optional(nullable(Minute('Longest wait'))),
      }),
      { title: 'Waits' },
    ),
  ),
  now: Type.Optional(Minute('Now')),
  fixed: Type.Optional(
    Type.Array(
      Type.Object({
        id: Name('Operation'),
        mode: Mode,
        start: Starts,
        setup: Type.Optional(nullable(Minute('Start of a change'))),
      }),
      { title: 'Fixed operations' },
    ),
  ),
  locked: Type.Optional(
    Type.Array(Type.Object({ id: Name('Operation'), mode: Mode, start: Starts }), {
      title: 'Locked operations',
    }),
  ),
  plan: Type.Optional(
    Type.Array(Type.Object({ id: Name('Operation'), start: Minute('Start') }), { title: 'Former plan' }),
  ),
});

/** What any change of a machine costs where nothing is said, min. */
const USUAL_CHANGE = 5;

/**
 * Reads a planning problem from a file.
 *
 * @throws DomainError `invalid-input` naming every field that is wrong and what would be right
 */
export function readPlanInstance(data: unknown): PlanInstance {
  const read = parse(PlanInstanceDocument, data);
  const instance: PlanInstance = {
    name: read.name ?? '',
    horizon: read.horizon,
    people: read.operators.capacity,
    machines: read.machines.map(({ kind = '', setup = null, changeFixed = USUAL_CHANGE, ...machine }) => ({
      ...machine,
      kind,
      setup,
      changeFixed,
    })),
    pools: read.pools ?? [],
    orders: read.orders.map(({ name, weight = 1, release = 0, tail = 0, ...order }) => ({
      ...order,
      name: name ?? order.id,
      weight,
      release,
      tail,
    })),
    ops: read.ops.map(({ label, release = 0, modes, ...op }) => ({
      ...op,
      label: label ?? op.id,
      release,
      modes: modes.map(({ machine, state = null, phases, pools = {} }) => ({
        machine,
        state,
        pools,
        phases: phases.map(({ d, ops = 0, brk = false, wait = 0 }) => ({ d, ops, brk, wait })),
      })),
    })),
    lags: (read.lags ?? []).map(({ from, to, min = 0, max = null }) => ({ from, to, min, max })),
    now: read.now ?? 0,
    fixed: (read.fixed ?? []).map(({ setup = null, ...own }) => ({ ...own, setup })),
    locked: read.locked ?? [],
    planned: read.plan ?? [],
  };
  const faults = [...faultsOfInstance(instance)];
  if (faults.length > 0) throw refusedFields(faults);
  return instance;
}

/** A plan as a file. */
export const planDocument = ({ name }: PlanInstance, { ops }: Plan): object => ({ instance: name, ops });
