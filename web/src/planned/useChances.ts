import type { OrderChance, PlannedOp } from '@saltflat/core/plan';
import { useEffect, useState } from 'react';
import { planAside } from '../worker/planClient.ts';
import type { PlanRoom } from './planRoom.ts';

const SAMPLES = 200;

/** How sure each order is by the plan that is looked at; none until it is worked out. */
export function useChances(
  { own: { instance }, spread }: Pick<PlanRoom, 'own' | 'spread'>,
  plan: readonly PlannedOp[] | null,
): ReadonlyMap<string, OrderChance> {
  const [chances, setChances] = useState<ReadonlyMap<string, OrderChance>>(new Map());
  useEffect(() => {
    if (plan === null) return undefined;
    const question = { instance, plan, seed: 1, samples: SAMPLES, ...spread };
    const asked = planAside.ask('chances', question);
    asked.answer.then(
      (found) => setChances(new Map(found.map((own) => [own.id, own]))),
      () => undefined, // another question came in between, or the thread died: the plan stands without
    );
    return () => asked.cancel();
  }, [instance, spread, plan]);
  return chances;
}
