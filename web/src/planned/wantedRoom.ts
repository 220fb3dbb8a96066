import type { Machine, PlanGround, PlanJob } from '@saltflat/contract';
import { shopJob, shopNow } from '@saltflat/contract/shopNow';
import { shopInstance } from '@saltflat/core/plan';
import type { PlanInstance, PlannedOp } from '@saltflat/core/plan';
import { handsSpread } from './spread.ts';
import type { HandsSpread } from './spread.ts';

/** The shop as it would be planned with something that is not taken in yet. */
export interface WantedRoom {
  epochMs: number;
  zone: string;
  instance: PlanInstance;
  /** How much hands vary here. */
  spread: HandsSpread;
  /** The plan that is followed; `null` where none is kept. */
  plan: readonly PlannedOp[] | null;
  /** Order lines that are asked for. */
  wanted: readonly string[];
}

/** @param instead lines that are already in and are written anew: as they were they are not made */
export function wantedRoom(
  ground: PlanGround,
  machines: readonly Machine[],
  nowMs: number,
  { jobs, instead }: { jobs: readonly PlanJob[]; instead: ReadonlySet<string> },
): WantedRoom {
  const others = ground.jobs.filter(
    ({ runId, lines }) => runId !== null || !lines.every(({ lineId }) => instead.has(lineId)),
  );
  const shop = shopNow({ ...ground, jobs: others }, machines, nowMs);
  const own = shopInstance({ ...shop, jobs: [...shop.jobs, ...jobs.map(shopJob)] });
  return {
    epochMs: shop.epochMs,
    zone: shop.calendar.zone,
    instance: own.instance,
    spread: handsSpread(own, ground),
    plan: ground.kept === null ? null : own.former,
    wanted: jobs.flatMap(({ lines }) => lines.map(({ lineId }) => lineId)),
  };
}
