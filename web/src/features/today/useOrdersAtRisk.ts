import { whyLater } from '@saltflat/core/plan';
import type { PlanPicture } from '@saltflat/core/plan';
import { useMemo } from 'react';
import { inHours, lateMin, useChances } from '../../planned/index.ts';
import type { PlanRoom } from '../../planned/index.ts';
import { useWords } from '../../units/useWords.ts';
import { t } from '../../words/index.ts';
import type { Known } from './useWorthKnowing.ts';

/** An order that is in time less often than this is at risk. */
const SURE = 0.8;

/** Orders that will be late and what holds them up, and those that are in time by the plan but not surely so. */
export function useOrdersAtRisk(
  room: PlanRoom,
  { orders }: PlanPicture,
  lines: ReadonlyMap<string, { code: string; customer: string }>,
): Known[] {
  const words = useWords();
  const chances = useChances(room, room.followed?.ops ?? null);
  const whyOf = useMemo(() => {
    const { own, followed } = room;
    return followed && whyLater(own.instance, [...own.former, ...own.instance.fixed], followed.ops);
  }, [room]);
  return orders.flatMap((order): Known[] => {
    const { code = '', customer = '' } = lines.get(order.id) ?? {};
    const late = lateMin(order);
    if (late > 0) {
      const said = t('{code} for {customer} will be {time} late', { code, customer, time: inHours(late) });
      const why = whyOf?.(order.id) ?? null;
      return [
        {
          key: `late ${order.id}`,
          mark: '◆',
          words: why === null ? said : `${said}: ${words(why)}`,
          to: '/plan',
        },
      ];
    }
    const chance = chances.get(order.id);
    if (chance === undefined || chance.onTime >= SURE) return [];
    return [
      {
        key: `risk ${order.id}`,
        mark: '○',
        words: t(
          '{code} for {customer} is in time {n} times in ten only: {room} of room, {needed} are needed',
          {
            code,
            customer,
            n: Math.round(10 * chance.onTime),
            room: inHours(chance.buffer),
            needed: inHours(chance.needed),
          },
        ),
        to: '/plan',
      },
    ];
  });
}
