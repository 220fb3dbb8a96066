import type { Machine, PlanGround } from '@saltflat/contract';
import type { PlannedOp, Tried } from '@saltflat/core/plan';
import { useEffect, useState } from 'react';
import { otherShops } from '../../planned/index.ts';
import type { PlanRoom } from '../../planned/index.ts';
import { planSlow } from '../../worker/planClient.ts';

interface Asking {
  ground: PlanGround;
  machines: readonly Machine[];
  room: PlanRoom;
  /** `null` while it may still change. */
  plan: readonly PlannedOp[] | null;
  /** Orders that are late, the latest first. */
  late: readonly string[];
}

/** Orders for which help is sought. */
export const MOST_SOUGHT = 3;

/** What would help late orders most, one after the other; `null` for one that nothing helps, none while it is not known. */
export function useHelps({ ground, machines, room, plan, late }: Asking): ReadonlyMap<string, Tried | null> {
  const [helps, setHelps] = useState<ReadonlyMap<string, Tried | null>>(new Map());
  const sought = late.slice(0, MOST_SOUGHT).join(' ');
  useEffect(() => {
    setHelps(new Map());
    if (plan === null || sought === '') return undefined;
    let isLeft = false;
    let cancel = (): void => undefined;
    const seek = async (): Promise<void> => {
      for (const order of sought.split(' ')) {
        const others = otherShops(ground, machines, room, order);
        if (isLeft) return;
        const asked = planSlow.ask('helps', { instance: room.own.instance, plan, order, others });
        cancel = () => asked.cancel();
        const { best } = await asked.answer;
        if (isLeft) return;
        setHelps((before) => new Map(before).set(order, best));
      }
    };
    seek().catch(() => undefined); // another plan came in between, or the thread died: it stands without
    return () => {
      isLeft = true;
      cancel();
    };
  }, [ground, machines, room, plan, sought]);
  return helps;
}
