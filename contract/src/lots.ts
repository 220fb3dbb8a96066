import { Type } from 'typebox';
import { Id, Instant, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** A bottle, roll or bag that is begun: from now on it is the one in use. */
export const LotInput = strictObject({ lot: shortText('Lot', 60), by: shortText('Who', 60) });
export type LotInput = Static<typeof LotInput>;

/** A lot of a material, in use from when it was opened until another is. */
export const Lot = strictObject({
  materialId: Id,
  lot: Type.String(),
  openedAt: Instant,
  by: Type.String(),
});
export type Lot = Static<typeof Lot>;
