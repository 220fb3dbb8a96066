import type { WorkPace } from '../../learn/index.ts';
import type { RunLine, RunOperation, RunPlan, RunState } from '../../run/index.ts';
import { calendarOf, pausedEnd } from '../calendar.ts';
import type { Calendar } from '../calendar.ts';
import type {
  LockedOp,
  PlanInstance,
  PlanLag,
  PlanMode,
  PlanOp,
  PlanOrder,
  PlanPhase,
  PlannedOp,
} from '../instance.ts';
import { workOfRun } from '../workOfRun.ts';
import type { BegunOp, PlanWork } from '../workOfRun.ts';
import { machinesFor, missingMachine, planMachine, poolsOf } from './shopMachines.ts';
import type { ShopMachine } from './shopMachines.ts';
import { machineThere, peopleThere } from './workCalendar.ts';
import type { MinuteOf, Stretch, WorkCalendar } from './workCalendar.ts';

/** An order line that is planned. */
export interface ShopLine {
  id: string;
  /** “K-212”. */
  code: string;
  customer: string;
  dueMs: number;
  /** Rest after the last operation before a piece may leave, s. */
  restS: number;
  /** When what it needs is here; `null` where it is. */
  releaseMs: number | null;
  /** What a minute too late costs against others. */
  weight: number;
}

/** Lines that are made in one go: on the floor already, by a layout they share, or one by itself. */
export interface ShopJob {
  /** Stays the same from before it is put on the floor until it is done. */
  key: string;
  plan: RunPlan;
  /** `null` for what is not on the floor yet. */
  state: Pick<RunState, 'steps' | 'parts'> | null;
  /** The order lines of the plan, in its order. */
  lines: readonly ShopLine[];
  /** What an operation of one of its lines is called. */
  titleOf: (line: RunLine, operation: RunOperation) => string;
  /** By how much the shop’s own time of it differs from what its route assumed, where it was timed: it is in the plan’s work already. */
  paceOf: (line: RunLine, operation: RunOperation) => WorkPace | null;
}

export interface ShopNow {
  jobs: readonly ShopJob[];
  machines: readonly ShopMachine[];
  calendar: WorkCalendar;
  /** The plan’s minute 0, and now. */
  epochMs: number;
  nowMs: number;
  /** Days that are planned, from the one minute 0 lies in, as “2026-06-03”. */
  days: readonly string[];
  minuteOf: MinuteOf;
  /** Where the plan stands that is followed now. */
  former: readonly FormerOp[];
  /** What somebody put where it is: the machine, and the start of each phase. */
  locks: readonly FormerOp[];
}

/** Where an operation lies in a plan that was kept: its machine, and the start of each phase. */
export interface FormerOp {
  id: string;
  machine: string | null;
  startMs: readonly number[];
}

/** An operation of a plan, as people know it. */
export interface ShopOp {
  id: string;
  job: string;
  /** The order lines it is for. */
  lines: readonly string[];
  operation: string;
  role: RunOperation['role'];
  station: RunOperation['station'];
  title: string;
  /** Parts in it that are not done. */
  parts: number;
  /** When it was begun on the floor; `null` where it was not. */
  sinceMs: number | null;
  isRunning: boolean;
  /** How the shop’s own time differs from what its route assumed; `null` where it was not timed often enough. */
  pace: WorkPace | null;
}

/** The open shop as a problem to be planned, and what its operations are. */
export interface ShopInstance {
  instance: PlanInstance;
  about: ReadonlyMap<string, ShopOp>;
  /** The plan that is followed, as far as its operations are there and have not begun. */
  former: readonly PlannedOp[];
}

const MINUTE_MS = 60_000;
/** What has begun is finished whenever somebody is there: nothing of it is asked to come at once any more. */
const ANY_WAIT_MIN = 14 * 1440;

/**
 * The open shop as a problem to be planned. What has begun on the floor is fixed with its real start and what is left of
 * it; a press that was hot is hot; what is over is only there where something waits for it.
 */
export function shopInstance(shop: ShopNow): ShopInstance {
  const toMin = (ms: number): number => Math.floor((ms - shop.epochMs) / MINUTE_MS);
  const horizon = shop.minuteOf(shop.days.at(-1)!, 1440);
  const now = Math.max(0, Math.ceil((shop.nowMs - shop.epochMs) / MINUTE_MS));
  const people = peopleThere(shop.calendar, shop.days, shop.minuteOf);
  const windows = new Map(
    shop.machines.map(({ id }) => [id, machineThere(shop.calendar, id, shop.days, shop.minuteOf)]),
  );
  const works = shop.jobs.map((job) => ({ job, work: workOfJob(shop, job) }));
  const floor = onFloor(works, { now, toMin, windows, calendar: calendarOf({ horizon, people }) });
  const used = new Set(floor.ops.flatMap(({ modes }) => modes.map(({ machine }) => machine)));
  const pools = poolsOf(shop.machines);
  const ops = floor.ops.map((op) => ({ ...op, modes: op.modes.map((mode) => inPools(mode, pools)) }));
  const instance: PlanInstance = {
    name: '',
    horizon,
    people,
    machines: [...used].flatMap((id) => {
      if (id === null) return [];
      const machine = shop.machines.find((own) => own.id === id);
      if (machine === undefined) return [missingMachine(id)];
      const there = windows.get(id)!;
      return [
        planMachine(machine, there, {
          now,
          standingC: standingC(works, machine, { there, now, toMin, floor }),
        }),
      ];
    }),
    pools,
    orders: works
      .flatMap(({ job }) => ordersOf(job, toMin))
      .filter(({ id }) => ops.some((op) => op.orders.includes(id))),
    ops,
    lags: floor.lags,
    now,
    fixed: floor.fixed,
    locked: [],
    planned: [],
  };
  const fixed = new Set(floor.fixed.map(({ id }) => id));
  const given = (all: readonly FormerOp[]): LockedOp[] =>
    all.flatMap((own) => {
      const op = ops.find(({ id }) => id === own.id);
      return op === undefined || fixed.has(own.id) ? [] : givenOf(op, own, toMin);
    });
  const former = given(shop.former);
  return {
    instance: {
      ...instance,
      planned: former.map(({ id, start }) => ({ id, start: Math.max(0, start[0]) })),
      locked: given(shop.locks).filter(({ start }) => start[0] >= now),
    },
    about: aboutOf(works, ops),
    former: former.map((own) => ({ ...own, setup: null })),
  };
}

/** An operation where a plan had it; none where it is not done like that any more. */
function givenOf({ modes }: PlanOp, { id, machine, startMs }: FormerOp, toMin: When['toMin']): LockedOp[] {
  const mode = modes.findIndex((own) => own.machine === machine && own.phases.length === startMs.length);
  return mode < 0 ? [] : [{ id, mode, start: startMs.map(toMin) }];
}

interface JobWork {
  job: ShopJob;
  work: PlanWork;
}

function workOfJob({ machines }: ShopNow, { key, plan, state, lines, titleOf }: ShopJob): PlanWork {
  const ids = new Map(plan.lines.map((line, i) => [line.key, lines[i]]));
  return workOfRun({
    key,
    plan,
    state,
    orderOf: (line) => ids.get(line.key)!.id,
    machinesFor: (mode) => machinesFor(machines, mode),
    labelOf: (line, operation) => `${ids.get(line.key)!.code} ${titleOf(line, operation)}`,
  });
}

/** Places that are not in the shop any more ask for nothing. */
const inPools = (mode: PlanMode, pools: PlanInstance['pools']): PlanMode => ({
  ...mode,
  pools: Object.fromEntries(Object.entries(mode.pools).filter(([id]) => pools.some((own) => own.id === id))),
});

interface Floor {
  ops: PlanOp[];
  lags: PlanLag[];
  fixed: PlannedOp[];
}

interface When {
  now: number;
  toMin: (ms: number) => number;
  windows: ReadonlyMap<string, readonly Stretch[]>;
  calendar: Calendar;
}

/** Puts what has happened on the floor into the problem. */
function onFloor(works: readonly JobWork[], when: When): Floor {
  const ops: PlanOp[] = [];
  const fixed: PlannedOp[] = [];
  const lags = works.flatMap(({ work }) => work.lags);
  const busy = new Set<string>();
  const over = new Map<string, number>();
  for (const { work } of works)
    for (const op of work.ops) {
      const begun = work.begun.get(op.id);
      if (begun === undefined || (begun.endedMs === null && !begun.isRunning)) ops.push(op);
      else if (begun.endedMs !== null)
        over.set(op.id, Math.max(0, Math.min(when.now, when.toMin(begun.endedMs))));
      else {
        const own = underWay(op, begun, when, busy);
        ops.push(own.op);
        if (own.fixed) fixed.push(own.fixed);
      }
    }
  // what is over stays as a point in time where something still waits for it, as a rest on its rack where it does
  const awaited = new Set(lags.filter(({ to }) => !over.has(to)).map(({ from }) => from));
  for (const { work } of works)
    for (const op of work.ops) {
      const end = over.get(op.id);
      if (end === undefined || !awaited.has(op.id)) continue;
      const { mode, at } = restingAt(work.aboutOf.get(op.id)!, end, when.now);
      ops.push({ ...op, modes: [mode] });
      fixed.push({ id: op.id, mode: 0, start: [at], setup: null });
    }
  const kept = new Set(ops.map(({ id }) => id));
  return {
    ops,
    fixed,
    lags: lags.filter(({ from, to }) => kept.has(from) && kept.has(to) && !over.has(to)),
  };
}

/** What is over, as a point in time; on its rack as long as it has to rest there. */
function restingAt(
  { operation, count }: { operation: RunOperation; count: number },
  end: number,
  now: number,
): { mode: PlanMode; at: number } {
  const [{ pools }] = operation.modes;
  const rest = pools.length > 0 ? Math.ceil((operation.waitAfter?.minS ?? 0) / 60) : 0;
  const isResting = end + rest > now;
  const phase: PlanPhase = { d: isResting ? rest : 0, ops: 0, brk: false, wait: 0 };
  return {
    mode: {
      machine: null,
      state: null,
      phases: [phase],
      pools: isResting ? Object.fromEntries(pools.map((pool) => [pool.id ?? pool.name, count])) : {},
    },
    at: isResting ? end : end + rest,
  };
}

/**
 * What is being worked at: fixed from its real start, which takes nobody any more, with what is left of it from now on.
 * Where its machine is not there now, or something else is on it, it holds no machine; where nobody comes to go on with it
 * today, it is work like any other.
 */
function underWay(
  op: PlanOp,
  begun: BegunOp,
  { now, toMin, windows, calendar }: When,
  busy: Set<string>,
): { op: PlanOp; fixed: PlannedOp | null } {
  const [mode] = op.modes;
  const window =
    mode.machine === null ? null : windows.get(mode.machine)?.find(([a, b]) => a <= now && now < b);
  if (window === undefined) return { op, fixed: null };
  const from = Math.min(now, Math.max(window?.[0] ?? 0, toMin(begun.startedMs), 0));
  // of a stream no more than the piece that is in hand can have gone by
  const one = mode.phases.reduce((sum, { d }) => sum + d, 0) / Math.max(1, begun.stepsLeft);
  const gone = Math.min(now - toMin(begun.runningMs ?? begun.startedMs), Math.floor(one));
  const left = leftOf(mode.phases, Math.max(0, gone));
  const starts: number[] = [];
  let at = now;
  for (const { d, ops: people, brk } of left) {
    const start = people > 0 || brk ? nextOpen(calendar, at) : at;
    starts.push(start);
    at = brk ? pausedEnd(calendar, start, d) : start + d;
  }
  if (at > (window?.[1] ?? calendar.horizon)) return { op, fixed: null };
  const isHeld = mode.machine !== null && !busy.has(mode.machine);
  if (isHeld) busy.add(mode.machine!);
  const past: PlanPhase[] = from < now ? [{ d: now - from, ops: 0, brk: false, wait: ANY_WAIT_MIN }] : [];
  const phases = [...past, ...left.map((own) => ({ ...own, wait: ANY_WAIT_MIN }))];
  const held: PlanMode = {
    ...mode,
    machine: isHeld ? mode.machine : null,
    state: isHeld ? mode.state : null,
    phases,
  };
  return {
    op: { ...op, modes: [held] },
    fixed: { id: op.id, mode: 0, start: [...past.map(() => from), ...starts], setup: null },
  };
}

/** First minute from one on in which anybody is there; the end of the plan where nobody comes any more. */
function nextOpen({ openBefore, openMinutes, openAt, horizon }: Calendar, from: number): number {
  const k = openBefore[Math.min(horizon, from)];
  return k < openMinutes ? openAt[k] : horizon;
}

/** Phases without their first so many minutes; the last of them has a minute left at least. */
function leftOf(phases: readonly PlanPhase[], minutes: number): PlanPhase[] {
  let gone = minutes;
  return phases.flatMap((phase, i): PlanPhase[] => {
    const isLast = i === phases.length - 1;
    const spent = Math.min(gone, isLast ? Math.max(0, phase.d - 1) : phase.d);
    gone -= spent;
    return spent === phase.d && !isLast ? [] : [{ ...phase, d: phase.d - spent }];
  });
}

/** Temperature a machine was last used at today, where nothing is on it now: it stands hot. */
function standingC(
  works: readonly JobWork[],
  { id: machine, heats }: ShopMachine,
  { there, now, toMin, floor }: Pick<When, 'now' | 'toMin'> & { there: readonly Stretch[]; floor: Floor },
): number | null {
  const window = there.find(([a, b]) => a < now && now < b);
  const isOn = floor.fixed.some(({ id }) =>
    floor.ops.some((op) => op.id === id && op.modes.some((mode) => mode.machine === machine)),
  );
  if (heats === null || window === undefined || isOn) return null;
  let last: { at: number; tempC: number } | null = null;
  for (const { job } of works)
    for (const { line, operation, startedAt, completedAt } of job.state?.steps ?? []) {
      const mode = job.plan.lines
        .find(({ key }) => key === line)
        ?.operations.find(({ id }) => id === operation)?.modes[0];
      const ms = completedAt ?? startedAt;
      if (mode?.machine?.id !== machine || mode.stateC === null || ms === null) continue;
      const at = toMin(Date.parse(ms));
      if (at >= window[0] && (last === null || at > last.at)) last = { at, tempC: mode.stateC };
    }
  return last?.tempC ?? null;
}

const ordersOf = (job: ShopJob, toMin: When['toMin']): PlanOrder[] =>
  job.lines.map(({ id, code, dueMs, restS, releaseMs, weight }) => ({
    id,
    name: code,
    due: toMin(dueMs),
    weight,
    release: releaseMs === null ? 0 : Math.max(0, toMin(releaseMs)),
    tail: Math.ceil(restS / 60),
  }));

function aboutOf(works: readonly JobWork[], ops: readonly PlanOp[]): Map<string, ShopOp> {
  const kept = new Set(ops.map(({ id }) => id));
  return new Map(
    works.flatMap(({ job, work }) =>
      work.ops
        .filter(({ id }) => kept.has(id))
        .map((op): [string, ShopOp] => {
          const about = work.aboutOf.get(op.id)!;
          const begun = work.begun.get(op.id);
          return [
            op.id,
            {
              id: op.id,
              job: job.key,
              lines: op.orders,
              operation: about.operation.id,
              role: about.operation.role,
              station: about.operation.station,
              title: job.titleOf(about.line, about.operation),
              parts: about.parts,
              sinceMs: begun?.startedMs ?? null,
              isRunning: begun?.isRunning ?? false,
              pace: job.paceOf(about.line, about.operation),
            },
          ];
        }),
    ),
  );
}
