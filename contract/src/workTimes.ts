import { UNITS } from '@saltflat/core/work';
import { Type } from 'typebox';
import { nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const OwnTime = strictObject({
  /** Times that count. */
  count: Type.Integer(),
  /** Times that are too far off to be this work alone. */
  leftOut: Type.Integer(),
  /** On what its routes assume; `null` until it was timed ten times. */
  factor: nullable(Type.Number()),
  /** How much it varies on a day, as a share. */
  spread: nullable(Type.Number()),
});

/** How much days differ. */
export const DayPace = strictObject({ days: Type.Integer(), spread: nullable(Type.Number()) });

/** What this shop’s own times say, by kind of work. */
export const WorkTimes = strictObject({
  kinds: Type.Array(
    strictObject({
      /** By the core’s `workKind`. */
      kind: Type.String(),
      /** What is done in one go. */
      unit: Type.Enum([...UNITS]),
      /** What it is called in routes. */
      titles: Type.Array(Type.String()),
      hands: OwnTime,
      /** What a machine does at its own speed. */
      machine: OwnTime,
    }),
  ),
  pace: DayPace,
});
export type WorkTimes = Static<typeof WorkTimes>;
