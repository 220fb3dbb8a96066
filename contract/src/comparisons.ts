import type { Comparison } from '@saltflat/core/compare';
import { Type } from 'typebox';
import { PLACEMENT_KEYS } from './placements.ts';
import { Grade, SizeQuantity } from './orders.ts';
import { nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { HouseChoices } from './shopSettings.ts';

/** A line as far as it is written, to be compared by process. */
export const ComparisonQuery = strictObject({
  styleId: Type.String({ format: 'uuid', title: 'Garment' }),
  colourId: Type.String({ format: 'uuid', title: 'Garment colour' }),
  artworkId: Type.String({ format: 'uuid', title: 'Artwork' }),
  preparationId: Type.Optional(nullable(Type.String({ format: 'uuid', title: 'Preparation' }))),
  placement: Type.Enum([...PLACEMENT_KEYS], { title: 'Placement' }),
  dropMm: Type.Number({ title: 'Distance below the collar, mm', minimum: 0, maximum: 700 }),
  widthMm: Type.Number({ title: 'Printed width, mm', minimum: 5, maximum: 600 }),
  sizes: Type.Array(SizeQuantity, { title: 'Sizes', minItems: 1, maxItems: 20 }),
  grades: Type.Optional(Type.Array(Grade, { title: 'Widths by size', maxItems: 10 })),
  house: Type.Optional(HouseChoices),
});
export type ComparisonQuery = Omit<Static<typeof ComparisonQuery>, 'house'> & { house?: HouseChoices };

/** Every process side by side, and what is taken at this moment. */
export interface ComparisonAnswer extends Comparison {
  /** Machines a run is on now, with the line it is for. */
  taken: { machine: string; code: string }[];
}
