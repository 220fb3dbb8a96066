import { Type } from 'typebox';
import { PrintId, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** What can be weighed onto a print. */
export const WEIGHED = ['ink', 'powder'] as const;

export const WeighingInput = strictObject({
  /** The print of the line it was weighed on. */
  print: PrintId,
  of: Type.Enum([...WEIGHED], { title: 'What was laid on' }),
  beforeG: Type.Number({ title: 'Before, g', minimum: 0, maximum: 5000 }),
  afterG: Type.Number({ title: 'After, g', minimum: 0, maximum: 5000 }),
  by: shortText('Who', 60),
});
export type WeighingInput = Static<typeof WeighingInput>;

/** What a material lays down by the weighings so far. */
export const LaydownFit = strictObject({
  material: Type.String(),
  weighings: Type.Integer(),
  amounts: Type.Array(
    strictObject({
      what: Type.String(),
      unit: Type.String(),
      assumed: Type.Number(),
      value: Type.Number(),
      sd: Type.Number(),
    }),
  ),
});
export type LaydownFit = Static<typeof LaydownFit>;
