import type { DayPlan, DayPlanDocument, Machine, PlanGround } from '@saltflat/contract';
import { comparePlans, movePlanned, planFaults, planPicture, whyLater } from '@saltflat/core/plan';
import type {
  LockedOp,
  MovedPlan,
  PlanAnswer,
  PlanInstance,
  PlanPicture,
  PlannedOp,
} from '@saltflat/core/plan';
import type { Said } from '@saltflat/core/words';
import { useEffect, useMemo, useRef, useState } from 'react';
import { serverNow } from '../../api/serverClock.ts';
import { draftOf, planRoom } from '../../planned/index.ts';
import type { PlanDraft, PlanRoom } from '../../planned/index.ts';
import type { MovedOrder } from './OrderMoves.tsx';
import { usePlanSearch } from './usePlanSearch.ts';
import type { PlanSearchState } from './usePlanSearch.ts';

/** A plan that was found, against the one that stands. */
export interface Offer {
  moves: readonly MovedOrder[];
  /** Minutes of lateness that it spares, by the weight of the orders, and by which the work ends earlier. */
  sparedLate: number;
  sparedFinish: number;
  sparedChanges: number;
  /** Work within the next hour that it moves. */
  soon: number;
  /** How much less late than it any plan could be. */
  boundSaid: Said;
}

/** Nothing of the next hour is moved without its being said, min. */
const SOON_MIN = 60;

export interface PlanDesk {
  room: PlanRoom;
  /** The plan that is looked at; `null` until the first is found. */
  plan: readonly PlannedOp[] | null;
  picture: PlanPicture | null;
  search: PlanSearchState;
  offer: Offer | null;
  /** Orders that are through later than the plan that was kept has them, those that lose most first; none once it was changed here. */
  later: readonly MovedOrder[];
  /** What is wrong with the shop as it is planned, and what has no place. */
  faults: readonly Said[];
  /** Why the last wish was refused. */
  refused: Said | null;
  /** It differs from the plan that is kept. */
  isChanged: boolean;
  canUndo: boolean;
  move: (wish: { id: string; machine: string | null; start: number }) => void;
  toggleLock: (id: string) => void;
  improve: () => void;
  stop: () => void;
  take: () => void;
  leave: () => void;
  undo: () => void;
  /** Forgets what is not kept. */
  forget: () => void;
  documentOf: () => DayPlanDocument | null;
}

/** The plan on the page: followed as the shop stands, changed by hand, improved, and undone. */
export function usePlanRoom(ground: PlanGround, machines: readonly Machine[]): PlanDesk {
  const { search, begin, stop, forget } = usePlanSearch();
  const drafting = useDrafts(forget);
  const { draft } = drafting;
  const room = useMemo(() => planRoom(ground, machines, serverNow(), draft), [ground, machines, draft]);
  const { instance } = room.own;
  const found =
    search.status === 'done' || search.status === 'running' ? (search.answer?.best ?? null) : null;
  const plan = room.followed?.ops ?? found?.ops ?? null;
  const picture = useMemo(() => (plan === null ? null : planPicture(room.own, plan)), [room, plan]);
  const hasNone = room.followed === null;
  const shown = room.followed ?? found;
  const faults = useMemo(() => (shown === null ? [] : planFaults(instance, shown)), [instance, shown]);
  useEffect(() => {
    if (hasNone) begin(instance, null); // a shop without a plan gets its first one by itself
  }, [hasNone, instance]);
  const offer = useMemo(
    () => (search.status === 'done' ? offerOf(room, search.answer) : null),
    [search, room],
  );

  const { kept } = ground;
  const later = useMemo(
    () => (draft === null && kept !== null && picture !== null ? laterThanKept(room, kept, picture) : []),
    [room, draft, kept, picture],
  );

  useAnswer(later, `${kept?.number ?? 0} ${ground.calendar.version}`, () => begin(instance, plan, true));
  const { push, undo, forgetAll } = drafting;
  return {
    room,
    plan,
    picture,
    search,
    offer,
    later,
    faults,
    refused: drafting.refused,
    isChanged: drafting.count > 0 || (hasNone && plan !== null),
    canUndo: drafting.count > 0,
    move: (wish) => {
      const moved = plan && movedTo(instance, plan, wish);
      if (moved?.ok) push(draftOf(room, moved.plan, moved.locked));
      else if (moved) drafting.refuse(moved.said);
    },
    toggleLock: (id) => {
      const locked = plan && lockedWith(instance, plan, id);
      if (plan && locked) push(draftOf(room, plan, locked));
    },
    improve: () => {
      drafting.refuse(null);
      begin(instance, plan);
    },
    stop,
    take: () => search.status === 'done' && push(draftOf(room, search.answer.best.ops, instance.locked)),
    leave: forget,
    undo,
    forget: forgetAll,
    documentOf: () => picture && { epoch: new Date(room.epochMs).toISOString(), zone: room.zone, ...picture },
  };
}

/**
 * Whatever has made orders later, a press that broke or a step that ran over, is answered once, not each minute it lasts.
 *
 * @param since the plan that was kept and the hours it was kept for: others are other causes
 */
function useAnswer(later: readonly MovedOrder[], since: string, answer: () => void): void {
  const ids = later.map(({ id }) => id).sort();
  const cause = ids.length === 0 ? null : [since, ...ids].join(' ');
  const answered = useRef<string | null>(null);
  useEffect(() => {
    if (cause === null || cause === answered.current) return;
    answered.current = cause;
    answer();
  });
}

/** Changes that were made here, each with the one before it; what was refused last. */
function useDrafts(forget: () => void) {
  const [drafts, setDrafts] = useState<readonly PlanDraft[]>([]);
  const [refused, refuse] = useState<Said | null>(null);
  const change = (next: (before: readonly PlanDraft[]) => readonly PlanDraft[]): void => {
    setDrafts(next);
    refuse(null);
    forget();
  };
  return {
    draft: drafts.at(-1) ?? null,
    count: drafts.length,
    refused,
    refuse,
    push: (draft: PlanDraft): void => change((before) => [...before, draft]),
    undo: (): void => change((before) => before.slice(0, -1)),
    forgetAll: (): void => change(() => []),
  };
}

/** The plan with an operation at another time, or on another machine; `null` where it is not in the plan. */
function movedTo(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  { id, machine, start }: { id: string; machine: string | null; start: number },
): MovedPlan | null {
  const own = plan.find((each) => each.id === id);
  if (own === undefined) return null;
  const modes = instance.ops.find((op) => op.id === id)?.modes ?? [];
  const there = modes.findIndex((each) => each.machine === machine);
  const isSame = there < 0 || modes[own.mode]?.machine === machine;
  return movePlanned(instance, plan, { id, mode: isSame ? own.mode : there, start });
}

/** What is locked once an operation is locked where it lies, or let go; `null` where it has begun. */
function lockedWith(
  { fixed, locked }: PlanInstance,
  plan: readonly PlannedOp[],
  id: string,
): readonly LockedOp[] | null {
  const own = plan.find((each) => each.id === id);
  if (own === undefined || fixed.some((each) => each.id === id)) return null;
  const others = locked.filter((each) => each.id !== id);
  return others.length < locked.length ? others : [...others, { id, mode: own.mode, start: own.start }];
}

/** Orders that are through at another time, and why those are later that are. */
function movesWithWhy(
  instance: PlanInstance,
  before: readonly PlannedOp[],
  after: readonly PlannedOp[],
): MovedOrder[] {
  const whyOf = whyLater(instance, before, after);
  return comparePlans(instance, before, after).map((own) => ({ ...own, why: whyOf(own.id) }));
}

/** What is through later than the plan that was kept has it, by more than a moment; what was in no plan yet is none of it. */
function laterThanKept(
  { epochMs, own: { instance, former }, followed }: PlanRoom,
  { document }: DayPlan,
  { orders }: PlanPicture,
): MovedOrder[] {
  if (followed === null) return [];
  const shift = Math.round((Date.parse(document.epoch) - epochMs) / 60_000);
  const kept = new Map(document.orders.map(({ id, through }) => [id, through]));
  const names = new Map(instance.orders.map(({ id, name }) => [id, name]));
  const whyOf = whyLater(instance, [...former, ...instance.fixed], followed.ops);
  return orders
    .flatMap(({ id, due, through: after }): MovedOrder[] => {
      const was = kept.get(id) ?? null;
      const before = was === null ? null : was + shift;
      const isLater = before !== null && (after === null || after - before >= LATER_MIN);
      return isLater ? [{ id, name: names.get(id) ?? '', due, before, after, why: whyOf(id) }] : [];
    })
    .sort((p, q) => lost(q) - lost(p));
}

/** Less than this later than it was kept is as planned, min. */
const LATER_MIN = 15;

const lost = ({ before, after }: MovedOrder): number => (after ?? Infinity) - (before ?? 0);

/** What a plan that was found has before the one that is followed; `null` where it has nothing. */
function offerOf({ own: { instance }, followed }: PlanRoom, { best, boundSaid }: PlanAnswer): Offer | null {
  if (followed === null) return null;
  const spared = (figure: 'lateness' | 'finish' | 'setup'): number =>
    followed.score[figure] - best.score[figure];
  const [sparedLate, sparedFinish, sparedChanges] = [spared('lateness'), spared('finish'), spared('setup')];
  const first = [sparedLate, sparedFinish, sparedChanges].find((figure) => figure !== 0) ?? 0;
  if (first <= 0) return null;
  const before = new Map(followed.ops.map(({ id, start }) => [id, start[0] ?? 0]));
  const soon = best.ops.filter(({ id, start }) => {
    const was = before.get(id);
    return was !== undefined && was !== start[0] && Math.min(was, start[0] ?? 0) < instance.now + SOON_MIN;
  });
  return {
    moves: movesWithWhy(instance, followed.ops, best.ops),
    sparedLate,
    sparedFinish,
    sparedChanges,
    soon: soon.length,
    boundSaid,
  };
}
