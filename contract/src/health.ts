import { Type } from 'typebox';
import { Instant, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

export const Health = strictObject({
  status: Type.Literal('up'),
  serverAt: Instant,
  /** How long the one thread that answers was held up, ms beyond its time, over the last minute or two; and its longest work. */
  loop: strictObject({
    p99Ms: Type.Number(),
    maxMs: Type.Number(),
    maxWorkMs: Type.Number(),
    seconds: Type.Integer(),
  }),
  memoryMb: Type.Integer(),
});
export type Health = Static<typeof Health>;

export const Readiness = strictObject({ status: Type.Literal('ready') });
