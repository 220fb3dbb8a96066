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

export const WithdrawnInput = strictObject({ isWithdrawn: Type.Boolean() });
