import { checkPlan } from './checkPlan.ts';
import { endOf } from './given.ts';
import type { MachineState, PlanInstance, PlanMachine, PlannedOp } from './instance.ts';
import { problemOf } from './problem.ts';

/**
 * An instance as it stands at a minute of its plan: what has begun is fixed, and what somebody is readying a machine for
 * that waits for nothing else; a machine that is getting warm or cool is as warm as it must be by then, one that was
 * readied stands ready; everything else was planned where it is, and moving it has a price. A machine that is being
 * readied for work that still waits for something has to be readied anew.
 */
export function asOf(instance: PlanInstance, plan: readonly PlannedOp[], now: number): PlanInstance {
  const begun = new Set(plan.filter(({ start }) => start[0] < now).map(({ id }) => id));
  const isWaiting = (id: string): boolean =>
    instance.lags.some(({ from, to }) => to === id && !begun.has(from));
  const fixed = plan.filter(
    ({ id, setup }) => begun.has(id) || (setup !== null && setup < now && !isWaiting(id)),
  );
  return {
    ...instance,
    machines: midway(instance, plan, { now, fixed }),
    now,
    fixed,
    locked: instance.locked.filter(({ id }) => !fixed.some((own) => own.id === id)),
    planned: plan.map(({ id, start }) => ({ id, start: start[0] })),
  };
}

/** Machines with those windows cut in two at whose cut their state is another than at the beginning: on the way, or ready. */
function midway(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  { now, fixed }: { now: number; fixed: readonly PlannedOp[] },
): PlanInstance['machines'] {
  const known = new Map(plan.map((own) => [own.id, own]));
  const { changes } = checkPlan(problemOf(instance), plan);
  return changes.reduce((machines, { op, from, to, minutes }) => {
    const { mode, start, setup } = known.get(op)!;
    const left = start[0] - now;
    if (left < 0 || fixed.some(({ id }) => id === op)) return machines;
    const isReady = setup !== null && setup + minutes <= now;
    if (!isReady && (setup !== null || left >= minutes)) return machines;
    const id = instance.ops.find((own) => own.id === op)!.modes[mode].machine;
    return machines.map((machine) => {
      if (machine.id !== id) return machine;
      const state = isReady ? to : stateOnTheWay(machine, { from, to, left });
      const windows = machine.windows.flatMap(([a, b, standing]): PlanMachine['windows'] =>
        a < now && now < b
          ? [
              [a, now, standing],
              [now, b, state],
            ]
          : [[a, b, standing]],
      );
      return { ...machine, windows };
    });
  }, instance.machines);
}

/** How warm a machine must be so that it is there in so many minutes. */
function stateOnTheWay(
  { setup }: PlanMachine,
  { from, to, left }: { from: MachineState; to: MachineState; left: number },
): MachineState {
  if (setup?.kind !== 'temp') return from; // changed by itself, by a table: it is where it was until it is there
  const [x, y] = [Number(from), Number(to)];
  return y > x ? Math.max(x, y - left * setup.heat) : Math.min(x, y + left * setup.cool);
}

/**
 * A machine that cannot be used for a while, and afterwards stands as it stands on the first morning: cold. What has begun on it is taken to be finished
 * first, what it was only being readied for is free again; where it is not, the operation has to be planned anew by whoever knows what became of it.
 */
export function machineDown(
  instance: PlanInstance,
  id: string,
  [from, until]: readonly [number, number],
): PlanInstance {
  const problem = problemOf({ ...instance, locked: [] });
  const here = problem.fixed.filter(({ op, mode }) => instance.ops[op].modes[mode].machine === id);
  const begun = here.filter(({ start }) => start[0] < from);
  const busyUntil = begun.reduce((late, own) => Math.max(late, endOf(problem, own)), from);
  const freed = here.filter((own) => !begun.includes(own)).map(({ op }) => instance.ops[op].id);
  const back = Math.max(until, busyUntil);
  const cut = ({ windows }: PlanMachine): PlanMachine['windows'] =>
    windows.flatMap(([a, b, state]): PlanMachine['windows'] => [
      ...(a < Math.min(b, busyUntil) ? [[a, Math.min(b, busyUntil), state] as const] : []),
      ...(Math.max(a, back) < b ? [[Math.max(a, back), b, a < back ? windows[0][2] : state] as const] : []),
    ]);
  return {
    ...instance,
    fixed: instance.fixed.filter((own) => !freed.includes(own.id)),
    machines: instance.machines.map((own) => (own.id === id ? { ...own, windows: cut(own) } : own)),
  };
}

/** So many people fewer for a while where somebody is there; never fewer than nobody. @param people in hundredths; more where it is below 0 */
export function peopleAway(
  instance: PlanInstance,
  people: number,
  [from, until]: readonly [number, number],
): PlanInstance {
  return {
    ...instance,
    people: instance.people.flatMap(([a, b, count]): [number, number, number][] => {
      const [start, end] = [Math.max(a, from), Math.min(b, until)];
      if (start >= end) return [[a, b, count]];
      const parts: [number, number, number][] = [
        [a, start, count],
        [start, end, Math.max(0, count - people)],
        [end, b, count],
      ];
      return parts.filter(([p, q]) => p < q);
    }),
  };
}

/** No power for a while: nobody can work and no machine runs; all are cold afterwards. */
export function powerOut(instance: PlanInstance, span: readonly [number, number]): PlanInstance {
  const most = instance.people.reduce((many, [, , count]) => Math.max(many, count), 0);
  return instance.machines.reduce(
    (own, { id }) => machineDown(own, id, span),
    peopleAway(instance, most, span),
  );
}

/** An operation of which a phase takes longer than planned. @param minutes more, whole */
export function phaseLonger(
  instance: PlanInstance,
  { id, mode, phase }: { id: string; mode: number; phase: number },
  minutes: number,
): PlanInstance {
  return {
    ...instance,
    ops: instance.ops.map((op) =>
      op.id === id
        ? {
            ...op,
            modes: op.modes.map((own, m) =>
              m === mode
                ? {
                    ...own,
                    phases: own.phases.map((each, p) =>
                      p === phase ? { ...each, d: each.d + minutes } : each,
                    ),
                  }
                : own,
            ),
          }
        : op,
    ),
  };
}

/** What a change of plan means for an order, min. */
export interface OrderMove {
  id: string;
  name: string;
  due: number;
  /** When it is through, its rest counted; `null` where it is not in that plan. */
  before: number | null;
  after: number | null;
}

/** Orders that are through at another time in one plan than in another, those that lose most first. */
export function comparePlans(
  instance: PlanInstance,
  before: readonly PlannedOp[],
  after: readonly PlannedOp[],
): OrderMove[] {
  const [first, then] = [before, after].map((plan) => throughOf(instance, plan));
  const lost = ({ before: was, after: is }: OrderMove): number =>
    is === null ? Infinity : was === null ? -Infinity : is - was;
  return instance.orders
    .map(({ id, name, due }) => ({
      id,
      name,
      due,
      before: first.get(id) ?? null,
      after: then.get(id) ?? null,
    }))
    .filter((own) => own.before !== own.after)
    .sort((p, q) => lost(q) - lost(p));
}

/** When each order is through that has all its operations in a plan. */
function throughOf(instance: PlanInstance, plan: readonly PlannedOp[]): Map<string, number> {
  const problem = problemOf({ ...instance, fixed: [], locked: [], planned: [] });
  const ends = new Map(
    plan.flatMap((own) => {
      const op = instance.ops.findIndex(({ id }) => id === own.id);
      return op < 0 ? [] : [[own.id, endOf(problem, { ...own, op, setup: -1 })] as const];
    }),
  );
  const found = new Map<string, number>();
  for (const [j, { id, tail }] of instance.orders.entries()) {
    const own = problem.opsOf[j].map((op) => ends.get(instance.ops[op].id));
    if (own.length > 0 && own.every((end) => end !== undefined)) found.set(id, Math.max(...own) + tail);
  }
  return found;
}
