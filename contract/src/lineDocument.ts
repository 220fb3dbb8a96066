import { BLANK_KINDS, DYES, FEATURES, FIBRES } from '@saltflat/core/blank';
import type { Fibre } from '@saltflat/core/blank';
import { MOST_PRINTS } from '@saltflat/core/route';
import { Type } from 'typebox';
import { Machine, Material } from './catalogue.ts';
import { KnownPresses } from './pressChecks.ts';
import { PLACEMENT_KEYS } from './placements.ts';
import { Process } from './process.ts';
import { SettingOverride, SourceChoice } from './routes.ts';
import { PrintId, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { HouseDocument, RatesDocument } from './shopSettings.ts';

const Share = Type.Number({ minimum: 0, maximum: 1 });
const Amount = Type.Number({ minimum: 0 });
const Span = strictObject({ min: Type.Number(), max: Type.Number() });

const GarmentDocument = strictObject({
  name: shortText('Garment'),
  kind: Type.Enum([...BLANK_KINDS], { title: 'Kind' }),
  fibres: strictObject(
    Object.fromEntries(FIBRES.map((fibre) => [fibre, Share])) as Record<Fibre, typeof Share>,
  ),
  construction: Type.Enum(['knit', 'woven', 'fleece']),
  massGM2: Type.Number({ exclusiveMinimum: 0 }),
  thicknessMm: nullable(Type.Number({ exclusiveMinimum: 0 })),
  features: Type.Array(Type.Enum([...FEATURES])),
  dye: Type.Enum([...DYES]),
  colourName: shortText('Colour'),
  colourHex: Type.String({ pattern: '^#[0-9a-f]{6}$' }),
  tone: Type.Enum(['light', 'tint', 'dark']),
  maxPressC: nullable(Type.Number()),
  pretreated: nullable(
    strictObject({
      fluid: Type.String(),
      fibre: Type.Enum(['cotton', 'polyester']),
      pressC: Span,
      pressS: Span,
      shelfDays: Type.Integer({ minimum: 1 }),
    }),
  ),
});

/** One print of the line: what it needs, where it goes and how it is made. */
const PrintDocument = strictObject({
  id: PrintId,
  process: Process,
  /** Name of its artwork; empty where nobody wrote it down. */
  artwork: Type.String({ maxLength: 300 }),
  print: strictObject({
    lineWidthMm: Amount,
    widthMm: Amount,
    heightMm: Amount,
    inkMm2: Amount,
    whiteShare: Share,
    colourMl: Amount,
    whiteMl: Amount,
    powderG: Amount,
    filmM2: Amount,
    sprayM2: strictObject({ box: Amount, shape: Amount }),
  }),
  placement: strictObject({
    key: Type.Enum([...PLACEMENT_KEYS], { title: 'Placement' }),
    dropMm: Amount,
    grades: Type.Array(strictObject({ sizes: Type.Array(Type.String()), widthMm: Amount })),
  }),
});

/** All that a route is planned from, as one document: what the command line reads, and what the server plans from. */
export const LineDocument = strictObject({
  format: Type.Literal(7),
  pieces: Type.Integer({ title: 'Pieces', minimum: 1 }),
  blankCents: Type.Number({ title: 'Price of the blank, cents', minimum: 0 }),
  garment: GarmentDocument,
  sizes: Type.Array(
    strictObject({
      size: shortText('Size', 12),
      quantity: Type.Integer({ minimum: 1 }),
      bodyWidthMm: nullable(Amount),
      collarDropMm: nullable(Amount),
      /** Price of the blank in this size. */
      cents: Amount,
    }),
  ),
  /** What can be printed at each of the blank's places. */
  areas: Type.Array(
    strictObject({ placement: Type.Enum([...PLACEMENT_KEYS]), widthMm: Amount, heightMm: Amount }),
  ),
  prints: Type.Array(PrintDocument, { title: 'Prints', minItems: 1, maxItems: MOST_PRINTS }),
  materials: Type.Array(Material),
  machines: Type.Array(Machine),
  /** What was measured of presses; a press that is not here was not. */
  presses: Type.Optional(KnownPresses),
  /** The patch caps are given; `null` where there is none. */
  patch: nullable(
    strictObject({ id: Type.Optional(nullable(Type.String())), blank: GarmentDocument, cents: Amount }),
  ),
  /** What is done where practitioners differ: the shop's methods with the line's own in front. */
  house: HouseDocument,
  rates: RatesDocument,
  overrides: Type.Array(SettingOverride),
  /** What people chose to work with. */
  sources: Type.Array(SourceChoice),
});
export type LineDocument = Static<typeof LineDocument>;
