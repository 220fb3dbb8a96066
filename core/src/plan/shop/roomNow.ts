import { ROOM_C, STATIONS } from '../../work/index.ts';
import type { Station } from '../../work/index.ts';
import type { MachineState } from '../instance.ts';
import { spanOf } from './planPicture.ts';
import type { PicturedOp, PlanPicture } from './planPicture.ts';
import type { ShopInstance } from './shopInstance.ts';

/** Work that could begin now: nothing before it is missing. */
export interface WaitingOp {
  op: PicturedOp;
  /** Since when it could, min; `null` where it waited for nothing. */
  since: number | null;
}

/** A station as it is now: what runs, what waits, what rests before it, and what comes next. */
export interface StationNow {
  station: Station;
  running: readonly PicturedOp[];
  /** The one that could begin first on top. */
  waiting: readonly WaitingOp[];
  /** Has to rest until then, min. */
  resting: readonly { op: PicturedOp; until: number }[];
  /** What is planned here next, whether it waits already or not; `null` where nothing is. */
  next: PicturedOp | null;
}

/** A hand that is needed: from when on, and how much of a person. */
export interface HandsNeeded {
  op: PicturedOp;
  at: number;
  until: number;
  people: number;
}

/** Something that may not stand much longer. */
export interface Deadline {
  /** What has to be begun. */
  op: PicturedOp;
  /** By then, min. */
  by: number;
}

/** Stations in work order at which anything is, or is planned. */
export function stationsNow({ instance: { lags, now } }: ShopInstance, { ops }: PlanPicture): StationNow[] {
  const byId = new Map(ops.map((op) => [op.id, op]));
  const before = new Map<string, { op: PicturedOp; min: number }[]>();
  for (const { from, to, min } of lags) {
    const op = byId.get(from);
    if (op) before.set(to, [...(before.get(to) ?? []), { op, min }]);
  }
  // what is done may still rest on its rack: its end says until when
  const isOver = (op: PicturedOp): boolean => op.isFixed && !op.isRunning;
  const standing = (op: PicturedOp): { isFree: boolean; at: number | null } => {
    const own = before.get(op.id) ?? [];
    return {
      isFree: own.every(({ op: first }) => isOver(first)),
      at: own.length === 0 ? null : Math.max(...own.map(({ op: first, min }) => spanOf(first).to + min)),
    };
  };
  return STATIONS.map((station): StationNow => {
    const here = ops.filter((op) => op.station === station && spanOf(op).to > spanOf(op).from);
    const open = here.filter(({ isFixed }) => !isFixed).sort((p, q) => spanOf(p).from - spanOf(q).from);
    const free = open
      .map((op) => ({ op, ...standing(op) }))
      .filter(({ isFree }) => isFree)
      .map(({ op, at }) => ({ op, since: at }));
    return {
      station,
      running: here.filter(({ isRunning }) => isRunning),
      waiting: free
        .filter(({ since }) => since === null || since <= now)
        .sort((p, q) => (p.since ?? Infinity) - (q.since ?? Infinity)),
      resting: free.flatMap(({ op, since }) => (since !== null && since > now ? [{ op, until: since }] : [])),
      next: open[0] ?? null,
    };
  }).filter(({ running, next }) => running.length > 0 || next !== null);
}

/** The next so many times somebody is needed, soonest first: phases of one piece of work that follow each other are one. */
export function handsNeeded({ ops }: Pick<PlanPicture, 'ops'>, now: number, count: number): HandsNeeded[] {
  const all = ops.flatMap((op): HandsNeeded[] => {
    const found: HandsNeeded[] = [];
    for (const { from, to, people } of op.phases) {
      if (people === 0 || to <= now || to <= from) continue;
      const last = found.at(-1);
      if (last?.until === from && last.people === people) last.until = to;
      else found.push({ op, at: from, until: to, people });
    }
    return found;
  });
  return all.sort((p, q) => p.at - q.at).slice(0, count);
}

/** What is over and may not stand much longer before what follows it: wet ink, powder, pretreatment. Soonest first. */
export function deadlines(
  { instance: { lags } }: ShopInstance,
  { ops }: Pick<PlanPicture, 'ops'>,
): Deadline[] {
  const byId = new Map(ops.map((op) => [op.id, op]));
  return lags
    .flatMap(({ from, to, max }): Deadline[] => {
      const [first, op] = [byId.get(from), byId.get(to)];
      const isOpen = first !== undefined && op !== undefined && first.isFixed && !op.isFixed;
      return isOpen && max !== null ? [{ op, by: spanOf(first).to + max }] : [];
    })
    .sort((p, q) => p.by - q.by);
}

/** A machine that has to be switched on from cold: when, how hot, and when it is. */
export interface SwitchOn {
  machine: string;
  at: number;
  tempC: number;
  hotAt: number;
}

const isCold = (state: MachineState): boolean => typeof state === 'number' && state <= ROOM_C;

/** Machines that are switched on from cold from a minute until another, in order; the cool ones first where two begin together. */
export const switchedOn = (
  { changes }: Pick<PlanPicture, 'changes'>,
  [from, until]: readonly [number, number],
): SwitchOn[] =>
  changes
    .flatMap(({ machine, from: at, to: hotAt, before, after }): SwitchOn[] =>
      isCold(before) && typeof after === 'number' && !isCold(after) && from <= hotAt && at < until
        ? [{ machine, at, tempC: after, hotAt }]
        : [],
    )
    .sort((p, q) => p.at - q.at || p.tempC - q.tempC);

/** A gap in which nobody is there that is longer is a night, min: a lunch is none. */
const NIGHT_MIN = 180;

/** The next night: when the last leaves, and when somebody is back; `null` where nobody is there any more, or always is. */
export function nextNight({
  instance: { people, now, horizon },
}: ShopInstance): { leave: number; back: number } | null {
  const there = people.filter(([, , many]) => many > 0);
  for (const [i, [, leave]] of there.entries()) {
    const back = there[i + 1]?.[0] ?? horizon;
    if (leave > now && back - leave >= NIGHT_MIN) return { leave, back };
  }
  return null;
}

/** What a night does to what is made: what has to go on before it, and what rests through it. */
export interface Overnight {
  /** Wet film, loose powder, pretreated garments: would be spoiled by the morning. Soonest first. */
  mustGoOn: readonly Deadline[];
  /** Racks and lines that rest until after somebody is back, or are through with it meanwhile, min. */
  resting: readonly { lines: readonly string[]; title: string; until: number }[];
}

/** What must not be left when the last leaves, and what may. */
export function overnight(
  shop: ShopInstance,
  picture: PlanPicture,
  { leave, back }: { leave: number; back: number },
): Overnight {
  const byId = new Map(picture.ops.map((op) => [op.id, op]));
  const drying = shop.instance.lags.flatMap(({ from, to, min }): Overnight['resting'][number][] => {
    const [first, then] = [byId.get(from), byId.get(to)];
    if (first === undefined || then === undefined || min === 0) return [];
    const { to: end } = spanOf(first);
    return end <= leave && end + min > leave
      ? [{ lines: first.lines, title: first.title, until: end + min }]
      : [];
  });
  // what dries on its rack is drying as a part of its operation
  const racked = picture.ops.flatMap(({ machine, lines, title, phases }): Overnight['resting'][number][] => {
    const still = phases.find(({ from, to, people }) => people === 0 && from <= leave && to > leave);
    return machine === null && still ? [{ lines, title, until: still.to }] : [];
  });
  const lines = picture.orders.flatMap(({ id, through, tail }): Overnight['resting'][number][] =>
    through !== null && tail > 0 && through - tail <= leave && through > leave
      ? [{ lines: [id], title: '', until: through }]
      : [],
  );
  return {
    mustGoOn: deadlines(shop, picture).filter(({ by }) => by < back),
    resting: [...drying, ...racked, ...lines].sort((p, q) => p.until - q.until),
  };
}
