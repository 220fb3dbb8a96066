import { BLANK_KINDS, DYES, FEATURES } from '@saltflat/core/blank';
import { INK_USES, PRINTER_TASKS, SHEET_KINDS } from '@saltflat/core/route';
import { USUAL_KEEPS_DAYS } from '@saltflat/core/shelf';
import { MACHINE_KINDS } from '@saltflat/core/work';
import type { QuantityKind } from '@saltflat/core/units';
import { Type } from 'typebox';
import { ShopWriting } from './writing.ts';
import type { TSchema } from 'typebox';
import { PLACEMENT_KEYS } from './placements.ts';
import { Id, Version, nullable, shortText, strictObject } from './scalars.ts';
import { NozzleFit } from './sprayers.ts';
import type { Static } from './scalars.ts';
import { HouseDocument, RatesDocument, versioned } from './shopSettings.ts';

/** A number that measures something: shown and typed with its unit. */
const measure = (
  title: string,
  quantity: QuantityKind,
  bounds: { minimum?: number; maximum?: number; exclusiveMinimum?: number } = { minimum: 0 },
) => Type.Number({ title, quantity, ...bounds });
const span = (title: string, quantity: QuantityKind, bounds: { minimum: number; maximum: number }) =>
  strictObject(
    { min: measure(`${title} from`, quantity, bounds), max: measure(`${title} to`, quantity, bounds) },
    { title },
  );
const heat = (title: string) => span(title, 'temperature', { minimum: 0, maximum: 350 });
const seconds = (title: string, maximum = 3600) => span(title, 'duration', { minimum: 0, maximum });
const share = (title: string) => measure(title, 'share', { minimum: 0, maximum: 1 });
/** Of a fibre that blanks were not always asked for. */
const laterShare = (title: string) => ({ ...share(title), default: 0 });
const lengthMm = (title: string, maximum = 3000) =>
  measure(title, 'length', { exclusiveMinimum: 0, maximum });
const cents = (title: string) => Type.Integer({ title, minimum: 0, maximum: 10_000_000, money: true });
const choice = <const V extends string[]>(title: string, values: readonly [...V]) =>
  Type.Enum([...values] as [...V], { title });
const flag = (title: string) => Type.Boolean({ title });

/** One colour a style comes in. */
const colourFields = {
  name: shortText('Colour', 60),
  hex: Type.String({ title: 'Hex', pattern: '^#[0-9a-f]{6}$', help: 'six digits, lower case, as #1b2a4a' }),
  tone: choice('Seen as', ['light', 'tint', 'dark']),
  dye: Type.Enum([...DYES], { title: 'Dye', default: 'dyed' }),
};
export const GarmentColour = strictObject({ id: Id, ...colourFields });
export type GarmentColour = Static<typeof GarmentColour>;

export const GarmentSize = strictObject({
  size: shortText('Size', 12),
  cents: cents('Price'),
  bodyWidthMm: nullable(lengthMm('Body width', 1500)),
  collarDropMm: nullable(measure('Collar drop', 'length', { minimum: 0, maximum: 400 })),
});

/** What a blank was pretreated with before it was bought, by the sheet that came with it. */
export const BoughtPretreatment = strictObject({
  fluid: shortText('Pretreated with'),
  fibre: choice('Pretreated for', ['cotton', 'polyester']),
  pressC: heat('Pretreated: press'),
  pressS: seconds('Pretreated: time', 120),
  shelfDays: Type.Integer({ title: 'Pretreated: keeps, days', minimum: 1, maximum: 3650 }),
});

const blankFields = {
  name: shortText('Name'),
  maker: Type.String({ title: 'Maker', maxLength: 120 }),
  kind: choice('Kind', BLANK_KINDS),
  fibres: strictObject(
    {
      cotton: share('Cotton'),
      polyester: share('Polyester'),
      elastane: share('Elastane'),
      nylon: share('Nylon'),
      viscose: laterShare('Viscose'),
      modal: laterShare('Modal'),
      linen: laterShare('Linen'),
      wool: laterShare('Wool'),
      silk: laterShare('Silk'),
      acrylic: laterShare('Acrylic'),
      leatherette: laterShare('Leatherette'),
      other: share('Unknown fibre'),
    },
    { title: 'Fibres' },
  ),
  construction: choice('Made', ['knit', 'woven', 'fleece']),
  massGM2: measure('Mass', 'arealMass', { minimum: 30, maximum: 2000 }),
  thicknessMm: nullable(measure('Thickness pressed', 'length', { exclusiveMinimum: 0, maximum: 30 })),
  features: Type.Array(Type.Enum([...FEATURES]), { title: 'Features', uniqueItems: true }),
  maxPressC: nullable(measure('Maker’s highest temperature', 'temperature', { minimum: 60, maximum: 250 })),
  pretreated: nullable(BoughtPretreatment),
};
const PrintArea = strictObject({
  placement: choice('Place', PLACEMENT_KEYS),
  widthMm: lengthMm('Width'),
  heightMm: lengthMm('Height'),
});
const areas = Type.Array(PrintArea, { title: 'Printable areas', maxItems: 20 });
const sizes = Type.Array(GarmentSize, { title: 'Sizes', minItems: 1, maxItems: 30 });

/** A blank as the shop keeps it. */
export const GarmentStyle = strictObject({
  id: Id,
  ...blankFields,
  areas,
  colours: Type.Array(GarmentColour),
  sizes,
  version: Version,
});
export type GarmentStyle = Static<typeof GarmentStyle>;

/** A blank as a person writes it. */
export const BlankInput = strictObject({
  ...blankFields,
  colours: Type.Array(strictObject({ id: Type.Optional(Id), ...colourFields }), {
    title: 'Colours',
    minItems: 1,
    maxItems: 200,
  }),
  sizes,
  areas,
});
export type BlankInput = Static<typeof BlankInput>;

/** How a transfer is pressed that was not made for the line: all that its sheet names. */
const instructions = {
  peel: choice('Peel', ['hot', 'warm', 'cold']),
  pull: Type.Enum(['slow', 'fast'], { title: 'Pull', default: 'slow' }),
  pressC: heat('Press'),
  dwellS: seconds('Dwell', 600),
  kPa: measure('Pressure', 'pressure', { minimum: 1, maximum: 500 }),
  secondPressS: measure('Second press', 'duration', { minimum: 0, maximum: 120 }),
  sheet: choice('Under', SHEET_KINDS),
  capPressC: nullable(heat('On caps, press')),
  capDwellS: nullable(seconds('On caps, dwell', 600)),
  capKPa: nullable(measure('On caps, pressure', 'pressure', { minimum: 1, maximum: 500 })),
  keepsDays: Type.Integer({
    title: 'Keeps, days',
    minimum: 1,
    maximum: 3650,
    default: USUAL_KEEPS_DAYS,
    help: 'dry, flat and dark, as its sheet says',
  }),
};

/** What comes with transfers that were not made for a line. */
export const TransferSheet = strictObject(instructions);
export type TransferSheet = Static<typeof TransferSheet>;

/** What a material document holds, by kind of material. */
export const MATERIAL_DOCUMENTS = {
  film: strictObject({
    peel: choice('Peel', ['hot', 'warm', 'cold']),
    pull: choice('Pull', ['slow', 'fast']),
    coated: choice('Coated side', ['one', 'both']),
    isGlitter: flag('Glitter'),
    widthMm: lengthMm('Width'),
    heightMm: nullable(lengthMm('Height, none for a roll')),
    pressC: heat('Press'),
    dwellS: seconds('Dwell', 600),
    centsPerM2: cents('Price per m²'),
  }),
  powder: strictObject({
    grain: choice('Grain', ['fine', 'medium', 'coarse']),
    meltC: heat('Melts'),
    cureC: heat('Cure'),
    cureS: seconds('Cure time'),
    gM2: measure('Picked up', 'arealMass', { exclusiveMinimum: 0, maximum: 500 }),
    blocksDye: Type.Boolean({ title: 'Keeps wandering dye back', default: false }),
    centsPerKg: cents('Price per kg'),
    status: choice('Loading is', ['assumed', 'weighed']),
  }),
  ink: strictObject({
    use: choice('For', INK_USES),
    channels: shortText('Channels', 20),
    colourMlM2: Type.Number({ title: 'Colour laid down, ml/m²', minimum: 0, maximum: 500 }),
    whiteMlM2: Type.Number({ title: 'White laid down, ml/m²', minimum: 0, maximum: 500 }),
    cureC: nullable(heat('Cure')),
    cureS: nullable(seconds('Cure time')),
    polyesterCureC: nullable(heat('Cure on polyester')),
    polyesterCureS: nullable(seconds('Cure time on polyester')),
    colourCentsPerMl: cents('Colour per ml'),
    whiteCentsPerMl: cents('White per ml'),
    status: choice('Laydown is', ['assumed', 'weighed']),
  }),
  pretreatment: strictObject({
    fibre: choice('For', ['cotton', 'polyester']),
    gM2: span('Amount', 'arealMass', { minimum: 1, maximum: 1000 }),
    dryByS: measure('Dry within', 'duration', { minimum: 60, maximum: 86_400 }),
    centsPerKg: cents('Price per kg'),
  }),
  'cover-sheet': strictObject({
    kind: choice('Sheet', SHEET_KINDS),
    purpose: choice('Kept for', ['ink', 'pretreatment']),
    thicknessMm: measure('Thickness', 'length', { exclusiveMinimum: 0, maximum: 20 }),
    uses: Type.Integer({ title: 'Presses it lasts', minimum: 1, maximum: 100_000 }),
    usesSoFar: Type.Integer({ title: 'Presses so far', minimum: 0, maximum: 1_000_000 }),
    centsEach: cents('Price each'),
  }),
  tape: strictObject({
    maxC: measure('Holds to', 'temperature', { minimum: 40, maximum: 400 }),
    centsPerM: cents('Price per m'),
  }),
  liquid: strictObject({ centsPerL: cents('Price per litre') }),
  'bought-in': strictObject({
    ...instructions,
    isTrimmed: flag('Comes ganged, trimmed here'),
    minimum: Type.Integer({ title: 'Sold from, pieces', minimum: 1, maximum: 100_000 }),
    leadDays: Type.Integer({ title: 'Lead time, days', minimum: 0, maximum: 365 }),
    centsPerM2: cents('Price per m²'),
  }),
  'shelf-transfer': strictObject({
    artwork: Type.String({
      title: 'Artwork',
      minLength: 1,
      maxLength: 200,
      help: 'its name, as under Artwork',
    }),
    widthMm: lengthMm('Print, wide'),
    ...instructions,
    keepAtLeast: Type.Integer({
      title: 'Keep at least, pieces',
      minimum: 0,
      maximum: 100_000,
      default: 0,
      help: 'fewer are free, and Film says so; 0 for no wish',
    }),
    centsEach: cents('Price each'),
  }),
} as const satisfies Record<string, TSchema>;
export type MaterialKind = keyof typeof MATERIAL_DOCUMENTS;
export const MATERIAL_KINDS = [
  'film',
  'powder',
  'ink',
  'pretreatment',
  'cover-sheet',
  'tape',
  'liquid',
  'bought-in',
  'shelf-transfer',
] as const satisfies readonly MaterialKind[];

const size = { widthMm: lengthMm('Width'), heightMm: lengthMm('Height') };
const pressure = span('Pressure', 'pressure', { minimum: 0, maximum: 1000 });
/** A press of its kind does about so much, until it is timed (assumption: a plate is hot in a quarter of an hour). */
const rates = {
  heatsPerMin: Type.Number({ title: 'Heats, °C a minute', exclusiveMinimum: 0, maximum: 200, default: 12 }),
  coolsPerMin: Type.Number({ title: 'Cools, °C a minute', exclusiveMinimum: 0, maximum: 200, default: 2.5 }),
};

/** What a machine document holds, by kind of machine. */
export const MACHINE_DOCUMENTS = {
  printer: strictObject({
    tasks: Type.Array(Type.Enum([...PRINTER_TASKS]), { title: 'Prints', minItems: 1, uniqueItems: true }),
    modes: Type.Array(
      strictObject({
        name: shortText('Mode', 40),
        passes: Type.Integer({ title: 'Passes', minimum: 1, maximum: 64 }),
        minPerM2: Type.Number({ title: 'Minutes per m²', exclusiveMinimum: 0, maximum: 1000 }),
      }),
      { title: 'Modes, quickest first', minItems: 1, maxItems: 12 },
    ),
    ...size,
    platens: Type.Array(strictObject({ name: shortText('Platen', 40), ...size }), {
      title: 'Platens',
      maxItems: 20,
    }),
    whiteJobs: choice('Colour and white in', ['one', 'two']),
    isMirroring: flag('Its software mirrors film'),
    gripPadMm: nullable(measure('Grip pad for film', 'length', { exclusiveMinimum: 0, maximum: 30 })),
  }),
  sprayer: strictObject({
    isHandGun: flag('Hand gun'),
    widthMm: lengthMm('Sprays, wide'),
    dial: Type.Array(
      strictObject({
        mark: Type.Integer({ title: 'Mark', minimum: 0, maximum: 1000 }),
        gM2: measure('In one pass', 'arealMass', { exclusiveMinimum: 0, maximum: 2000 }),
      }),
      { title: 'Dial by its maker', maxItems: 40, default: [] },
    ),
    setting: nullable(
      strictObject({
        name: shortText('What is set on it', 30),
        least: Type.Number({ title: 'Least', exclusiveMinimum: 0, maximum: 100_000 }),
        most: Type.Number({ title: 'Most', exclusiveMinimum: 0, maximum: 100_000 }),
        step: Type.Number({ title: 'Smallest step', exclusiveMinimum: 0, maximum: 10_000 }),
        sense: Type.Enum(['up', 'down'], {
          title: 'More of it gives',
          help: 'up: more fluid; down: less, as of a speed',
        }),
      }),
    ),
    nozzle: Type.String({ title: 'Nozzle in it', maxLength: 60, default: '' }),
    gun: nullable(
      strictObject({
        flowGPerMin: Type.Number({ title: 'Gun gives, g a minute', exclusiveMinimum: 0, maximum: 5000 }),
        coneWide: Type.Number({
          title: 'Cone, long side',
          exclusiveMinimum: 0,
          maximum: 5,
          help: 'its width by its distance: 1 where it is as wide as the gun is far',
        }),
        coneNarrow: Type.Number({ title: 'Cone, short side', exclusiveMinimum: 0, maximum: 5 }),
        landsShare: Type.Number({ title: 'Lands, as a share', exclusiveMinimum: 0, maximum: 1 }),
      }),
    ),
  }),
  press: strictObject({
    opening: choice('Opens', ['clam', 'swing', 'draw']),
    isAutoOpening: flag('Opens by itself'),
    hasHeatedLower: flag('Heated lower side'),
    plateC: heat('Plate'),
    ...rates,
    kPa: pressure,
    pressureScale: Type.Array(
      strictObject({
        mark: Type.Number({ title: 'Mark', minimum: 0, maximum: 100 }),
        kPa: measure('Pressure', 'pressure', { minimum: 0, maximum: 1000 }),
      }),
      { title: 'Pressure scale, by gauge', maxItems: 20 },
    ),
    ...size,
  }),
  'cap-press': strictObject({
    plateC: heat('Plate'),
    ...rates,
    lowerC: nullable(heat('Lower plate')),
    kPa: pressure,
    ...size,
  }),
  'hand-iron': strictObject({ plateC: heat('Sole') }),
  oven: strictObject({ chamberC: heat('Chamber'), ...size }),
  griddle: strictObject({ surfaceC: heat('Surface'), ...size }),
  belt: strictObject({
    tunnelC: heat('Tunnel'),
    widthMm: lengthMm('Belt, wide'),
    tunnelMm: lengthMm('Tunnel, long', 20_000),
  }),
  rack: strictObject({ places: Type.Integer({ title: 'Places', minimum: 1, maximum: 1000 }) }),
  'cooling-table': strictObject({
    places: Type.Integer({ title: 'Places', minimum: 1, maximum: 1000 }),
    isMetal: flag('Metal'),
  }),
} as const satisfies Record<(typeof MACHINE_KINDS)[number], TSchema>;
export type MachineKind = keyof typeof MACHINE_DOCUMENTS;

const Properties = Type.Record(Type.String(), Type.Unknown());
const materialFields = {
  kind: choice('Kind', MATERIAL_KINDS),
  name: shortText('Name'),
  maker: Type.String({ title: 'Maker', maxLength: 120 }),
  lot: Type.String({ title: 'Lot', maxLength: 60 }),
  stock: nullable(Type.Number({ title: 'In stock', minimum: 0, maximum: 1_000_000 })),
  stockUnit: Type.String({ title: 'Stock in', maxLength: 20 }),
};
const machineFields = {
  kind: choice('Kind', MACHINE_KINDS),
  name: shortText('Name'),
  maker: Type.String({ title: 'Maker', maxLength: 120 }),
};

export const MaterialInput = strictObject({ ...materialFields, properties: Properties });
export type MaterialInput = Static<typeof MaterialInput>;
export const MachineInput = strictObject({ ...machineFields, properties: Properties });
export type MachineInput = Static<typeof MachineInput>;

/** What this shop's weighings say of a material, in place of what is assumed of it. Never edited, only weighed anew. */
export const Learnt = strictObject({
  weighings: Type.Integer({ minimum: 1 }),
  /** By the name of the assumed figure. */
  values: Type.Record(Type.String(), strictObject({ value: Type.Number(), sd: Type.Number() })),
});
export type Learnt = Static<typeof Learnt>;
export const Material = strictObject({
  id: Id,
  ...materialFields,
  properties: Properties,
  /** `null` until something of it was weighed. */
  learnt: nullable(Learnt),
  version: Version,
});
export type Material = Static<typeof Material>;
export const Machine = strictObject({
  id: Id,
  ...machineFields,
  properties: Properties,
  /** Of a sprayer: what its weighings say. Never edited, only weighed anew. */
  fits: Type.Optional(Type.Array(NozzleFit)),
  version: Version,
});
export type Machine = Static<typeof Machine>;

/** The parts of a material's and a machine's own document that a form or a table shows before its properties. */
export const MATERIAL_HEAD = strictObject(materialFields);
export const MACHINE_HEAD = strictObject(machineFields);

/** What the shop has to work with, read whole. Lists are in the shop's order of preference. */
export const Catalogue = strictObject({
  styles: Type.Array(GarmentStyle),
  materials: Type.Array(Material),
  machines: Type.Array(Machine),
  house: versioned(HouseDocument),
  rates: versioned(RatesDocument),
  writing: ShopWriting,
});
export type Catalogue = Static<typeof Catalogue>;
