import { Type } from 'typebox';
import { Id, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Share = Type.Number({ minimum: 0, maximum: 1 });
const Cents = Type.Integer({ minimum: 0 });
const Span = strictObject({ min: Type.Number(), max: Type.Number() });

/** One colour a style comes in. */
export const GarmentColour = strictObject({
  id: Id,
  name: Type.String(),
  hex: Type.String({ pattern: '^#[0-9a-f]{6}$' }),
  tone: Type.Enum(['light', 'tint', 'dark']),
});
export type GarmentColour = Static<typeof GarmentColour>;

export const GarmentSize = strictObject({ size: Type.String(), cents: Cents });

export const GarmentStyle = strictObject({
  id: Id,
  name: Type.String(),
  kind: Type.Enum(['tee', 'hoodie', 'bib', 'tote', 'cap']),
  fibres: strictObject({ cotton: Share, polyester: Share, elastane: Share, other: Share }),
  construction: Type.Enum(['knit', 'woven', 'fleece']),
  massGM2: Type.Number(),
  maxPressC: nullable(Type.Number()),
  colours: Type.Array(GarmentColour),
  sizes: Type.Array(GarmentSize),
});
export type GarmentStyle = Static<typeof GarmentStyle>;

/** What a material document holds, by kind of material. Prices are assumptions of the demo until set. */
export const MATERIAL_DOCUMENTS = {
  film: strictObject({
    peel: Type.Enum(['hot', 'warm', 'cold']),
    pressC: Span,
    dwellS: Span,
    centsPerM2: Cents,
  }),
  powder: strictObject({
    cureC: Span,
    cureS: Span,
    /** Picked up by wet ink, g/m². */
    gM2: Type.Number({ exclusiveMinimum: 0 }),
    centsPerKg: Cents,
    status: Type.Enum(['assumed', 'weighed']),
  }),
  ink: strictObject({
    process: Type.Enum(['dtf', 'dtg']),
    colourMlM2: Type.Number(),
    whiteMlM2: Type.Number(),
    cureC: nullable(Span),
    cureS: nullable(Span),
    colourCentsPerMl: Cents,
    whiteCentsPerMl: Cents,
    status: Type.Enum(['assumed', 'weighed']),
  }),
  pretreatment: strictObject({ fibre: Type.Enum(['cotton', 'polyester']), gM2: Span, centsPerKg: Cents }),
  'cover-sheet': strictObject({
    kind: Type.Enum(['parchment', 'kraft', 'ptfe', 'silicone']),
    uses: Type.Integer({ minimum: 1 }),
    centsEach: Cents,
  }),
} as const;
export type MaterialKind = keyof typeof MATERIAL_DOCUMENTS;

/** What a machine document holds, by kind of machine. */
export const MACHINE_DOCUMENTS = {
  press: strictObject({ plateC: Span, kPa: Span, widthMm: Type.Number(), heightMm: Type.Number() }),
  oven: strictObject({ chamberC: Span }),
  printer: strictObject({
    process: Type.Enum(['dtf', 'dtg']),
    minPerM2: Type.Number(),
    widthMm: Type.Number(),
    heightMm: Type.Number(),
  }),
} as const;
export type MachineKind = keyof typeof MACHINE_DOCUMENTS;

const Properties = Type.Record(Type.String(), Type.Unknown());
export const Material = strictObject({
  id: Id,
  kind: Type.Enum(Object.keys(MATERIAL_DOCUMENTS)),
  name: Type.String(),
  properties: Properties,
});
export type Material = Static<typeof Material>;
export const Machine = strictObject({
  id: Id,
  kind: Type.Enum(Object.keys(MACHINE_DOCUMENTS)),
  name: Type.String(),
  properties: Properties,
});
export type Machine = Static<typeof Machine>;

export const Customer = strictObject({ id: Id, name: Type.String() });

/** What the shop has to work with, read whole. */
export const Catalogue = strictObject({
  customers: Type.Array(Customer),
  styles: Type.Array(GarmentStyle),
  materials: Type.Array(Material),
  machines: Type.Array(Machine),
});
export type Catalogue = Static<typeof Catalogue>;
