import { READY_ITEMS } from '@saltflat/core/care';
import { RUN_EVENT_KINDS, VERDICTS } from '@saltflat/core/run';
import { FLOWS, ROLES } from '@saltflat/core/work';
import { Type } from 'typebox';
import { ArtOverrule } from './orders.ts';
import { PLACEMENT_KEYS } from './placements.ts';
import { Process } from './process.ts';
import { RouteDocument } from './routes.ts';
import {
  Cursor,
  Id,
  Instant,
  MOST_ROWS,
  PrintId,
  nullable,
  shortText,
  stretch,
  strictObject,
} from './scalars.ts';
import type { Static } from './scalars.ts';

const Payload = strictObject({
  reading: Type.Optional(
    strictObject({
      what: Type.Enum(['before', 'after']),
      massG: Type.Number({ title: 'Mass, g', minimum: 0, maximum: 20000 }),
    }),
  ),
  inspection: Type.Optional(
    strictObject({
      verdict: Type.Enum([...VERDICTS]),
      faults: Type.Array(shortText('Fault', 40), { maxItems: 10 }),
      note: Type.Optional(shortText('Note', 500)),
      photo: Type.Optional(Type.String({ pattern: '^[0-9a-f]{64}$' })),
    }),
  ),
  phase: Type.Optional(Type.Integer({ title: 'Phase', minimum: 1, maximum: 100 })),
  ready: Type.Optional(
    strictObject({
      missed: Type.Array(Type.Enum([...READY_ITEMS]), { title: 'Left out', uniqueItems: true }),
      nozzlesMissing: nullable(Type.Integer({ title: 'Nozzles missing', minimum: 0, maximum: 1000 })),
    }),
  ),
  lost: Type.Optional(
    strictObject({
      part: shortText('Part', 120),
      isReplaced: Type.Boolean(),
      faults: Type.Array(shortText('Fault', 40), { maxItems: 10 }),
      note: Type.Optional(shortText('Note', 500)),
      photo: Type.Optional(Type.String({ pattern: '^[0-9a-f]{64}$' })),
    }),
  ),
  flow: Type.Optional(Type.Enum([...FLOWS], { title: 'Flow' })),
  problem: Type.Optional(shortText('Problem', 500)),
  eventId: Type.Optional(Id),
});

/** An event as a device sends it. Sending it again is harmless. */
export const RunEventInput = strictObject({
  id: Id,
  clientId: Id,
  clientSeq: Type.Integer({ minimum: 1, maximum: MOST_ROWS }),
  kind: Type.Enum([...RUN_EVENT_KINDS]),
  step: nullable(shortText('Step', 20_000)),
  at: Instant,
  deviceAt: Instant,
  by: shortText('Who', 60),
  payload: Payload,
});
export type RunEventInput = Static<typeof RunEventInput>;

export const RunEvents = strictObject({ events: Type.Array(RunEventInput, { minItems: 1, maxItems: 500 }) });

/** On the floor together. */
export const MOST_LINES = 40;

/** Lines that go on the floor together, by themselves or with film that they share. */
export const RunStart = strictObject({
  lineIds: Type.Array(Id, { title: 'Lines', minItems: 1, maxItems: MOST_LINES, uniqueItems: true }),
  /** Film that carries transfers of several of these lines: for which of their pieces, counted from 1. */
  sheets: Type.Optional(
    Type.Array(
      Type.Array(
        strictObject({
          lineId: Id,
          /** Which of the line’s prints. */
          print: shortText('Print', 20),
          pieces: Type.Array(Type.Integer({ minimum: 1, maximum: 99_999 }), {
            title: 'Pieces',
            minItems: 1,
            maxItems: 2000,
            uniqueItems: true,
          }),
        }),
        { title: 'Sheet', minItems: 1, maxItems: MOST_LINES },
      ),
      { title: 'Sheets', maxItems: 200 },
    ),
  ),
  by: shortText('Who', 60),
});
export type RunStart = Static<typeof RunStart>;

const StoredEvent = strictObject({
  id: Id,
  clientId: Id,
  clientSeq: Type.Integer(),
  kind: Type.Enum([...RUN_EVENT_KINDS]),
  step: nullable(Type.String()),
  at: Instant,
  by: Type.String(),
  payload: Payload,
});
export type StoredEvent = Static<typeof StoredEvent>;

const line = {
  /** Its name within the run. */
  key: Type.String(),
  lineId: Id,
  orderId: Id,
  code: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  garment: Type.String(),
  /** Its style, whatever the colour: what a platen is set for. */
  style: Type.String(),
  colourHex: Type.String(),
  prints: Type.Array(
    strictObject({ id: PrintId, placement: Type.Enum([...PLACEMENT_KEYS]), artworkId: nullable(Id) }),
  ),
  routeNumber: Type.Integer(),
  pieces: Type.Integer(),
  /** Who has the art printed though something stops it. */
  artOverrule: nullable(ArtOverrule),
  finishedAt: nullable(Instant),
};
const RunLineHead = strictObject(line);
/** A line on the floor with the route it is made by. */
export const RunLine = strictObject({ ...line, route: RouteDocument });
export type RunLine = Static<typeof RunLine>;
const own = {
  id: Id,
  startedBy: Type.String(),
  createdAt: Instant,
  finishedAt: nullable(Instant),
  /** The layout its sheets were put on the floor with; `null` where they were not laid out. */
  layout: nullable(strictObject({ id: Id, code: Type.String() })),
};

/** A run as a list names it. */
export const RunHead = strictObject({
  ...own,
  lines: Type.Array(RunLineHead, { minItems: 1 }),
  /** How many events it has: whoever knows as many knows all of it. */
  eventCount: Type.Integer(),
});
export type RunHead = Static<typeof RunHead>;

/** Film that lines share: the parts on it, by their names within the run. */
export const SharedSheet = strictObject({
  id: Type.String(),
  parts: Type.Array(Type.String(), { minItems: 1 }),
});

/** A transfer that film carries for another run, where one of its own was spoiled. */
export const Guest = strictObject({
  /** The shared sheet it is on; `null` for film that carries nothing else. */
  sheet: nullable(Type.String()),
  runId: Id,
  /** Its name within that run. */
  part: Type.String(),
  /** “K-212 3”. */
  code: Type.String(),
});
export type Guest = Static<typeof Guest>;

/** A run with the routes of its lines and everything that happened, in the order it arrived. */
export const Run = strictObject({
  ...own,
  lines: Type.Array(RunLine, { minItems: 1 }),
  sheets: Type.Array(SharedSheet),
  guests: Type.Array(Guest),
  events: Type.Array(StoredEvent),
});
export type Run = Static<typeof Run>;

/** What a device is told for events it sent: not the run, which it knows, but how far the server has come. */
export const RunReceipt = strictObject({
  runId: Id,
  eventCount: Type.Integer(),
  finishedAt: nullable(Instant),
});
export type RunReceipt = Static<typeof RunReceipt>;

/** Events of a run that arrived after as many as the asker knows. */
export const RunNews = strictObject({
  runId: Id,
  eventCount: Type.Integer(),
  finishedAt: nullable(Instant),
  events: Type.Array(StoredEvent),
});
export type RunNews = Static<typeof RunNews>;
export const RunNewsQuery = strictObject({
  after: Type.Integer({ title: 'After, events', minimum: 0, maximum: MOST_ROWS }),
});

/** What a page knows of the floor: of each run how many events it has. */
export const FloorKnown = strictObject({
  known: Type.Array(strictObject({ runId: Id, events: Type.Integer({ minimum: 0, maximum: MOST_ROWS }) }), {
    title: 'Known runs',
    maxItems: 400,
  }),
});
export type FloorKnown = Static<typeof FloorKnown>;

/** A run on the floor, or one that a page knows: whole where it is new to the page, else the events that are. */
export const FloorRun = strictObject({ ...RunNews.properties, whole: nullable(Run) });
export type FloorRun = Static<typeof FloorRun>;
/** The floor as it is now, newest run first. */
export const Floor = strictObject({ runs: Type.Array(FloorRun) });
export type Floor = Static<typeof Floor>;

export const RunQuery = strictObject({
  state: Type.Optional(Type.Enum(['active', 'finished'], { title: 'State' })),
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 200 })),
  cursor: Type.Optional(Cursor),
});
export type RunQuery = Static<typeof RunQuery>;
export const RunPage = stretch(RunHead);
export type RunPage = Static<typeof RunPage>;

/** One piece that came out, as the ledger lists it. */
export const LedgerRow = strictObject({
  runId: Id,
  orderId: Id,
  lineId: Id,
  code: Type.String(),
  customer: Type.String(),
  garment: Type.String(),
  processes: Type.Array(Process),
  routeNumber: Type.Integer(),
  /** Who had the art printed though something stopped it. */
  artOverrule: nullable(ArtOverrule),
  piece: Type.Integer(),
  verdict: Type.Enum([...VERDICTS]),
  faults: Type.Array(Type.String()),
  note: nullable(Type.String()),
  photo: nullable(Type.String()),
  by: Type.String(),
  at: Instant,
  plateC: nullable(Type.Number()),
  dwellS: nullable(Type.Number()),
  actualDwellS: nullable(Type.Number()),
  pretreatmentG: nullable(Type.Number()),
  pretreatmentTargetG: nullable(Type.Number()),
  /** Where it was printed, melted, sprayed, pressed and cured; what else was in it is in the step’s name. */
  made: Type.Array(
    strictObject({
      role: Type.Enum([...ROLES]),
      step: Type.String(),
      /** It was begun so long after its window had closed, s. */
      lateS: Type.Optional(Type.Integer({ minimum: 1 })),
      /** Of a print: what was left out or not right before it, where somebody noted that. */
      missed: Type.Optional(Type.Array(Type.Enum([...READY_ITEMS]))),
    }),
  ),
  /** Lots of materials that were in use then, as far as they are known. */
  lots: Type.Array(strictObject({ material: Type.String(), lot: Type.String() })),
});
export type LedgerRow = Static<typeof LedgerRow>;

export const LedgerQuery = strictObject({
  search: Type.Optional(Type.String({ title: 'Search', maxLength: 120 })),
  verdict: Type.Optional(Type.Enum([...VERDICTS], { title: 'Verdict' })),
  fault: Type.Optional(Type.String({ title: 'Fault', maxLength: 40 })),
  process: Type.Optional(Process),
  /** Pieces of one run, and of one of its steps: a sheet of film, a load, a press. */
  run: Type.Optional(Id),
  step: Type.Optional(
    Type.String({
      title: 'Step',
      maxLength: 4000,
      pattern: '^[a-z0-9-]+/[a-z0-9.,+~-]+$',
      help: 'a step’s name, as press/1.blank.3',
    }),
  ),
  cursor: Type.Optional(Cursor),
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 500 })),
});
export type LedgerQuery = Static<typeof LedgerQuery>;

/** The last so many days of somebody's own calendar. */
export const LedgerDaysQuery = strictObject({
  zone: Type.String({
    title: 'Time zone',
    maxLength: 60,
    pattern: '^[A-Za-z0-9_+/-]+$',
    help: 'a zone as Europe/Lisbon',
  }),
  days: Type.Optional(Type.Integer({ title: 'Days', minimum: 1, maximum: 92 })),
});
export type LedgerDaysQuery = Static<typeof LedgerDaysQuery>;

/** What came out day by day, and the ink that its routes reckon with; oldest first, days without a piece left out. */
export const LedgerDays = strictObject({
  days: Type.Array(
    strictObject({
      day: Type.String(),
      good: Type.Integer(),
      reprint: Type.Integer(),
      scrap: Type.Integer(),
      inks: Type.Array(strictObject({ what: Type.String(), ml: Type.Number() })),
    }),
  ),
});
export type LedgerDays = Static<typeof LedgerDays>;

/** One page of what came out. The counts are of all that is asked for; where words are sought that many have, `isMore` says that they are of the latest alone. */
export const LedgerPage = strictObject({
  items: Type.Array(LedgerRow),
  nextCursor: nullable(Type.String()),
  total: Type.Integer(),
  isMore: Type.Boolean(),
  counts: strictObject({ good: Type.Integer(), reprint: Type.Integer(), scrap: Type.Integer() }),
});
export type LedgerPage = Static<typeof LedgerPage>;
