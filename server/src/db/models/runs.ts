import type { Run } from '@saltflat/contract';
import type { MoreSpares } from '@saltflat/core/route';
import { RUN_EVENT_KINDS, VERDICTS } from '@saltflat/core/run';
import type { MadeIn, RunEventKind, RunEventPayload, Verdict } from '@saltflat/core/run';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import {
  TABLE,
  columns,
  decimal,
  instant,
  integer,
  json,
  key,
  named,
  oneOf,
  orNull,
  text,
  texts,
  uuid,
} from './columns.ts';
import type { RouteRow } from './routes.ts';

export interface RunRow extends Model<InferAttributes<RunRow>, InferCreationAttributes<RunRow>> {
  id: string;
  /** Film that its lines share. */
  sheets: Run['sheets'];
  /** Transfers that it carries for other runs. */
  guests: Run['guests'];
  /** The layout they were put on the floor with. */
  layoutId: string | null;
  startedBy: string;
  createdAt: Date;
  finishedAt: Date | null;
  /** Events it has: who knows as many knows all of them. */
  eventCount: CreationOptional<number>;
}

export const defineRun = (sequelize: Sequelize) =>
  sequelize.define<RunRow>(
    'run',
    columns({
      id: key,
      sheets: json,
      guests: json,
      layoutId: orNull(uuid),
      startedBy: text,
      createdAt: instant,
      finishedAt: orNull(instant),
      eventCount: { ...integer, defaultValue: 0 },
    }),
    TABLE,
  );

/** One line in a run, and the route it is made by. */
export interface RunLineRow extends Model<InferAttributes<RunLineRow>, InferCreationAttributes<RunLineRow>> {
  runId: string;
  /** Its name within the run. */
  key: string;
  lineId: string;
  routeVersionId: string;
  /** By {@link processKey}. */
  processes: string;
  pieces: number;
  finishedAt: Date | null;
  /** Transfers its film carries beyond those of its route. */
  more: CreationOptional<MoreSpares>;
  /** Transfers it printed, and lost before they were on a piece; once it is finished. */
  filmMade: CreationOptional<number>;
  filmLost: CreationOptional<number>;
  version?: NonAttribute<RouteRow>;
}

export const defineRunLine = (sequelize: Sequelize) =>
  sequelize.define<RunLineRow>(
    'run_line',
    columns({
      runId: { ...uuid, primaryKey: true },
      key: { ...text, primaryKey: true },
      lineId: uuid,
      routeVersionId: uuid,
      processes: text,
      pieces: integer,
      finishedAt: orNull(instant),
      more: { ...json, defaultValue: {} },
      filmMade: { ...integer, defaultValue: 0 },
      filmLost: { ...integer, defaultValue: 0 },
    }),
    TABLE,
  );

/** Something that happened on a device: written once, never changed. */
export interface EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
  id: string;
  runId: string;
  /** Counts a run's events up from 1 in the order they arrived. */
  place: number;
  clientId: string;
  clientSeq: number;
  kind: RunEventKind;
  step: string | null;
  at: Date;
  deviceAt: Date;
  serverAt: Date;
  byName: string;
  payload: RunEventPayload;
}

export const defineEvent = (sequelize: Sequelize) =>
  sequelize.define<EventRow>(
    'run_event',
    columns({
      id: key,
      runId: uuid,
      place: integer,
      clientId: uuid,
      clientSeq: integer,
      kind: oneOf(RUN_EVENT_KINDS),
      step: orNull(text),
      at: instant,
      deviceAt: instant,
      serverAt: instant,
      byName: text,
      payload: json,
    }),
    TABLE,
  );

/** How a piece came out, with what it really had. Follows the events; never the truth itself. */
export interface OutcomeRow extends Model<InferAttributes<OutcomeRow>, InferCreationAttributes<OutcomeRow>> {
  runId: string;
  piece: number;
  lineId: string;
  /** By {@link processKey}. */
  processes: string;
  verdict: Verdict;
  faults: string[];
  note: string | null;
  photo: string | null;
  byName: string;
  at: Date;
  plateC: number | null;
  dwellS: number | null;
  actualDwellS: number | null;
  pretreatmentG: number | null;
  pretreatmentTargetG: number | null;
  made: MadeIn[];
  lots: { material: string; lot: string }[];
  /** What the ledger is searched by, in small letters. */
  searchText: string;
}

export const defineOutcome = (sequelize: Sequelize) =>
  sequelize.define<OutcomeRow>(
    'outcome',
    columns({
      runId: { ...uuid, primaryKey: true },
      piece: { ...integer, primaryKey: true },
      lineId: uuid,
      processes: text,
      verdict: oneOf(VERDICTS),
      faults: texts,
      note: orNull(text),
      photo: orNull(text),
      byName: text,
      at: instant,
      plateC: named('plate_c', orNull(decimal)),
      dwellS: named('dwell_s', orNull(decimal)),
      actualDwellS: named('actual_dwell_s', orNull(decimal)),
      pretreatmentG: named('pretreatment_g', orNull(decimal)),
      pretreatmentTargetG: named('pretreatment_target_g', orNull(decimal)),
      made: json,
      lots: json,
      searchText: text,
    }),
    TABLE,
  );

/** How many pieces of a process came out so: counted as they do, so that nobody has to count a past of years. */
export interface TallyRow extends Model<InferAttributes<TallyRow>, InferCreationAttributes<TallyRow>> {
  /** By {@link processKey}. */
  processes: string;
  verdict: Verdict;
  pieces: number;
}

export const defineTally = (sequelize: Sequelize) =>
  sequelize.define<TallyRow>(
    'outcome_tally',
    columns({
      processes: { ...text, primaryKey: true },
      verdict: { ...oneOf(VERDICTS), primaryKey: true },
      pieces: integer,
    }),
    TABLE,
  );
