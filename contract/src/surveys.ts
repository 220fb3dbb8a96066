import { Type } from 'typebox';
import { Id, Instant, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

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
  note: longText('Note', 500),
  by: shortText('Who', 60, 'Who measured it?'),
});
export type SurveyInput = Static<typeof SurveyInput>;

/** A survey as it is kept: never changed after. */
export const Survey = strictObject({
  id: Id,
  machineId: Id,
  /** Of the machine, from 1. */
  number: Type.Integer(),
  at: Instant,
  input: SurveyInput,
});
export type Survey = Static<typeof Survey>;

/** What every press of the shop was found to be, the newest survey of each. */
export const NewestSurveys = Type.Array(
  strictObject({ machineId: Id, name: Type.String(), newest: nullable(Survey) }),
);
export type NewestSurveys = Static<typeof NewestSurveys>;
