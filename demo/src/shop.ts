import type { BlankInput, MachineInput, MaterialInput } from '@saltflat/contract';
import { fibresOf } from '@saltflat/core/blank';
import type { Dye, Fibres } from '@saltflat/core/blank';

type Sizes = BlankInput['sizes'];
type Colour = [name: string, hex: string, tone: 'light' | 'tint' | 'dark', dye?: Dye];

const size = (name: string, cents: number, bodyWidthMm: number | null): Sizes[number] => ({
  size: name,
  cents,
  bodyWidthMm,
  collarDropMm: null,
});
/** Adult sizes, each 50 mm wider than the one before, the large ones dearer. */
const adult = (cents: number, smallestMm: number): Sizes => [
  size('S', cents, smallestMm),
  size('M', cents, smallestMm + 50),
  size('L', cents, smallestMm + 100),
  size('XL', cents + 20, smallestMm + 150),
  size('XXL', cents + 70, smallestMm + 200),
];
const oneSize = (cents: number, widthMm: number): Sizes => [size('One size', cents, widthMm)];
const fibres = (cotton: number, polyester: number, elastane = 0): Fibres =>
  fibresOf({ cotton, polyester, elastane });
const COTTON = fibres(1, 0);

interface DemoBlank extends Partial<Omit<BlankInput, 'colours'>> {
  name: string;
  kind: BlankInput['kind'];
  sizes: Sizes;
  colours: Colour[];
}

const blank = ({ colours, ...own }: DemoBlank): BlankInput => ({
  maker: 'Tarn & Fell',
  fibres: COTTON,
  construction: 'knit',
  massGM2: 180,
  thicknessMm: null,
  features: [],
  maxPressC: null,
  pretreated: null,
  areas: [],
  ...own,
  colours: colours.map(([name, hex, tone, dye = tone === 'light' ? 'undyed' : 'dyed']) => ({
    name,
    hex,
    tone,
    dye,
  })),
});

const CHEST_AND_FRONT: BlankInput['areas'] = [
  { placement: 'full-front', widthMm: 330, heightMm: 420 },
  { placement: 'left-chest', widthMm: 110, heightMm: 130 },
  { placement: 'back', widthMm: 340, heightMm: 440 },
];
const CAP_FRONT: BlankInput['areas'] = [{ placement: 'cap-front', widthMm: 120, heightMm: 60 }];

/** Blanks of the made-up makers Tarn & Fell and Northquay. */
export const DEMO_BLANKS: readonly BlankInput[] = [
  blank({
    name: 'Harbour tee', kind: 'tee', sizes: adult(340, 460), areas: CHEST_AND_FRONT,
    colours: [['Navy', '#1b2a4a', 'dark'], ['Black', '#141416', 'dark'], ['White', '#fbfbf9', 'light'], ['Brick', '#8c2f26', 'dark'], ['Sand', '#e9dcc3', 'tint']],
  }),
  blank({
    name: 'Harbour tee, primed', kind: 'tee', sizes: adult(465, 460), areas: CHEST_AND_FRONT, colours: [['Black', '#141416', 'dark'], ['Navy', '#1b2a4a', 'dark']],
    pretreated: { fluid: 'Tarn & Fell mill primer', fibre: 'cotton', pressC: { min: 155, max: 170 }, pressS: { min: 6, max: 10 }, shelfDays: 270 },
  }),
  blank({
    name: 'Slipway heather tee', kind: 'tee', sizes: adult(400, 455), areas: CHEST_AND_FRONT, fibres: fibres(0.52, 0.48), massGM2: 165, maxPressC: 165,
    colours: [['Heather grey', '#b9bcc0', 'dark'], ['Heather teal', '#3d7f86', 'dark']],
  }),
  blank({
    name: 'Regatta performance shirt', kind: 'performance-shirt', sizes: adult(620, 470), maker: 'Northquay', fibres: fibres(0, 1), massGM2: 135, maxPressC: 150,
    colours: [['Signal red', '#c2272d', 'dark', 'migrating'], ['White', '#fafafa', 'light']],
  }),
  blank({
    name: 'Marker bib', kind: 'bib', sizes: oneSize(290, 400), maker: 'Northquay', fibres: fibres(0, 1), massGM2: 140, maxPressC: 145,
    colours: [['Signal orange', '#f26a1b', 'dark'], ['Lime', '#b7d433', 'dark']],
  }),
  blank({
    name: 'Breakwater hoodie', kind: 'hoodie', sizes: adult(1490, 510), fibres: fibres(0.8, 0.2), construction: 'fleece', massGM2: 300, maxPressC: 165,
    features: ['pocket', 'hood', 'drawcord', 'thick-seams'], colours: [['Black', '#161618', 'dark'], ['Bottle green', '#17402f', 'dark']],
  }),
  blank({
    name: 'Canvas tote', kind: 'tote', sizes: oneSize(260, 380), construction: 'woven', massGM2: 340,
    colours: [['Natural', '#efe6d2', 'tint'], ['Charcoal', '#3a3c40', 'dark']], areas: [{ placement: 'tote-front', widthMm: 300, heightMm: 320 }],
  }),
  blank({
    name: 'Pier cap', kind: 'cap-five', sizes: oneSize(520, 190), fibres: fibres(0.97, 0, 0.03), construction: 'woven', massGM2: 250, maxPressC: 150,
    features: ['stiffener'], areas: CAP_FRONT, colours: [['Navy', '#1c2740', 'dark']],
  }),
  blank({
    name: 'Lookout six-panel cap', kind: 'cap-six', sizes: oneSize(560, 190), construction: 'woven', massGM2: 260, maxPressC: 150,
    features: ['stiffener', 'panel-seam'], areas: CAP_FRONT, colours: [['Stone', '#c9bda6', 'tint']],
  }),
  blank({
    name: 'Swell stretch cap', kind: 'cap-stretch', sizes: oneSize(690, 190), maker: 'Northquay', fibres: fibres(0, 0.94, 0.06), construction: 'woven', massGM2: 190, maxPressC: 140,
    features: ['elastic', 'foam'], areas: CAP_FRONT, colours: [['Graphite', '#33363b', 'dark']],
  }),
  blank({
    name: 'Galley apron', kind: 'apron', sizes: oneSize(480, 600), fibres: fibres(0.35, 0.65), construction: 'woven', massGM2: 220, maxPressC: 160,
    features: ['pocket'], colours: [['Slate', '#4b5560', 'dark']],
  }),
  blank({ name: 'Window-seat cushion', kind: 'cushion', sizes: oneSize(610, 400), construction: 'woven', massGM2: 220, colours: [['White', '#fbfbf8', 'light']] }),
  blank({ name: 'Fold mask', kind: 'mask', sizes: oneSize(140, 190), construction: 'woven', massGM2: 150, features: ['elastic'], colours: [['White', '#fbfbf9', 'light']] }),
  blank({
    name: 'Dry-dock jeans', kind: 'jeans', construction: 'woven', massGM2: 400, features: ['thick-seams', 'zip'],
    sizes: [size('30', 1900, 360), size('32', 1900, 380), size('34', 1900, 400)], colours: [['Indigo', '#26324f', 'dark']],
  }),
  blank({
    name: 'Moor leatherette patch', kind: 'patch', sizes: oneSize(85, 80), maker: 'Northquay', fibres: fibresOf({ leatherette: 1 }), construction: 'woven', massGM2: 990, thicknessMm: 1.1,
    maxPressC: 150, colours: [['Tan', '#a9774a', 'dark']], areas: [{ placement: 'patch-face', widthMm: 72, heightMm: 42 }],
  }),
  blank({
    name: 'Squall jacket', kind: 'jacket', sizes: adult(2400, 500), maker: 'Northquay', fibres: fibresOf({ nylon: 1 }), construction: 'woven', massGM2: 110,
    features: ['zip', 'water-repellent'], colours: [['Storm blue', '#2b3f5c', 'dark']], areas: [{ placement: 'left-chest', widthMm: 100, heightMm: 100 }, { placement: 'back', widthMm: 300, heightMm: 300 }],
  }),
  blank({
    name: 'Driftwood top', kind: 'top', sizes: adult(560, 440), fibres: fibresOf({ viscose: 0.95, elastane: 0.05 }), massGM2: 190, areas: CHEST_AND_FRONT.slice(0, 2),
    colours: [['Pebble', '#8d8a86', 'dark'], ['Chalk', '#f7f6f2', 'light']],
  }),
  blank({
    name: 'Keel leggings', kind: 'leggings', sizes: adult(980, 300), maker: 'Northquay', fibres: fibresOf({ polyester: 0.8, elastane: 0.2 }), massGM2: 250,
    colours: [['Kelp', '#22342c', 'dark', 'migrating']], areas: [{ placement: 'leggings-leg', widthMm: 70, heightMm: 200 }],
  }),
  blank({
    name: 'Deck blanket', kind: 'blanket', sizes: oneSize(2600, 1200), fibres: fibresOf({ wool: 0.5, acrylic: 0.5 }), construction: 'woven', massGM2: 420,
    colours: [['Oat', '#d8cbb2', 'tint']], areas: [{ placement: 'blanket-corner', widthMm: 200, heightMm: 200 }],
  }),
  blank({
    name: 'Dinghy bag', kind: 'bag', sizes: oneSize(1150, 330), maker: 'Northquay', fibres: fibresOf({ polyester: 1 }), construction: 'woven', massGM2: 300,
    features: ['coating', 'zip'], colours: [['Harbour grey', '#5a6066', 'dark']], areas: [{ placement: 'bag-front', widthMm: 200, heightMm: 150 }],
  }),
]; // prettier-ignore

const material = (
  kind: MaterialInput['kind'],
  name: string,
  maker: string,
  stock: [amount: number, unit: string] | null,
  properties: Record<string, unknown>,
): MaterialInput => ({
  kind,
  name,
  maker,
  lot: stock === null ? '' : `${maker.slice(0, 2).toUpperCase()}-31`,
  stock: stock?.[0] ?? null,
  stockUnit: stock?.[1] ?? '',
  properties,
});

const film = { pull: 'slow', coated: 'one', isGlitter: false, widthMm: 600, heightMm: null };
const sheet = { purpose: 'ink', thicknessMm: 0.05, uses: 100, usesSoFar: 12, centsEach: 60 };

/** Materials of the made-up makers Scree, Sedge and Fen, with figures like a maker's sheet would give. */
export const DEMO_MATERIALS: readonly MaterialInput[] = [
  material('film', 'Scree Matt Cold 75', 'Scree', [84, 'm'], { ...film, peel: 'cold', pressC: { min: 130, max: 165 }, dwellS: { min: 10, max: 30 }, centsPerM2: 420 }),
  material('film', 'Scree Quick Hot 75', 'Scree', [30, 'm'], { ...film, peel: 'hot', pull: 'fast', pressC: { min: 140, max: 165 }, dwellS: { min: 8, max: 20 }, centsPerM2: 510 }),
  material('film', 'Scree Warm Sheet', 'Scree', [120, 'sheets'], { ...film, peel: 'warm', widthMm: 330, heightMm: 480, pressC: { min: 135, max: 160 }, dwellS: { min: 10, max: 25 }, centsPerM2: 560 }),
  material('powder', 'Scree Fine Powder', 'Scree', [6.4, 'kg'], { grain: 'fine', meltC: { min: 100, max: 120 }, cureC: { min: 130, max: 165 }, cureS: { min: 120, max: 240 }, gM2: 45, blocksDye: false, centsPerKg: 3900, status: 'assumed' }),
  material('powder', 'Scree Barrier Powder', 'Scree', [1.8, 'kg'], { grain: 'medium', meltC: { min: 95, max: 115 }, cureC: { min: 125, max: 155 }, cureS: { min: 120, max: 210 }, gM2: 55, blocksDye: true, centsPerKg: 6200, status: 'assumed' }),
  material('ink', 'Sedge Film Inks', 'Sedge', [3.1, 'l'], { use: 'film', channels: 'CMYKW', colourMlM2: 7, whiteMlM2: 16, cureC: null, cureS: null, polyesterCureC: null, polyesterCureS: null, colourCentsPerMl: 11, whiteCentsPerMl: 9, status: 'assumed' }),
  material('ink', 'Sedge Textile Inks', 'Sedge', [4.2, 'l'], { use: 'textile', channels: 'CMYKW', colourMlM2: 9, whiteMlM2: 75, cureC: { min: 155, max: 175 }, cureS: { min: 60, max: 150 }, polyesterCureC: { min: 138, max: 145 }, polyesterCureS: { min: 100, max: 180 }, colourCentsPerMl: 19, whiteCentsPerMl: 15, status: 'assumed' }),
  material('ink', 'Sedge Vapour Inks', 'Sedge', [0.8, 'l'], { use: 'sublimation', channels: 'CMYK', colourMlM2: 8, whiteMlM2: 0, cureC: null, cureS: null, polyesterCureC: null, polyesterCureS: null, colourCentsPerMl: 8, whiteCentsPerMl: 0, status: 'assumed' }),
  material('pretreatment', 'Fen Primer', 'Fen', [18, 'kg'], { fibre: 'cotton', gM2: { min: 110, max: 180 }, dryByS: 1200, centsPerKg: 1400 }),
  material('pretreatment', 'Fen Primer P', 'Fen', [5, 'kg'], { fibre: 'polyester', gM2: { min: 140, max: 220 }, dryByS: 900, centsPerKg: 1900 }),
  material('cover-sheet', 'Parchment sheet', 'Fen', [40, 'sheets'], { ...sheet, kind: 'parchment' }),
  material('cover-sheet', 'Primer parchment', 'Fen', [40, 'sheets'], { ...sheet, kind: 'parchment', purpose: 'pretreatment', usesSoFar: 30 }),
  material('cover-sheet', 'Kraft sheet', 'Fen', [60, 'sheets'], { ...sheet, kind: 'kraft', thicknessMm: 0.11, uses: 40, usesSoFar: 0, centsEach: 18 }),
  material('cover-sheet', 'Grey silicone mat', 'Fen', [2, 'mats'], { ...sheet, kind: 'silicone-thick', thicknessMm: 3, uses: 2000, usesSoFar: 140, centsEach: 1800 }),
  material('tape', 'Amber heat tape', 'Fen', [4, 'rolls'], { maxC: 250, centsPerM: 12 }),
  material('liquid', 'Fen wetting alcohol', 'Fen', [1, 'l'], { centsPerL: 1150 }),
  material('bought-in', 'Quarry ganged transfers', 'Quarry', null, { peel: 'warm', pull: 'slow', capPressC: null, capDwellS: null, capKPa: null, pressC: { min: 145, max: 155 }, dwellS: { min: 12, max: 15 }, kPa: 45, secondPressS: 5, sheet: 'parchment', keepsDays: 180, isTrimmed: true, minimum: 12, leadDays: 6, centsPerM2: 2600 }),
  material('bought-in', 'Ledge low-heat transfers', 'Ledge', null, { peel: 'cold', pull: 'slow', capPressC: { min: 132, max: 140 }, capDwellS: { min: 8, max: 12 }, capKPa: 70, pressC: { min: 128, max: 140 }, dwellS: { min: 12, max: 18 }, kPa: 35, secondPressS: 5, sheet: 'parchment', keepsDays: 180, isTrimmed: false, minimum: 6, leadDays: 9, centsPerM2: 3900 }),
  material('shelf-transfer', 'Mooring café mark, ready', 'made here', null, { artwork: 'mooring-cafe.png', widthMm: 51, peel: 'cold', pull: 'slow', capPressC: null, capDwellS: null, capKPa: null, pressC: { min: 145, max: 160 }, dwellS: { min: 12, max: 18 }, kPa: 40, secondPressS: 10, sheet: 'parchment', keepsDays: 180, keepAtLeast: 60, centsEach: 58 }),
]; // prettier-ignore

const machine = (
  kind: MachineInput['kind'],
  name: string,
  properties: Record<string, unknown>,
): MachineInput => ({ kind, name, maker: 'Lathe & Pier', properties });

/** Machines of the made-up maker Lathe & Pier. */
export const DEMO_MACHINES: readonly MachineInput[] = [
  machine('printer', 'Film printer', { tasks: ['film'], modes: [{ name: 'standard', passes: 6, minPerM2: 22 }, { name: 'fine', passes: 8, minPerM2: 34 }], widthMm: 600, heightMm: 1000, platens: [], whiteJobs: 'one', isMirroring: true, gripPadMm: null }),
  machine('printer', 'Direct printer', { tasks: ['direct'], modes: [{ name: 'standard', passes: 8, minPerM2: 38 }, { name: 'fine', passes: 12, minPerM2: 55 }], widthMm: 400, heightMm: 500, platens: [{ name: 'chest', widthMm: 180, heightMm: 180 }, { name: 'standard', widthMm: 350, heightMm: 400 }, { name: 'large', widthMm: 400, heightMm: 500 }], whiteJobs: 'two', isMirroring: false, gripPadMm: 3 }),
  machine('printer', 'Desk printer', { tasks: ['sublimation'], modes: [{ name: 'photo', passes: 12, minPerM2: 50 }], widthMm: 210, heightMm: 297, platens: [], whiteJobs: 'one', isMirroring: true, gripPadMm: null }),
  machine('press', 'Press A', { opening: 'swing', isAutoOpening: true, hasHeatedLower: false, plateC: { min: 20, max: 220 }, heatsPerMin: 12, coolsPerMin: 2.5, kPa: { min: 5, max: 90 }, pressureScale: [{ mark: 1, kPa: 10 }, { mark: 4, kPa: 38 }, { mark: 8, kPa: 86 }], widthMm: 400, heightMm: 500 }),
  machine('press', 'Press B', { opening: 'clam', isAutoOpening: false, hasHeatedLower: false, plateC: { min: 20, max: 220 }, heatsPerMin: 12, coolsPerMin: 2.5, kPa: { min: 5, max: 70 }, pressureScale: [], widthMm: 380, heightMm: 380 }),
  machine('cap-press', 'Cap press', { plateC: { min: 20, max: 200 }, heatsPerMin: 12, coolsPerMin: 2.5, lowerC: { min: 20, max: 150 }, kPa: { min: 5, max: 110 }, widthMm: 140, heightMm: 80 }),
  machine('hand-iron', 'Hand iron', { plateC: { min: 60, max: 200 } }),
  machine('oven', 'Drawer oven', { chamberC: { min: 40, max: 200 }, widthMm: 620, heightMm: 640 }),
  machine('griddle', 'Bench griddle', { surfaceC: { min: 60, max: 220 }, widthMm: 500, heightMm: 300 }),
  machine('sprayer', 'Spray box', { isHandGun: false, widthMm: 400, dial: [{ mark: 20, gM2: 70 }, { mark: 40, gM2: 140 }, { mark: 60, gM2: 205 }, { mark: 80, gM2: 270 }], setting: { name: 'Volume, %', least: 10, most: 100, step: 5, sense: 'up' }, nozzle: 'brass 0.4', gun: null }),
  machine('sprayer', 'Hand gun', { isHandGun: true, widthMm: 250, dial: [], setting: null, nozzle: 'fan 0.8', gun: { flowGPerMin: 240, coneWide: 1, coneNarrow: 0.4, landsShare: 0.9 } }),
  machine('rack', 'Tall rack', { places: 40 }),
  machine('cooling-table', 'Steel table', { places: 6, isMetal: true }),
]; // prettier-ignore

/** Lots that were in use all along, by the names of their materials. */
/** Packets on the shelf: how many, made how long ago. */
export const DEMO_PACKETS: readonly { transfer: string; pieces: number; daysAgo: number; lot: string; note: string }[] = [
  { transfer: 'Mooring café mark, ready', pieces: 4, daysAgo: 148, lot: 'L-2418', note: 'Left of the winter shirts.' },
  { transfer: 'Mooring café mark, ready', pieces: 14, daysAgo: 20, lot: 'L-2600', note: '' },
]; // prettier-ignore

export const DEMO_LOTS: readonly (readonly [material: string, lot: string])[] = DEMO_MATERIALS.filter(
  ({ kind }) => ['film', 'ink', 'powder', 'pretreatment'].includes(kind),
).map(({ name }, i) => [name, `L-${2600 + 17 * i}`]);
