import { Type } from 'typebox';
import { Machine, Material } from './catalogue.ts';
import { Process } from './process.ts';
import { SettingOverride } from './routes.ts';
import { nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Share = Type.Number({ minimum: 0, maximum: 1 });
const Amount = Type.Number({ minimum: 0 });

/** All that a route is planned from, as one document: what the command line reads. */
export const LineDocument = strictObject({
  process: Process,
  pieces: Type.Integer({ title: 'Pieces', minimum: 1 }),
  blankCents: Type.Number({ title: 'Price of the blank, cents', minimum: 0 }),
  garment: strictObject({
    name: shortText('Garment'),
    fibres: strictObject({ cotton: Share, polyester: Share, elastane: Share, other: Share }),
    construction: Type.Enum(['knit', 'woven', 'fleece']),
    massGM2: Type.Number({ exclusiveMinimum: 0 }),
    colourName: shortText('Colour'),
    colourHex: Type.String({ pattern: '^#[0-9a-f]{6}$' }),
    tone: Type.Enum(['light', 'tint', 'dark']),
    maxPressC: nullable(Type.Number()),
  }),
  print: strictObject({
    widthMm: Amount,
    heightMm: Amount,
    inkMm2: Amount,
    whiteShare: Share,
    colourMl: Amount,
    whiteMl: Amount,
    powderG: Amount,
    filmM2: Amount,
    pretreatmentM2: Amount,
  }),
  materials: Type.Array(Material),
  machines: Type.Array(Machine),
  overrides: Type.Optional(Type.Array(SettingOverride)),
});
export type LineDocument = Static<typeof LineDocument>;
