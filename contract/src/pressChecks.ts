import { PROBES } from '@saltflat/core/heat';
import { TESTED_BY } from '@saltflat/core/press';
import { Type } from 'typebox';
import type { TSchema } from 'typebox';
import { BenchStackDocument } from './benchStack.ts';
import { Id, Instant, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const signed = { note: longText('Note', 500), by: shortText('Who', 60, 'Who measured it?') };
const PLACE = Type.Enum([...PROBES], { title: 'Place of the sensor' });

const SpotRead = strictObject({
  /** From the plate's left and back edge as one stands before it. */
  xMm: Type.Number({ title: 'From the left, mm', minimum: 0, maximum: 3000 }),
  yMm: Type.Number({ title: 'From the back, mm', minimum: 0, maximum: 3000 }),
  readC: Type.Number({ title: 'Reading', minimum: 30, maximum: 260, quantity: 'temperature' }),
});

/** A press's plate measured spot by spot. */
export const SurveyInput = strictObject({
  setC: Type.Number({ title: 'What the display says', minimum: 60, maximum: 230, quantity: 'temperature' }),
  /** How it was read: off a pad after each closing, or off the bare plate, which hardly cools. */
  readOff: Type.Enum(['sponge-pad', 'solid-pad', 'plate'], { title: 'Read off' }),
  closedS: Type.Number({ title: 'Closed for', minimum: 10, maximum: 600, quantity: 'duration' }),
  lateS: Type.Number({ title: 'Read after opening', minimum: 0, maximum: 15, quantity: 'duration' }),
  roomC: Type.Number({ title: 'Room', minimum: 5, maximum: 45, quantity: 'temperature' }),
  readings: Type.Array(SpotRead, {
    title: 'Readings',
    minItems: 5,
    maxItems: 100,
    help: 'five at least, one in each corner among them',
  }),
  ...signed,
});
export type SurveyInput = Static<typeof SurveyInput>;

/** A press's own pressure scale, tested mark by mark. */
export const PressureTestInput = strictObject({
  marks: Type.Array(
    strictObject({
      mark: Type.Number({ title: 'Mark', minimum: 0, maximum: 100 }),
      by: Type.Enum([...TESTED_BY], { title: 'Tested by' }),
      /** kg of the pull, bar of the air, kPa of the gauge; `null` for paper by hand. */
      value: nullable(Type.Number({ title: 'What was read', exclusiveMinimum: 0, maximum: 1000 })),
    }),
    { title: 'Marks', minItems: 1, maxItems: 40, help: 'one mark at least; three tell how the scale goes' },
  ),
  /** The strip that was pulled, and what it took under a known weight. */
  strip: nullable(
    strictObject({
      widthMm: Type.Number({ title: 'Strip, wide, mm', minimum: 3, maximum: 300 }),
      lengthMm: Type.Number({ title: 'Strip, long under the plate, mm', minimum: 10, maximum: 600 }),
      underKg: Type.Number({ title: 'Weight on it, kg', minimum: 0.5, maximum: 100 }),
      pulledKg: Type.Number({ title: 'Slid under the weight at, kg', minimum: 0.05, maximum: 100 }),
    }),
  ),
  cylinders: nullable(
    strictObject({
      count: Type.Integer({ title: 'Cylinders', minimum: 1, maximum: 8 }),
      boreMm: Type.Number({ title: 'Piston, across, mm', minimum: 10, maximum: 400 }),
    }),
  ),
  ...signed,
});
export type PressureTestInput = Static<typeof PressureTestInput>;

/** What a logger's course may have: more would tell nothing more. */
const MOST_SAMPLES = 1000;

/** One press cycle read from the inside, and recipes whose wash is known. */
export const CalibrationInput = strictObject({
  stack: BenchStackDocument,
  plateOffsetC: Type.Number({ title: 'Plate above its display, K', minimum: -60, maximum: 60 }),
  channels: Type.Array(
    strictObject({
      name: Type.String({ title: 'Sensor', maxLength: 60 }),
      at: PLACE,
      samples: Type.Array(
        strictObject({
          atS: Type.Number({ title: 'Time of a reading, s', minimum: 0, maximum: 3600 }),
          tempC: Type.Number({ title: 'Reading of the logger, °C', minimum: -20, maximum: 300 }),
        }),
        { title: 'Readings', maxItems: MOST_SAMPLES },
      ),
    }),
    { title: 'Sensors', maxItems: 8 },
  ),
  strips: Type.Array(
    strictObject({
      at: PLACE,
      highestC: Type.Number({
        title: 'Highest of a strip',
        minimum: 30,
        maximum: 260,
        quantity: 'temperature',
      }),
    }),
    { title: 'Strips', maxItems: 12 },
  ),
  recipes: Type.Array(
    strictObject({
      plateC: Type.Number({ title: 'Plate of a recipe', minimum: 60, maximum: 230, quantity: 'temperature' }),
      dwellS: Type.Number({ title: 'Dwell of a recipe', minimum: 1, maximum: 900, quantity: 'duration' }),
      kPa: Type.Number({ title: 'Pressure of a recipe', minimum: 1, maximum: 200, quantity: 'pressure' }),
      held: Type.Boolean({ title: 'Held' }),
    }),
    { title: 'Recipes', maxItems: 20 },
  ),
  ...signed,
});
export type CalibrationInput = Static<typeof CalibrationInput>;

/** A check as it is kept: never changed after. */
const kept = <T extends TSchema>(input: T) =>
  strictObject({
    id: Id,
    machineId: Id,
    /** Of its kind and machine, from 1. */
    number: Type.Integer(),
    at: Instant,
    input,
  });
export const Survey = kept(SurveyInput);
export type Survey = Static<typeof Survey>;
export const PressureTest = kept(PressureTestInput);
export type PressureTest = Static<typeof PressureTest>;
export const Calibration = kept(CalibrationInput);
export type Calibration = Static<typeof Calibration>;

/** What is known of presses where a print lies, by their ids: what a route is planned with. */
export const KnownPresses = Type.Record(
  Type.String(),
  strictObject({
    offsetC: Type.Number(),
    surveyedOn: nullable(Type.String()),
    calibratedOn: nullable(Type.String()),
    /** What was measured in place of the model's ranges. */
    known: Type.Record(
      Type.String(),
      strictObject({ usual: Type.Number(), low: Type.Number(), high: Type.Number() }),
    ),
    spread: Type.Number({ minimum: 0, maximum: 1 }),
    /** As it was tested; `null` where it was not: what the shop typed in counts then. */
    pressureScale: nullable(Type.Array(strictObject({ mark: Type.Number(), kPa: Type.Number() }))),
  }),
);
export type KnownPresses = Static<typeof KnownPresses>;

/** Each kind of check with what is written down of it. */
export interface PressCheckInputs {
  survey: SurveyInput;
  pressure: PressureTestInput;
  calibration: CalibrationInput;
}
export type PressCheckKind = keyof PressCheckInputs;

/** Every press of the shop with its newest check of each kind. */
export const PressChecks = Type.Array(
  strictObject({
    machineId: Id,
    name: Type.String(),
    survey: nullable(Survey),
    pressure: nullable(PressureTest),
    calibration: nullable(Calibration),
  }),
);
export type PressChecks = Static<typeof PressChecks>;
