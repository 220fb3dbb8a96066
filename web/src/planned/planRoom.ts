import type { Machine, PlanGround } from '@saltflat/contract';
import { shopNow } from '@saltflat/contract/shopNow';
import { repairPlan, shopInstance } from '@saltflat/core/plan';
import { handsSpread } from './spread.ts';
import type { HandsSpread } from './spread.ts';
import type { FormerOp, LockedOp, Plan, PlannedOp, ShopInstance, ShopNow } from '@saltflat/core/plan';

/** A plan as somebody has it on the page: where everything lies, and what is locked there. Instants, so that it outlives the minute. */
export interface PlanDraft {
  ops: readonly FormerOp[];
  locks: readonly FormerOp[];
}

/** The shop as it is planned, and the plan that is looked at. */
export interface PlanRoom {
  epochMs: number;
  nowMs: number;
  zone: string;
  /** Days that are planned, as “2026-06-03”, with the minute each begins. */
  days: readonly { date: string; fromMin: number }[];
  /** What was changed here; `null` where nothing was. */
  draft: PlanDraft | null;
  own: ShopInstance;
  /** How much hands vary here. */
  spread: HandsSpread;
  /** The plan followed as the shop stands; `null` where there is none yet. */
  followed: Plan | null;
}

/** The shop at an instant with the plan that is followed: the draft where there is one, else the one that is kept. */
export function planRoom(
  ground: PlanGround,
  machines: readonly Machine[],
  nowMs: number,
  draft: PlanDraft | null,
): PlanRoom {
  const shop = shopWith(ground, machines, nowMs, draft);
  const own = shopInstance(shop);
  const hasPlan = draft !== null || ground.kept !== null;
  return {
    epochMs: shop.epochMs,
    nowMs,
    days: shop.days.map((date) => ({ date, fromMin: shop.minuteOf(date, 0) })),
    zone: shop.calendar.zone,
    draft,
    own,
    spread: handsSpread(own, ground),
    followed: hasPlan ? repairPlan(own.instance, own.former, { keepsLocks: true }) : null,
  };
}

/** @param draft `null` where the plan that is kept is followed */
export function shopWith(
  ground: PlanGround,
  machines: readonly Machine[],
  nowMs: number,
  draft: PlanDraft | null,
): ShopNow {
  const shop = shopNow(ground, machines, nowMs);
  return draft === null ? shop : { ...shop, former: draft.ops, locks: draft.locks };
}

/** A plan as a draft. */
export function draftOf(
  { own: { instance }, epochMs }: PlanRoom,
  ops: readonly PlannedOp[],
  locked: readonly LockedOp[],
): PlanDraft {
  const fixed = new Set(instance.fixed.map(({ id }) => id));
  const modes = new Map(instance.ops.map((op) => [op.id, op.modes]));
  const former = ({ id, mode, start }: LockedOp): FormerOp => ({
    id,
    machine: modes.get(id)?.[mode]?.machine ?? null,
    startMs: start.map((minute) => epochMs + 60_000 * minute),
  });
  return { ops: ops.filter(({ id }) => !fixed.has(id)).map(former), locks: locked.map(former) };
}
