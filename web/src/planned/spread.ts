import type { PlanGround } from '@saltflat/contract';
import type { ShopInstance } from '@saltflat/core/plan';

/** Hands vary by so much from operation to operation, and from day to day: assumed (trade range 10–25 % and 5–15 %). */
export const ASSUMED_SPREAD = { own: 0.18, pace: 0.1 } as const;

/** How much hands vary, as shares of their time: by what was timed here, and by what is assumed where it was not. */
export interface HandsSpread {
  own: number;
  /** Of operations whose work was timed. */
  owns: Readonly<Record<string, number>>;
  pace: number;
}

/** What was timed of operations, and of how days differ. */
export function handsSpread({ about }: ShopInstance, { pace }: Pick<PlanGround, 'pace'>): HandsSpread {
  const timed = [...about.values()].flatMap(({ id, pace: own }) =>
    own === null || own.spread === null ? [] : [[id, own.spread] as const],
  );
  return {
    own: ASSUMED_SPREAD.own,
    owns: Object.fromEntries(timed),
    pace: pace.spread ?? ASSUMED_SPREAD.pace,
  };
}
