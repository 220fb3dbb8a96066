import { Type } from 'typebox';
import { Id, Instant, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** `measure-line`: the art of a line's prints, measured so that its route can be planned; `fill-demo`: the made-up shop taken in. */
export const JOB_KINDS = ['measure-line', 'fill-demo'] as const;
export const JOB_STATES = ['running', 'done', 'failed'] as const;

/** Heavy work that people wait for, and how far it is. */
export const Job = strictObject({
  kind: Type.Enum([...JOB_KINDS]),
  /** The line, for work on one; zeros for work on the shop. */
  about: Id,
  state: Type.Enum([...JOB_STATES]),
  /** Done so far, 0–1. */
  share: Type.Number({ minimum: 0, maximum: 1 }),
  /** Why it failed. */
  why: nullable(Type.String()),
  begunAt: Instant,
  endedAt: nullable(Instant),
});
export type Job = Static<typeof Job>;
