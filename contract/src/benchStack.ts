import { STACK_MATERIALS } from '@saltflat/core/work';
import { Type } from 'typebox';
import { nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** A press stack of no order, as it is tried on the bench or was measured. */
export const BenchStackDocument = strictObject(
  {
    layers: Type.Array(
      strictObject({
        material: Type.Enum([...STACK_MATERIALS], { title: 'Material of a layer' }),
        dMm: Type.Number({ title: 'Thickness of a layer, mm', exclusiveMinimum: 0, maximum: 20 }),
        waterGM2: Type.Number({ title: 'Water of a layer, g/m²', minimum: 0, maximum: 500 }),
      }),
      { title: 'Layers', minItems: 1, maxItems: 12 },
    ),
    pad: Type.Enum(['sponge-pad', 'solid-pad'], { title: 'Pad' }),
    plateC: Type.Number({ title: 'Plate', minimum: 40, maximum: 230, quantity: 'temperature' }),
    lowerC: nullable(
      Type.Number({ title: 'Lower half', minimum: 20, maximum: 180, quantity: 'temperature' }),
    ),
    kPa: Type.Number({ title: 'Pressure', minimum: 1, maximum: 200, quantity: 'pressure' }),
    gapMm: Type.Number({ title: 'Gap, mm', minimum: 0, maximum: 60 }),
    dwellS: Type.Number({ title: 'Closed for', minimum: 1, maximum: 900, quantity: 'duration' }),
    closings: Type.Integer({ title: 'Closings', minimum: 1, maximum: 12 }),
    openS: Type.Number({ title: 'Open in between', minimum: 1, maximum: 600, quantity: 'duration' }),
    mat: Type.Enum(['cold', 'parked'], { title: 'Mat' }),
    coolsOn: Type.Enum(['wood', 'metal', 'press'], { title: 'Cools on' }),
  },
  { title: 'Stack' },
);
export type BenchStackDocument = Static<typeof BenchStackDocument>;
