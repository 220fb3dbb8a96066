import { RUN_EVENT_KINDS, VERDICTS } from '@saltflat/core/run';
import { Type } from 'typebox';
import { Process } from './process.ts';
import { RouteDocument } from './routes.ts';
import { Cursor, Id, Instant, MOST_ROWS, nullable, shortText, stretch, strictObject } from './scalars.ts';
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
  problem: Type.Optional(shortText('Problem', 500)),
  eventId: Type.Optional(Id),
});

/** An event as a device sends it. Sending it again is harmless. */
export const RunEventInput = strictObject({
  id: Id,
  clientId: Id,
  clientSeq: Type.Integer({ minimum: 1, maximum: MOST_ROWS }),
  kind: Type.Enum([...RUN_EVENT_KINDS]),
  step: nullable(shortText('Step', 120)),
  at: Instant,
  deviceAt: Instant,
  by: shortText('Who', 60),
  payload: Payload,
});
export type RunEventInput = Static<typeof RunEventInput>;

export const RunEvents = strictObject({ events: Type.Array(RunEventInput, { minItems: 1, maxItems: 500 }) });

export const RunStart = strictObject({ lineId: Id, by: shortText('Who', 60) });

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

const head = {
  id: Id,
  lineId: Id,
  orderId: Id,
  code: Type.String(),
  customer: Type.String(),
  garment: Type.String(),
  colourHex: Type.String(),
  placement: Type.String(),
  artworkId: nullable(Id),
  routeNumber: Type.Integer(),
  pieces: Type.Integer(),
  startedBy: Type.String(),
  createdAt: Instant,
  finishedAt: nullable(Instant),
};

/** A run as a list names it. */
export const RunHead = strictObject({
  ...head,
  /** How many events it has: whoever knows as many knows all of it. */
  eventCount: Type.Integer(),
});
export type RunHead = Static<typeof RunHead>;

/** A run with the route it is made by and everything that happened, in the order it arrived. */
export const Run = strictObject({ ...head, route: RouteDocument, events: Type.Array(StoredEvent) });
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
  process: Process,
  routeNumber: Type.Integer(),
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
});
export type LedgerRow = Static<typeof LedgerRow>;

export const LedgerQuery = strictObject({
  search: Type.Optional(Type.String({ title: 'Search', maxLength: 120 })),
  verdict: Type.Optional(Type.Enum([...VERDICTS], { title: 'Verdict' })),
  fault: Type.Optional(Type.String({ title: 'Fault', maxLength: 40 })),
  process: Type.Optional(Process),
  cursor: Type.Optional(Cursor),
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 500 })),
});
export type LedgerQuery = Static<typeof LedgerQuery>;

/** One page of what came out. The counts are of all that is asked for; where words are sought that many have, `isMore` says that they are of the latest alone. */
export const LedgerPage = strictObject({
  items: Type.Array(LedgerRow),
  nextCursor: nullable(Type.String()),
  total: Type.Integer(),
  isMore: Type.Boolean(),
  counts: strictObject({ good: Type.Integer(), reprint: Type.Integer(), scrap: Type.Integer() }),
});
export type LedgerPage = Static<typeof LedgerPage>;
