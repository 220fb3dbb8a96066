import { Type } from 'typebox';
import { Id, Instant, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** Places that a curve is told at. */
const Row = Type.Array(Type.Number(), { minItems: 2, maxItems: 200 });

/** What a sprayer gives of one fluid by one nozzle, by weighings: two curves with their bounds, and what to weigh next. */
export const NozzleFit = strictObject({
  fluidId: Id,
  nozzle: Type.String(),
  range: strictObject({
    least: Type.Number(),
    most: Type.Number(),
    sense: Type.Enum(['up', 'down']),
  }),
  n: Type.Integer(),
  noisePct: Type.Number(),
  dataRange: Type.Tuple([Type.Number(), Type.Number()]),
  tried: Type.Array(Type.Integer()),
  curves: Type.Array(
    strictObject({
      passes: Type.Integer(),
      gm2: strictObject({ low: Row, middle: Row, high: Row, sprayLow: Row, sprayHigh: Row }),
    }),
  ),
  next: Type.Array(
    strictObject({ setting: Type.Number(), passes: Type.Integer(), reduction: Type.Number() }),
  ),
  outliers: Type.Array(strictObject({ index: Type.Integer(), probability: Type.Number() })),
});
export type NozzleFit = Static<typeof NozzleFit>;

const grams = (title: string) => Type.Number({ title, exclusiveMinimum: 0, maximum: 5000, quantity: 'mass' });
const side = (title: string) =>
  Type.Number({ title, exclusiveMinimum: 0, maximum: 2000, quantity: 'length' });

/** A garment weighed before and after it was sprayed, with what was set. */
export const SprayWeighingInput = strictObject({
  fluidId: Id,
  nozzle: Type.String({ title: 'Nozzle', maxLength: 60 }),
  setting: Type.Number({ title: 'Setting', exclusiveMinimum: 0, maximum: 100_000 }),
  passes: Type.Integer({ title: 'Passes', minimum: 1, maximum: 2 }),
  widthMm: side('Sprayed, wide'),
  heightMm: side('Sprayed, high'),
  beforeG: grams('Before'),
  afterG: grams('After'),
  elapsedS: Type.Number({
    title: 'Weighed after',
    minimum: 0,
    maximum: 3600,
    quantity: 'duration',
    help: 'from the spray to the scale',
  }),
  roomC: nullable(Type.Number({ title: 'Room', minimum: 0, maximum: 50, quantity: 'temperature' })),
  humidity: nullable(Type.Number({ title: 'Humidity', minimum: 0, maximum: 0.99, quantity: 'share' })),
  by: shortText('Who', 60, 'Who weighed it?'),
});
export type SprayWeighingInput = Static<typeof SprayWeighingInput>;

export const SprayWeighing = strictObject({
  id: Id,
  machineId: Id,
  at: Instant,
  input: SprayWeighingInput,
  /** With what evaporated before the scale. */
  gm2: Type.Number(),
  /** Taken back: a slip, or a spray that went wrong. */
  isWithdrawn: Type.Boolean(),
});
export type SprayWeighing = Static<typeof SprayWeighing>;

/** A garment weighed in on the floor, on this sprayer. */
export const FloorWeighing = strictObject({
  runId: Id,
  step: Type.String(),
  /** “K-218”. */
  code: Type.String(),
  at: Instant,
  by: Type.String(),
  beforeG: Type.Number(),
  afterG: Type.Number(),
  /** What it was to get, with what dried off before the scale left out. */
  targetG: Type.Number(),
  toleranceG: Type.Number(),
  /** Sprayed, mm². */
  areaMm2: Type.Number(),
  /** What was to be set; `null` where the route said nothing. */
  setting: nullable(Type.Number()),
  passes: nullable(Type.Integer()),
  fluidId: nullable(Id),
  /** Between both weighings beyond what the work takes, s. */
  waitedS: Type.Number(),
  /** It counts in the fit. */
  isTaken: Type.Boolean(),
});
export type FloorWeighing = Static<typeof FloorWeighing>;

/** Takes a garment of the floor among the weighings of its sprayer. */
export const FloorWeighingInput = strictObject({
  runId: Id,
  step: shortText('Step', 400),
  /** The dial was where the route wanted it: a person says so. */
  by: shortText('Who', 60, 'Who says so?'),
});
export type FloorWeighingInput = Static<typeof FloorWeighingInput>;

export const WithdrawnInput = strictObject({ isWithdrawn: Type.Boolean() });

/** A sprayer that says what it does. */
export const SprayerDevice = strictObject({
  machineId: Id,
  name: Type.String(),
  isSimulated: Type.Boolean(),
  /** Left in its bottle, and what a full one holds, ml. */
  bottleMl: Type.Number(),
  bottleSizeMl: Type.Number(),
  /** The spray before; `null` where there was none since it was switched on. */
  last: nullable(
    strictObject({ at: Instant, runId: Id, step: Type.String(), ml: Type.Number(), ranDry: Type.Boolean() }),
  ),
  /** How the stand-in is driven: how far its nozzle stands open. */
  drive: strictObject({ openShare: Type.Number() }),
});
export type SprayerDevice = Static<typeof SprayerDevice>;

/** One garment is sprayed. */
export const SprayInput = strictObject({ runId: Id, step: shortText('Step', 20_000) });
export type SprayInput = Static<typeof SprayInput>;

/** Turns the knobs of a simulated sprayer; what is left out stays. */
export const SprayerDrive = strictObject({
  openShare: Type.Optional(Type.Number({ title: 'Nozzle open, share', minimum: 0, maximum: 1 })),
  bottleMl: Type.Optional(Type.Number({ title: 'In the bottle, ml', minimum: 0, maximum: 5000 })),
});
export type SprayerDrive = Static<typeof SprayerDrive>;
