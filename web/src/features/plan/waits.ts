import type { PicturedOrder, PlanInstance } from '@saltflat/core/plan';
import type { Bar, Lane } from './lanes.ts';

/** What stands between two pieces of work, min. */
export interface Wait {
  from: Bar;
  to: Bar;
  /** At least; at most, `null` where it may stand for good. */
  min: number;
  max: number | null;
}

/** What rests after the last work of an order, until it may leave. */
export interface Rest {
  after: Bar;
  until: number;
}

/** Waits between work that lies in the lanes; where it goes on at once and may stand there is none to look at. */
export function waitsIn(lanes: readonly Lane[], { lags }: Pick<PlanInstance, 'lags'>): Wait[] {
  const bars = new Map(lanes.flatMap((lane) => lane.bars.map((bar) => [bar.op.id, bar] as const)));
  return lags.flatMap(({ from, to, min, max }): Wait[] => {
    const [first, next] = [bars.get(from), bars.get(to)];
    return first && next && (min > 0 || max !== null || next.from > first.to)
      ? [{ from: first, to: next, min, max }]
      : [];
  });
}

/** Rests of orders that are through in the plan. */
export function restsIn(lanes: readonly Lane[], orders: readonly PicturedOrder[]): Rest[] {
  const bars = lanes.flatMap((lane) => lane.bars);
  return orders.flatMap(({ id, through, tail }): Rest[] => {
    const own = bars.filter(({ op }) => op.lines.includes(id));
    const [first] = own;
    if (first === undefined || through === null || tail === 0) return [];
    return [{ after: own.reduce((last, bar) => (bar.to > last.to ? bar : last), first), until: through }];
  });
}
