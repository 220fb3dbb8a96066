import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PlanInstance } from './instance.ts';
import type { Plan } from './readPlan.ts';
import { soundInstance } from './soundInstance.ts';

/** What is wrong with an instance and what a plan of it leaves out, each a sentence; the rest is planned. */
export const planFaults = (instance: PlanInstance, { leftOut }: Pick<Plan, 'leftOut'>): Said[] => [
  ...soundInstance(instance).faults,
  ...whyLeftOut(instance, leftOut),
];

/** Why a plan leaves operations out: a sentence for each operation that is locked badly or spoilt, and for each order that is too large. */
export function* whyLeftOut({ ops, orders, lags }: PlanInstance, leftOut: Plan['leftOut']): Generator<Said> {
  const known = new Map(ops.map((op) => [op.id, op]));
  const names = new Map(orders.map(({ id, name }) => [id, name]));
  const ordersOf = ({ id }: { id: string }): readonly string[] => known.get(id)!.orders;
  for (const { id, why } of leftOut) {
    const { label } = known.get(id)!;
    if (why === 'lock') yield say('plan.locked-badly', { label });
    if (why !== 'spoilt') continue;
    const from = lags.find(({ to, max }) => to === id && max !== null)?.from ?? id;
    yield say('plan.spoilt', { label, from: known.get(from)!.label });
  }
  const roomless = new Set(leftOut.filter(({ why }) => why === 'no-room').flatMap(ordersOf));
  for (const order of roomless)
    yield say('plan.order-too-large', {
      order: names.get(order) ?? order,
      count: leftOut.filter((own) => ordersOf(own).includes(order)).length,
    });
}
