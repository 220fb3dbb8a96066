import { Type } from 'typebox';
import { Id, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

export const FindQuery = strictObject({ text: Type.String({ minLength: 1, maxLength: 100 }) });
export type FindQuery = Static<typeof FindQuery>;

/** Lines and artworks that a few letters lead to, the newest first; a handful of each. Orders are a list of their own. */
export const Found = strictObject({
  lines: Type.Array(
    strictObject({
      id: Id,
      orderId: Id,
      code: Type.String(),
      customer: Type.String(),
      garment: Type.String(),
    }),
  ),
  artworks: Type.Array(
    strictObject({
      id: Id,
      name: Type.String(),
      /** Where it was printed last. */
      lineId: Id,
      print: Type.String(),
      code: Type.String(),
      customer: Type.String(),
    }),
  ),
});
export type Found = Static<typeof Found>;
