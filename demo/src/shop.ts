import type { GarmentStyle, MachineKind, MaterialKind } from '@saltflat/contract';

interface DemoStyle extends Omit<GarmentStyle, 'id' | 'colours' | 'sizes'> {
  colours: [name: string, hex: string, tone: 'light' | 'tint' | 'dark'][];
  sizes: [size: string, cents: number][];
}

const ADULT: [string, number][] = [
  ['S', 340],
  ['M', 340],
  ['L', 340],
  ['XL', 360],
  ['XXL', 410],
];
const plusCents = (sizes: [string, number][], cents: number): [string, number][] =>
  sizes.map(([size, price]) => [size, price + cents]);
const cottonOnly = { cotton: 1, polyester: 0, elastane: 0, other: 0 };

/** Blanks of the made-up makers Tarn & Fell and Northquay. */
export const DEMO_STYLES: readonly DemoStyle[] = [
  {
    name: 'Harbour tee', kind: 'tee', fibres: cottonOnly, construction: 'knit', massGM2: 180, maxPressC: null, sizes: ADULT,
    colours: [['Navy', '#1b2a4a', 'dark'], ['Black', '#141416', 'dark'], ['White', '#fbfbf9', 'light'], ['Brick', '#8c2f26', 'dark'], ['Sand', '#e9dcc3', 'tint']],
  },
  {
    name: 'Slipway heather tee', kind: 'tee', fibres: { cotton: 0.52, polyester: 0.48, elastane: 0, other: 0 }, construction: 'knit', massGM2: 165, maxPressC: 165, sizes: plusCents(ADULT, 60),
    colours: [['Heather grey', '#b9bcc0', 'dark'], ['Heather teal', '#3d7f86', 'dark']],
  },
  {
    name: 'Marker bib', kind: 'bib', fibres: { cotton: 0, polyester: 1, elastane: 0, other: 0 }, construction: 'knit', massGM2: 140, maxPressC: 145, sizes: [['One size', 290]],
    colours: [['Signal orange', '#f26a1b', 'dark'], ['Lime', '#b7d433', 'dark']],
  },
  {
    name: 'Breakwater hoodie', kind: 'hoodie', fibres: { cotton: 0.8, polyester: 0.2, elastane: 0, other: 0 }, construction: 'fleece', massGM2: 300, maxPressC: 165, sizes: plusCents(ADULT, 1150),
    colours: [['Black', '#161618', 'dark'], ['Bottle green', '#17402f', 'dark']],
  },
  {
    name: 'Canvas tote', kind: 'tote', fibres: cottonOnly, construction: 'woven', massGM2: 340, maxPressC: null, sizes: [['One size', 260]],
    colours: [['Natural', '#efe6d2', 'tint'], ['Charcoal', '#3a3c40', 'dark']],
  },
  {
    name: 'Pier cap', kind: 'cap', fibres: { cotton: 0.97, polyester: 0, elastane: 0.03, other: 0 }, construction: 'woven', massGM2: 250, maxPressC: 150, sizes: [['One size', 520]],
    colours: [['Navy', '#1c2740', 'dark']],
  },
]; // prettier-ignore

/** Materials of the made-up makers Scree, Sedge and Fen, with figures like a maker's sheet would give. */
export const DEMO_MATERIALS: readonly { kind: MaterialKind; name: string; properties: Record<string, unknown> }[] = [
  { kind: 'film', name: 'Scree Matt Cold 75', properties: { peel: 'cold', pressC: { min: 130, max: 165 }, dwellS: { min: 10, max: 30 }, centsPerM2: 420 } },
  { kind: 'powder', name: 'Scree Fine Powder', properties: { cureC: { min: 130, max: 165 }, cureS: { min: 120, max: 240 }, gM2: 45, centsPerKg: 3900, status: 'assumed' } },
  {
    kind: 'ink', name: 'Sedge Film Inks',
    properties: { process: 'dtf', colourMlM2: 7, whiteMlM2: 16, cureC: null, cureS: null, colourCentsPerMl: 11, whiteCentsPerMl: 9, status: 'assumed' },
  },
  {
    kind: 'ink', name: 'Sedge Textile Inks',
    properties: { process: 'dtg', colourMlM2: 9, whiteMlM2: 75, cureC: { min: 155, max: 175 }, cureS: { min: 60, max: 150 }, colourCentsPerMl: 19, whiteCentsPerMl: 15, status: 'assumed' },
  },
  { kind: 'pretreatment', name: 'Fen Primer', properties: { fibre: 'cotton', gM2: { min: 110, max: 180 }, centsPerKg: 1400 } },
  { kind: 'pretreatment', name: 'Fen Primer P', properties: { fibre: 'polyester', gM2: { min: 140, max: 220 }, centsPerKg: 1900 } },
  { kind: 'cover-sheet', name: 'Parchment sheet', properties: { kind: 'parchment', uses: 100, centsEach: 60 } },
]; // prettier-ignore

/** Machines of the made-up maker Lathe & Pier. */
export const DEMO_MACHINES: readonly {
  kind: MachineKind;
  name: string;
  properties: Record<string, unknown>;
}[] = [
  {
    kind: 'printer',
    name: 'Film printer',
    properties: { process: 'dtf', minPerM2: 22, widthMm: 600, heightMm: 1000 },
  },
  {
    kind: 'printer',
    name: 'Direct printer',
    properties: { process: 'dtg', minPerM2: 38, widthMm: 400, heightMm: 500 },
  },
  {
    kind: 'press',
    name: 'Press A',
    properties: { plateC: { min: 20, max: 220 }, kPa: { min: 5, max: 90 }, widthMm: 400, heightMm: 500 },
  },
  { kind: 'oven', name: 'Drawer oven', properties: { chamberC: { min: 40, max: 200 } } },
];
