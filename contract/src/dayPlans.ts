import type { PlanPicture } from '@saltflat/core/plan';
import type { RunOperation, RunState } from '@saltflat/core/run';
import { LONGEST_MIN } from '@saltflat/core/plan';
import type { WorkPace } from '@saltflat/core/learn';
import { FLOWS, ROLES, STATIONS, inOwnTime, workKind } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import type { Route } from '@saltflat/core/route';
import { Type } from 'typebox';
import { WrittenLine } from './comparisons.ts';
import { LINE_STATES } from './orders.ts';
import { RouteLane, RouteOperation } from './routes.ts';
import { SharedSheet } from './runs.ts';
import { Id, Instant, MOST_ROWS, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { ShopCalendar } from './workCalendar.ts';
import { DayPace } from './workTimes.ts';

/** What a plan needs of an operation of a route. */
export type PlannedOperation = RunOperation & Pick<Operation, 'title'> & { pace: WorkPace | null };

const PARTS = [
  'id', 'role', 'station', 'title', 'lane', 'takes', 'awaits', 'unit', 'size', 'modes', 'waitAfter', 'weighIn',
] as const; // prettier-ignore

const PlannedOperationDocument = Type.Unsafe<PlannedOperation>(
  strictObject({
    ...(Object.fromEntries(PARTS.map((key) => [key, RouteOperation.properties[key]])) as Pick<
      typeof RouteOperation.properties,
      (typeof PARTS)[number]
    >),
    pace: nullable(
      strictObject({
        count: Type.Integer(),
        hands: Type.Number(),
        machine: Type.Number(),
        spread: nullable(Type.Number()),
      }),
    ),
  }),
);

/**
 * The part of a route that a plan is made of: what lies under the plate is no business of it.
 *
 * @param paceOf how the shop’s own time of a kind of work differs from what routes assume
 */
export const plannedPart = (
  { lanes, operations, restBeforeDispatchS }: Pick<Route, 'lanes' | 'operations' | 'restBeforeDispatchS'>,
  paceOf: (kind: string) => WorkPace | null,
) => ({
  lanes,
  restBeforeDispatchS,
  operations: operations.map((own): PlannedOperation => {
    const { id, role, station, title, lane, takes, awaits, unit, size, waitAfter, weighIn } = own;
    const pace = paceOf(workKind(own));
    const modes = (pace === null ? own : inOwnTime(own, pace)).modes.map((mode) => ({
      ...mode,
      phases: mode.phases.map((phase) => ({ ...phase, heat: null })),
    }));
    return { id, role, station, title, lane, takes, awaits, unit, size, modes, waitAfter, weighIn, pace };
  }),
});

const PlanLine = strictObject({
  /** Its name within what is made in one go. */
  key: Type.String(),
  lineId: Id,
  orderId: Id,
  code: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  garment: Type.String(),
  colourHex: Type.String(),
  routeNumber: Type.Integer(),
  pieces: Type.Integer(),
  /** When what is bought in for it is here; `null` where nothing is. */
  materialsAt: nullable(Instant),
  /** Made for the shelf: nobody waits for it. */
  isForShelf: Type.Boolean(),
  /** Transfers on the shelf, enough for all its pieces, that would do in place of printing its own; `null` where none do. */
  onShelf: nullable(Type.String()),
  /** Film, powder and printer of its transfers: lines of which they are the same could share film; `null` where it has none, or several prints on film. */
  film: nullable(Type.String()),
  lanes: Type.Array(RouteLane),
  operations: Type.Array(PlannedOperationDocument),
  /** Rest after the last of them before a piece may leave, s. */
  restBeforeDispatchS: Type.Number({ minimum: 0 }),
});
export type PlanLine = Static<typeof PlanLine>;

/** Where a run stands, as far as a plan asks. */
const PlanStanding = Type.Unsafe<Pick<RunState, 'steps' | 'parts'>>(
  strictObject({
    steps: Type.Array(Type.Object({ id: Type.String() })),
    parts: Type.Record(Type.String(), Type.Object({ id: Type.String() })),
  }),
);

/** Lines that are made in one go: on the floor, by a layout they share, or one by itself. */
const PlanJob = strictObject({
  /** Stays the same from before it is on the floor until it is done. */
  key: Type.String(),
  runId: nullable(Id),
  layout: nullable(strictObject({ id: Id, code: Type.String() })),
  flow: Type.Enum([...FLOWS]),
  sheets: Type.Array(SharedSheet),
  lines: Type.Array(PlanLine, { minItems: 1 }),
  /** `null` while it is not on the floor. */
  stands: nullable(PlanStanding),
});
export type PlanJob = Static<typeof PlanJob>;

const Minute = Type.Integer({ minimum: -LONGEST_MIN, maximum: 2 * LONGEST_MIN });
/** Orders may be due years from now, or have been due long ago. */
const FarMinute = Type.Integer({ minimum: -1e8, maximum: 1e8 });
const MachineState = Type.Union([Type.Number(), Type.String({ maxLength: 40 })]);
const Name = (maximum = 200) => Type.String({ minLength: 1, maxLength: maximum });
const MOST_OPS = 5000;
const STEP_NAME = 20_200; // a step’s name with what it is made in

/** A plan as it is kept: minutes from its epoch. */
export const DayPlanDocument = Type.Unsafe<PlanPicture & { epoch: string; zone: string }>(
  strictObject({
    epoch: Instant,
    zone: Name(60),
    ops: Type.Array(
      strictObject({
        id: Name(STEP_NAME),
        job: Name(),
        lines: Type.Array(Id, { minItems: 1, maxItems: 200 }),
        operation: Name(),
        role: Type.Enum([...ROLES]),
        station: Type.Enum([...STATIONS]),
        title: Name(),
        parts: Type.Integer({ minimum: 0, maximum: 100_000 }),
        isRunning: Type.Boolean(),
        machine: nullable(Name()),
        state: nullable(MachineState),
        phases: Type.Array(strictObject({ from: Minute, to: Minute, people: Type.Integer({ minimum: 0 }) }), {
          minItems: 1,
          maxItems: 50,
        }),
        isFixed: Type.Boolean(),
        isLocked: Type.Boolean(),
      }),
      { maxItems: MOST_OPS },
    ),
    changes: Type.Array(
      strictObject({
        machine: Name(),
        from: Minute,
        to: Minute,
        before: MachineState,
        after: MachineState,
        people: Type.Integer({ minimum: 0 }),
      }),
      { maxItems: MOST_OPS },
    ),
    orders: Type.Array(
      strictObject({
        id: Id,
        from: nullable(Minute),
        through: nullable(Minute),
        due: FarMinute,
        tail: Type.Integer({ minimum: 0 }),
      }),
      { maxItems: MOST_OPS },
    ),
    load: Type.Array(
      Type.Unsafe<readonly [number, number, number]>(Type.Array(Minute, { minItems: 3, maxItems: 3 })),
      {
        maxItems: 4 * MOST_OPS,
      },
    ),
  }),
);
export type DayPlanDocument = Static<typeof DayPlanDocument>;

export const DayPlanInput = strictObject({
  /** Number of the plan that was looked at; 0 where there was none. */
  basedOn: Type.Integer({ title: 'Based on', minimum: 0, maximum: MOST_ROWS }),
  document: DayPlanDocument,
  by: shortText('Who', 60),
});
export type DayPlanInput = Static<typeof DayPlanInput>;

/** Lines that are not taken in yet, to be planned together with what is. */
export const WantedQuery = strictObject({
  dueAt: Type.String({ format: 'date-time', title: 'Due' }),
  lines: Type.Array(WrittenLine, { title: 'Lines', minItems: 1, maxItems: 20 }),
});
export type WantedQuery = Static<typeof WantedQuery>;

export const WantedAnswer = strictObject({
  /** One for each line that can be made. */
  jobs: Type.Array(PlanJob),
  /** Lines that cannot be, from 0, and why. */
  refused: Type.Array(strictObject({ line: Type.Integer(), why: Type.String() })),
});
export type WantedAnswer = Static<typeof WantedAnswer>;

/** The plan everybody follows. */
export const DayPlan = strictObject({
  number: Type.Integer(),
  by: Type.String(),
  at: Instant,
  document: DayPlanDocument,
});
export type DayPlan = Static<typeof DayPlan>;

/** What of the plan is still to come today, minutes from midnight. */
export const PlanComing = strictObject({
  /** The shop’s midnight, and where it is. */
  epoch: Instant,
  zone: Type.String(),
  /** When the first comes and the last leaves; `null` where nobody works today. */
  shift: nullable(strictObject({ from: Minute, to: Minute })),
  /** When nobody is there in between. */
  breaks: Type.Array(strictObject({ from: Minute, to: Minute })),
  /** When hands are needed at all. */
  busy: Type.Array(strictObject({ from: Minute, to: Minute })),
  /** Hands that are needed next, and for the first time by what is made in one go; soonest first. */
  hands: Type.Array(
    strictObject({
      from: Minute,
      to: Minute,
      /** Codes of its orders, what it is, and where. */
      codes: Type.Array(Type.String()),
      title: Type.String(),
      station: Type.Enum([...STATIONS]),
      lineId: nullable(Id),
      /** `null` while it is not on the floor. */
      runId: nullable(Id),
    }),
  ),
});
export type PlanComing = Static<typeof PlanComing>;

/** All that a plan is made of, as the shop stands. */
export const PlanGround = strictObject({
  calendar: ShopCalendar,
  jobs: Type.Array(PlanJob),
  /** Open lines that cannot be planned yet, and how they stand. */
  waiting: Type.Array(
    strictObject({
      lineId: Id,
      orderId: Id,
      code: Type.String(),
      customer: Type.String(),
      dueAt: Instant,
      state: Type.Enum([...LINE_STATES]),
    }),
  ),
  /** More lines are open than are planned: the soonest due are. */
  isMore: Type.Boolean(),
  /** Materials of which less is noted than the lines due within a week still take, the shortest first. */
  short: Type.Array(
    strictObject({
      id: Id,
      name: Type.String(),
      stockUnit: Type.String(),
      stock: Type.Number({ minimum: 0 }),
      needs: Type.Number({ minimum: 0 }),
    }),
  ),
  /** How much days differ here; how long each work takes is in the work above. */
  pace: DayPace,
  /** The plan that is followed; `null` where nobody has kept one. */
  kept: nullable(DayPlan),
});
export type PlanGround = Static<typeof PlanGround>;
