import { NOZZLES_EACH, NOZZLE_CHANNELS } from '@saltflat/core/care';
import type { NozzleChannel } from '@saltflat/core/care';
import { Type } from 'typebox';
import { Id, Instant, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Nozzles = Type.Array(Type.Integer({ title: 'Nozzle', minimum: 1, maximum: NOZZLES_EACH }), {
  title: 'Missing nozzles',
  maxItems: NOZZLES_EACH,
  uniqueItems: true,
});

/** Nozzles that left no mark in a test pattern, by channel. */
export const MissingNozzles = strictObject(
  Object.fromEntries(NOZZLE_CHANNELS.map((channel) => [channel, Type.Optional(Nozzles)])) as Record<
    NozzleChannel,
    ReturnType<typeof Type.Optional<typeof Nozzles>>
  >,
);
export type MissingNozzles = Static<typeof MissingNozzles>;

/** A printer looked at before its first print of the shift, or after a pause. */
export const PrintStartInput = strictObject({
  isAgitated: Type.Boolean({ title: 'White stirred' }),
  /** `null` where no pattern was printed. */
  missing: nullable(MissingNozzles),
  /** How often it was cleaned before this pattern. */
  cleanings: Type.Integer({ title: 'Cleanings', minimum: 0, maximum: 20 }),
  roomC: nullable(Type.Number({ title: 'Room', minimum: 0, maximum: 50, quantity: 'temperature' })),
  humidity: nullable(Type.Number({ title: 'Humidity', minimum: 0, maximum: 1, quantity: 'share' })),
  note: longText('Note', 500),
  by: shortText('Who', 60, 'Who looked?'),
});
export type PrintStartInput = Static<typeof PrintStartInput>;

/** How high a platen was for a kind of garment. */
export const PlatenHeightInput = strictObject({
  /** The kind of garment, as the shop calls it. */
  garment: shortText('Garment', 80, 'Which kind of garment?'),
  isOverPocket: Type.Boolean({ title: 'Over a pocket' }),
  /** Steps from the lowest. */
  step: Type.Integer({ title: 'Step', minimum: 0, maximum: 200 }),
  by: shortText('Who', 60, 'Who set it?'),
});
export type PlatenHeightInput = Static<typeof PlatenHeightInput>;

/** A task of upkeep that was done, or left out on purpose. */
export const UpkeepInput = strictObject({
  task: Type.String({ title: 'Task', pattern: '^[a-z0-9-]{2,60}$', help: 'a task of this machine' }),
  isSkipped: Type.Boolean({ title: 'Left out' }),
  by: shortText('Who', 60, 'Who did it?'),
});
export type UpkeepInput = Static<typeof UpkeepInput>;

export const CARE_KINDS = ['print-start', 'platen-height', 'upkeep'] as const;
export type CareKind = (typeof CARE_KINDS)[number];
export interface CareInputs {
  'print-start': PrintStartInput;
  'platen-height': PlatenHeightInput;
  upkeep: UpkeepInput;
}

const kept = { id: Id, machineId: Id, at: Instant };
export const PrintStart = strictObject({ ...kept, input: PrintStartInput });
export type PrintStart = Static<typeof PrintStart>;
export const PlatenHeight = strictObject({ ...kept, input: PlatenHeightInput });
export type PlatenHeight = Static<typeof PlatenHeight>;
export const UpkeepDone = strictObject({ ...kept, input: UpkeepInput, isWithdrawn: Type.Boolean() });
export type UpkeepDone = Static<typeof UpkeepDone>;

const Count = strictObject({ pieces: Type.Integer(), spoiled: Type.Integer() });

/** A task of upkeep of one machine, and how it stands. */
export const UpkeepRow = strictObject({
  machineId: Id,
  machine: Type.String(),
  task: Type.String(),
  title: Type.String(),
  why: Type.String(),
  every: strictObject({
    count: Type.Integer(),
    unit: Type.Enum(['days', 'hours', 'prints', 'garments', 'presses']),
  }),
  standing: Type.Enum(['never', 'kept', 'soon', 'due']),
  /** Of its interval that is over; `null` where nobody has noted it yet. */
  share: nullable(Type.Number()),
  /** What the machine did since, in the interval’s unit; 0 for days. */
  used: Type.Number(),
  last: nullable(strictObject({ id: Id, at: Instant, by: Type.String(), isSkipped: Type.Boolean() })),
  /** Pieces made on the machine while it was kept, and while it was not: counts of what happened, no more. */
  counts: strictObject({ kept: Count, notKept: Count }),
});
export type UpkeepRow = Static<typeof UpkeepRow>;

/** What printers need to begin: looked at, and how high their platens are. */
export const Care = strictObject({
  /** The newest check of each printer that has one. */
  starts: Type.Array(PrintStart),
  /** The newest height of each printer for each kind of garment. */
  platens: Type.Array(PlatenHeight),
});
export type Care = Static<typeof Care>;

/** Tasks of upkeep, and what came of pieces by what was noted before their print. */
export const Upkeep = strictObject({
  tasks: Type.Array(UpkeepRow),
  /** Pieces by what was noted before their print: all right, something left out or not right, nothing noted. */
  printed: strictObject({ right: Count, missed: Count, notNoted: Count }),
});
export type Upkeep = Static<typeof Upkeep>;
