import { MOST_PRINTS } from '@saltflat/core/route';
import { Type } from 'typebox';
import { PLACEMENT_KEYS } from './placements.ts';
import { Grade, SizeQuantity } from './orders.ts';
import { Process } from './process.ts';
import { CostDocument } from './routes.ts';
import { Said } from './said.ts';
import { PrintId, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { HouseChoices } from './shopSettings.ts';

/** One print as far as it is written; those that have no artwork yet are left out. */
const WrittenPrint = strictObject({
  id: PrintId,
  artworkId: Type.String({ format: 'uuid', title: 'Artwork' }),
  preparationId: Type.Optional(nullable(Type.String({ format: 'uuid', title: 'Preparation' }))),
  placement: Type.Enum([...PLACEMENT_KEYS], { title: 'Placement' }),
  dropMm: Type.Number({ title: 'Distance below the collar, mm', minimum: 0, maximum: 700 }),
  widthMm: Type.Number({ title: 'Printed width, mm', minimum: 5, maximum: 600 }),
  process: Process,
  grades: Type.Optional(Type.Array(Grade, { title: 'Widths by size', maxItems: 10 })),
});

/** A line as far as it is written. */
export const WrittenLine = strictObject({
  styleId: Type.String({ format: 'uuid', title: 'Garment' }),
  colourId: Type.String({ format: 'uuid', title: 'Garment colour' }),
  prints: Type.Array(WrittenPrint, { title: 'Prints', minItems: 1, maxItems: MOST_PRINTS }),
  sizes: Type.Array(SizeQuantity, { title: 'Sizes', minItems: 1, maxItems: 20 }),
  house: Type.Optional(HouseChoices),
});
export type WrittenLine = Static<typeof WrittenLine>;

/** A line that is being written, one of whose prints is to be compared by process. */
export const ComparisonQuery = strictObject({
  ...WrittenLine.properties,
  /** The print that is compared; the others stay as they are. */
  print: PrintId,
});
export type ComparisonQuery = Static<typeof ComparisonQuery>;

const Minutes = Type.Number({ minimum: 0 });
const Judged = Type.Number({ minimum: 0, maximum: 1 });

/** Every process for a print side by side, and what is taken at this moment. */
export const ComparisonAnswer = strictObject({
  options: Type.Array(
    strictObject({
      process: Process,
      name: Type.String(),
      refusals: Type.Array(Said),
      plan: nullable(
        strictObject({
          handsS: Minutes,
          elapsedS: Minutes,
          restBeforeDispatchS: Minutes,
          cost: CostDocument,
          addsCents: nullable(Type.Number()),
          look: strictObject({
            opacity: Judged,
            softness: Judged,
            breathing: Judged,
            stretch: Judged,
            said: Said,
          }),
          risks: Type.Array(Said),
          conflicts: Type.Array(Said),
          problems: Type.Array(Said),
          machines: Type.Array(Type.String()),
        }),
      ),
    }),
  ),
  recommended: nullable(Process),
  reasons: Type.Array(Said),
  wouldChange: Said,
  /** Machines a run is on now, with the line it is for. */
  taken: Type.Array(strictObject({ machine: Type.String(), code: Type.String() })),
});
export type ComparisonAnswer = Static<typeof ComparisonAnswer>;
