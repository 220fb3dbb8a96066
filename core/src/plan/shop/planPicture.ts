import { calendarOf, pausedEnd } from '../calendar.ts';
import { checkPlan } from '../checkPlan.ts';
import type { MachineState, PlanInstance, PlannedOp } from '../instance.ts';
import { problemOf } from '../problem.ts';
import type { ShopInstance, ShopOp } from './shopInstance.ts';

/** An operation as it lies in a plan, min from its minute 0. */
export interface PicturedOp extends Pick<
  ShopOp,
  'id' | 'job' | 'lines' | 'operation' | 'role' | 'station' | 'title' | 'parts' | 'isRunning'
> {
  /** `null` where it needs none. */
  machine: string | null;
  /** State of its machine: a temperature in °C, where it has one. */
  state: MachineState | null;
  phases: readonly { from: number; to: number; people: number }[];
  isFixed: boolean;
  isLocked: boolean;
}

/** When a piece of work begins and ends, min. */
export const spanOf = ({ phases }: Pick<PicturedOp, 'phases'>): { from: number; to: number } => ({
  from: phases[0].from,
  to: phases[phases.length - 1].to,
});

/** Minutes of hands it takes. */
export const handsOn = ({ phases }: Pick<PicturedOp, 'phases'>): number =>
  phases.reduce((sum, { from, to, people }) => sum + ((to - from) * people) / 100, 0);

/** A machine that goes from one state to another; `people` in hundredths. */
export interface PicturedChange {
  machine: string;
  from: number;
  to: number;
  before: MachineState;
  after: MachineState;
  people: number;
}

export interface PicturedOrder {
  id: string;
  /** When its first operation begins that is not over; when it is through, its rest counted; `null` where not all has a place. */
  from: number | null;
  through: number | null;
  due: number;
  /** Rest after the last operation, min. */
  tail: number;
}

/** A plan as it is looked at: everything in it with its minutes. */
export interface PlanPicture {
  ops: readonly PicturedOp[];
  changes: readonly PicturedChange[];
  orders: readonly PicturedOrder[];
  /** People at work, hundredths, apart and in order; nobody in between. */
  load: readonly (readonly [from: number, to: number, hundredths: number])[];
}

/** What a plan of the shop looks like. */
export function planPicture({ instance, about }: ShopInstance, plan: readonly PlannedOp[]): PlanPicture {
  const calendar = calendarOf(instance);
  const byId = new Map(plan.map((own) => [own.id, own]));
  const fixed = new Set(instance.fixed.map(({ id }) => id));
  const locked = new Set(instance.locked.map(({ id }) => id));
  const ops = instance.ops.flatMap((op): PicturedOp[] => {
    const own = byId.get(op.id);
    const known = about.get(op.id);
    if (own === undefined || known === undefined) return [];
    const { machine, state, phases } = op.modes[own.mode];
    const { sinceMs: _since, pace: _pace, ...shown } = known;
    return [
      {
        ...shown,
        machine,
        state,
        phases: phases.map(({ d, ops: people, brk }, i) => {
          const from = own.start[i];
          return { from, to: brk ? pausedEnd(calendar, from, d) : from + d, people };
        }),
        isFixed: fixed.has(op.id),
        isLocked: locked.has(op.id),
      },
    ];
  });
  const changes = changesIn(instance, plan, byId);
  return { ops, changes, orders: ordersIn(instance, ops), load: loadOf(instance, ops, changes) };
}

/** Changes of machines: where nobody is needed, as late as they can be. */
function changesIn(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  byId: ReadonlyMap<string, PlannedOp>,
): PicturedChange[] {
  const modeOf = new Map(instance.ops.map(({ id, modes }) => [id, modes]));
  return checkPlan(problemOf(instance), plan).changes.flatMap(({ op, from, to, minutes, people }) => {
    const own = byId.get(op)!;
    const machine = modeOf.get(op)![own.mode].machine;
    if (machine === null || minutes === 0) return [];
    const begin = own.setup ?? Math.max(0, own.start[0] - minutes);
    return [{ machine, from: begin, to: begin + minutes, before: from, after: to, people }];
  });
}

function ordersIn(instance: PlanInstance, ops: readonly PicturedOp[]): PicturedOrder[] {
  const wanted = new Map<string, number>();
  for (const op of instance.ops) for (const id of op.orders) wanted.set(id, (wanted.get(id) ?? 0) + 1);
  return instance.orders.map(({ id, due, tail }) => {
    const own = ops.filter(({ lines }) => lines.includes(id));
    const isWhole = own.length === wanted.get(id);
    return {
      id,
      from: own.length === 0 ? null : Math.min(...own.map((op) => spanOf(op).from)),
      through: isWhole ? Math.max(...own.map((op) => spanOf(op).to)) + tail : null,
      due,
      tail,
    };
  });
}

/** People at work by the minute; what pauses takes nobody in a break. */
function loadOf(
  instance: PlanInstance,
  ops: readonly PicturedOp[],
  changes: readonly PicturedChange[],
): PlanPicture['load'] {
  const steps = new Map<number, number>();
  const add = (from: number, to: number, people: number): void => {
    steps.set(from, (steps.get(from) ?? 0) + people);
    steps.set(to, (steps.get(to) ?? 0) - people);
  };
  const there = instance.people;
  for (const { from, to, people } of [...ops.flatMap(({ phases }) => phases), ...changes])
    if (people > 0)
      for (const [a, b] of there)
        if (Math.max(a, from) < Math.min(b, to)) add(Math.max(a, from), Math.min(b, to), people);
  const edges = [...steps.keys()].sort((p, q) => p - q);
  let now = 0;
  return edges.flatMap((edge, i): [number, number, number][] => {
    now += steps.get(edge)!;
    return now > 0 && i + 1 < edges.length ? [[edge, edges[i + 1], now]] : [];
  });
}
