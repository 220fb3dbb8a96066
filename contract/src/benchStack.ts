import { LAYER_MOST, STACK_SPANS } from '@saltflat/core/heat';
import { STACK_MATERIALS } from '@saltflat/core/work';
import { Type } from 'typebox';
import { nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const within = ([minimum, maximum]: readonly [number, number]) => ({ minimum, maximum });

/** A press stack of no order, as it is tried on the bench or was measured. */
export const BenchStackDocument = strictObject(
  {
    layers: Type.Array(
      strictObject({
        material: Type.Enum([...STACK_MATERIALS], { title: 'Material of a layer' }),
        dMm: Type.Number({ title: 'Thickness of a layer, mm', exclusiveMinimum: 0, maximum: LAYER_MOST.dMm }),
        waterGM2: Type.Number({ title: 'Water of a layer, g/m²', minimum: 0, maximum: LAYER_MOST.waterGM2 }),
      }),
      { title: 'Layers', minItems: 1, maxItems: 12 },
    ),
    pad: Type.Enum(['sponge-pad', 'solid-pad'], { title: 'Pad' }),
    plateC: Type.Number({ title: 'Plate', ...within(STACK_SPANS.plateC), quantity: 'temperature' }),
    lowerC: nullable(
      Type.Number({ title: 'Lower half', ...within(STACK_SPANS.lowerC), quantity: 'temperature' }),
    ),
    kPa: Type.Number({ title: 'Pressure', ...within(STACK_SPANS.kPa), quantity: 'pressure' }),
    gapMm: Type.Number({ title: 'Gap, mm', ...within(STACK_SPANS.gapMm) }),
    dwellS: Type.Number({ title: 'Closed for', ...within(STACK_SPANS.dwellS), quantity: 'duration' }),
    closings: Type.Integer({ title: 'Closings', ...within(STACK_SPANS.closings) }),
    openS: Type.Number({ title: 'Open in between', ...within(STACK_SPANS.openS), quantity: 'duration' }),
    mat: Type.Enum(['cold', 'parked'], { title: 'Mat' }),
    coolsOn: Type.Enum(['wood', 'metal', 'press'], { title: 'Cools on' }),
  },
  { title: 'Stack' },
);
export type BenchStackDocument = Static<typeof BenchStackDocument>;
