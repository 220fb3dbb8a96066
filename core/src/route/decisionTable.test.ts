import { expect } from 'chai';
import { codesIn } from '../words/index.ts';
import type { Code, Said } from '../words/index.ts';
import fc from 'fast-check';
import { fibresOf } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import {
  anyLine,
  cap,
  coldFilm,
  cottonTee,
  eachRoute,
  equipment,
  hoodie,
  hotFilm,
  lineInput,
  lineOf,
  millPrimer,
  plannedOrNull,
  polyesterBib,
  routeOf,
  settingOf,
  shelf,
  shopWith,
  small,
} from '../fixtures/index.ts';
import { REASON_SOURCES } from '../work/index.ts';
import { DEFAULT_HOUSE, planRoute } from './index.ts';
import type { HouseMethods, Process, PrintInput, Route, RouteInput } from './index.ts';

type Span = readonly [min: number, max: number];
interface Row {
  what: string;
  process: Process;
  garment?: Partial<Garment>;
  house?: Partial<HouseMethods>;
  own?: Partial<PrintInput>;
  /** Settings by operation and key, with the span practice gives them. */
  expect?: Record<string, Span>;
  /** Operations that must and must not be there. */
  has?: readonly string[];
  lacks?: readonly string[];
  /** The kinds of limits it must break, and no other; left out, none may be. */
  conflict?: readonly Code[];
  /** It cannot be done, and why. */
  refusal?: Code;
  slip?: Code;
  /** What is chosen of several, by role. */
  source?: Record<string, string>;
  /** Why a setting is what it is, by its strongest reason. */
  reason?: Record<string, Code>;
}

const POLYESTER = fibresOf({ polyester: 1 });
const LIGHT = { tone: 'light', colourHex: '#ffffff', colourName: 'White' } as const;
const TINT = { tone: 'tint', colourHex: '#d9e4ee', colourName: 'Mist' } as const;
const DENIM: Partial<Garment> = {
  kind: 'jeans',
  construction: 'woven',
  massGM2: 400,
  features: ['thick-seams'],
};
const STOCKED: Partial<PrintInput> = shopWith({ shelf });
const PRESSES_ALONE = {
  ...equipment,
  printers: [],
  inkSets: [],
  films: [],
  powders: [],
  ovens: [],
  griddles: [],
  sprayers: [],
};
const PATCH: Partial<Garment> = {
  kind: 'patch',
  fibres: fibresOf({ leatherette: 1 }),
  construction: 'woven',
  massGM2: 990,
  thicknessMm: 1.1,
};
const TOTE: Partial<Garment> = { kind: 'tote', construction: 'woven', massGM2: 340 };
const WICKING: Partial<Garment> = {
  kind: 'performance-shirt',
  fibres: POLYESTER,
  massGM2: 130,
  maxPressC: 150,
};
const HOT: Record<string, Span> = { 'press-transfer.tempC': [150, 165], 'press-transfer.dwellS': [10, 20] };
const COOL: Record<string, Span> = {
  'press-transfer.tempC': [130, 140],
  'press-transfer.dwellS': [15, 50],
  'press-transfer.kPa': [15, 35],
};
const BETWEEN: Record<string, Span> = {
  'press-transfer.tempC': [135, 160],
  'press-transfer.dwellS': [12, 30],
};
const override = (operation: string, setting: string, value: number): PrintInput['overrides'] => [
  { operation, setting, value, who: 'Ines', why: 'a test' },
];
const full = { ...lineInput().placement, key: 'full-front' as const };
const overPocket = { placement: { ...full, dropMm: 140 }, print: { ...lineInput().print, heightMm: 320 } };

/** What practice does, by process, fabric, colour, feature and house method: trade ranges, narrowed where the fabric narrows them. */
const TABLE: Row[] = [
  { what: 'film on dark cotton', process: 'dtf', expect: HOT },
  { what: 'film on light cotton', process: 'dtf', garment: LIGHT, expect: HOT },
  { what: 'film on cotton canvas: longer, firm', process: 'dtf', garment: TOTE, own: small('tote-front'), expect: { ...HOT, 'press-transfer.dwellS': [15, 25], 'press-transfer.kPa': [50, 65] } },
  { what: 'film on denim', process: 'dtf', garment: DENIM, own: small('jeans-leg'), expect: { ...HOT, 'press-transfer.kPa': [50, 65] } },
  { what: 'film on cotton fleece', process: 'dtf', garment: hoodie, expect: { ...BETWEEN, 'pre-press.kPa': [60, 90] } },
  { what: 'film on a heather, which is a blend', process: 'dtf', garment: { fibres: fibresOf({ cotton: 0.52, polyester: 0.48 }) }, expect: BETWEEN },
  { what: 'film on a light heather', process: 'dtf', garment: { fibres: fibresOf({ cotton: 0.52, polyester: 0.48 }), ...LIGHT }, expect: BETWEEN },
  { what: 'film on polyester', process: 'dtf', garment: polyesterBib, expect: COOL },
  { what: 'film on white polyester', process: 'dtf', garment: { fibres: POLYESTER, ...LIGHT }, expect: COOL },
  { what: 'film on stretch polyester', process: 'dtf', garment: { fibres: fibresOf({ polyester: 0.9, elastane: 0.1 }) }, expect: COOL },
  { what: 'film on polyester whose dye is known to wander', process: 'dtf', garment: { fibres: POLYESTER, dye: 'migrating' }, expect: { 'press-transfer.tempC': [130, 130] } },
  { what: 'film on cotton with elastane', process: 'dtf', garment: { fibres: fibresOf({ cotton: 0.95, elastane: 0.05 }) }, expect: { 'press-transfer.tempC': [150, 160] } },
  { what: 'film on a burgundy 60/35/5 zip fleece, left chest', process: 'dtf', garment: { kind: 'hoodie', construction: 'fleece', massGM2: 280, features: ['zip', 'hood'], fibres: fibresOf({ cotton: 0.6, polyester: 0.35, elastane: 0.05 }) }, own: small('left-chest'), expect: BETWEEN },
  { what: 'film on nylon', process: 'dtf', garment: { fibres: fibresOf({ nylon: 1 }) }, expect: { 'press-transfer.tempC': [130, 145] } },
  { what: 'film on coated canvas', process: 'dtf', garment: { ...TOTE, features: ['coating'] }, own: small('tote-front'), expect: { 'press-transfer.tempC': [130, 140] } },
  { what: 'film on an apron of polyester and cotton', process: 'dtf', garment: { kind: 'apron', construction: 'woven', massGM2: 220, fibres: fibresOf({ cotton: 0.35, polyester: 0.65 }) }, own: small('apron-front'), expect: { 'press-transfer.tempC': [130, 150] } },
  { what: 'film on a cushion', process: 'dtf', garment: { kind: 'cushion', construction: 'woven', massGM2: 200 }, own: small('cushion-front'), expect: HOT },
  { what: 'film on a mask with elastic', process: 'dtf', garment: { kind: 'mask', construction: 'woven', massGM2: 150, features: ['elastic'] }, own: small('mask-front'), expect: HOT },
  { what: 'a garment whose maker allows less', process: 'dtf', garment: { maxPressC: 140 }, expect: { 'press-transfer.tempC': [130, 140] } },
  { what: 'film on a cap front, lower plate off', process: 'dtf', garment: cap, own: small('cap-front'), expect: { 'press-cap.tempC': [135, 140], 'press-cap.dwellS': [7, 15], 'press-cap.lowerC': [15, 40], 'press-cap.kPa': [60, 90] }, has: ['pre-press-cap'], lacks: ['press-transfer', 'pre-press'] },
  { what: 'film on a cap front, lower plate warm', process: 'dtf', garment: cap, house: { capLower: 'warm' }, own: small('cap-front'), expect: { 'press-cap.lowerC': [60, 105] } },
  { what: 'film on a foam-fronted cap', process: 'dtf', garment: { ...cap, features: ['foam'] }, own: small('cap-front'), expect: { 'press-cap.kPa': [20, 40] } },
  { what: 'a hot-peel film is peeled at once', process: 'dtf', house: { filmPeel: 'hot' }, expect: { 'press-transfer.tempC': [150, 165] } },
  { what: 'a hot-peel film that wants more heat than polyester bears: the film that fits is taken', process: 'dtf', garment: { fibres: POLYESTER, maxPressC: 140 }, house: { filmPeel: 'hot' }, expect: { 'press-transfer.tempC': [130, 140] }, slip: 'slip.wrong-peel' },
  { what: 'the same where no film fits', process: 'dtf', garment: { fibres: POLYESTER, maxPressC: 140 }, house: { filmPeel: 'hot' }, own: { equipment: { ...equipment, films: [hotFilm] } }, conflict: ['limit.label', 'limit.dye'] },
  { what: 'no second press', process: 'dtf', house: { secondPress: 'none' }, lacks: ['second-press'] },
  { what: 'a second press of 15 s', process: 'dtf', house: { secondPress: '15' }, expect: { 'second-press.dwellS': [15, 15] } },
  { what: 'under a thick silicone mat: about double', process: 'dtf', house: { coverSheet: 'silicone' }, expect: { 'press-transfer.dwellS': [20, 40] } },
  { what: 'powder in the oven, lightly', process: 'dtf', expect: { 'melt-powder.tempC': [120, 165], 'melt-powder.dwellS': [120, 180] } },
  { what: 'powder by hovering', process: 'dtf', house: { meltMeans: 'hover' }, expect: { 'melt-powder.tempC': [160, 165], 'melt-powder.dwellS': [120, 180] } },
  { what: 'powder on a griddle', process: 'dtf', house: { meltMeans: 'griddle' }, expect: { 'melt-powder.tempC': [165, 185], 'melt-powder.dwellS': [20, 40] } },
  { what: 'powder after a stand in a damp room', process: 'dtf', house: { powderStand: 'stand' }, expect: { 'powder.standS': [60, 300] } },
  { what: 'film for stock: full fuse, shelved, not pressed', process: 'dtf', house: { filmUse: 'stock' }, expect: { 'melt-powder.dwellS': [200, 480] }, has: ['store'], lacks: ['press-transfer', 'pre-press', 'peel'] },
  { what: 'white on film', process: 'dtf', expect: { 'print-film.whiteDensity': [0.5, 0.7], 'print-film.chokeMm': [0.05, 0.3], 'print-film.pauseS': [15, 20] } },
  { what: 'film on the direct printer, two jobs', process: 'dtf-platen', expect: { ...HOT, 'print-film.betweenJobsS': [15, 120] } },
  { what: 'film on the direct printer, one job', process: 'dtf-platen', own: { equipment: { ...equipment, printers: equipment.printers.map((own) => ({ ...own, whiteJobs: 'one' as const })) } }, expect: { 'print-film.pauseS': [15, 20] } },
  { what: 'sublimation film on white cotton', process: 'sub-film', garment: LIGHT, own: small('left-chest'), expect: { 'press-transfer.tempC': [150, 195], 'press-transfer.dwellS': [20, 40] }, has: ['feed-film', 'powder'] },
  { what: 'sublimation film on a pale tint', process: 'sub-film', garment: TINT, own: small('left-chest'), has: ['feed-film'] },
  { what: 'sublimation film on navy', process: 'sub-film', own: small('left-chest'), refusal: 'refusal.sublimation-ground' },
  { what: 'sublimation film, two coats of powder', process: 'sub-film', garment: LIGHT, house: { powderCoats: 'two' }, own: small('left-chest'), has: ['powder'] },
  { what: 'bought-in transfers by their own sheet', process: 'bought-in', expect: { 'press-transfer.tempC': [145, 155], 'press-transfer.dwellS': [12, 15], 'press-transfer.kPa': [45, 45], 'second-press.dwellS': [5, 5] }, has: ['trim'], lacks: ['powder', 'print-film'] },
  { what: 'bought-in transfers on polyester', process: 'bought-in', garment: polyesterBib, conflict: ['limit.dye'] },
  { what: 'four bought-in transfers', process: 'bought-in', own: { pieces: 4 }, refusal: 'against.minimum' },
  { what: 'a patch on a cap', process: 'patch-cap', garment: cap, own: small('cap-front'), expect: { 'tack-transfer.tempC': [110, 121], 'tack-transfer.dwellS': [2, 5], 'press-cap.tempC': [135, 142], 'press-cap.dwellS': [30, 40], 'press-cap.kPa': [35, 55] } },
  { what: 'a patch pressed flat first', process: 'patch-cap', garment: cap, house: { patchTack: 'press' }, own: small('cap-front'), expect: { 'press-patch.tempC': [110, 140], 'press-patch.kPa': [25, 45] }, lacks: ['tack-transfer'] },
  { what: 'a cap pressed again under its own film', process: 'dtf', garment: cap, house: { capSecondPress: 'own-film' }, own: small('cap-front'), expect: { 'second-press-cap.dwellS': [5, 10], 'second-press-cap.tempC': [135, 142] } },
  { what: 'a cap warmed from below takes less', process: 'dtf', garment: cap, house: { capLower: 'warm' }, own: small('cap-front'), expect: { 'press-cap.dwellS': [7, 9] } },
  { what: 'a bought-in transfer on a cap, by its sheet for caps', process: 'bought-in', garment: cap, own: small('cap-front'), expect: { 'press-cap.tempC': [135, 142], 'press-cap.dwellS': [10, 14], 'press-cap.kPa': [70, 70], 'second-press-cap.dwellS': [5, 5] }, has: ['trim', 'pre-press-cap', 'second-press-cap'], lacks: ['press-transfer', 'centre'] },
  { what: 'powder, melt, powder, melt', process: 'dtf', house: { powderCoats: 'melted-between' }, expect: { 'melt-again.dwellS': [120, 180] }, has: ['powder', 'melt-powder', 'powder-again', 'melt-again'] },
  { what: 'a crease for any process', process: 'dtg', house: { centring: 'crease' }, has: ['centre'] },
  { what: 'film from a roll narrower than the print', process: 'dtf', own: { equipment: { ...equipment, films: [{ ...coldFilm, widthMm: 250 }] }, print: { ...lineInput().print, widthMm: 280, heightMm: 300 } }, refusal: 'against.size' },
  { what: 'a print larger than any platen', process: 'dtg', own: { equipment: { ...equipment, printers: equipment.printers.map((own) => ({ ...own, platens: own.platens.slice(0, 1) })) } }, refusal: 'against.size' },
  { what: 'pretreatment pressed dry firmly on polyester: as firm as it takes', process: 'dtg', garment: polyesterBib, house: { dryPressure: 'firm' }, expect: { 'dry-pretreatment.kPa': [30, 45] } },
  { what: 'pretreatment pressed dry firmly on fleece: hard', process: 'dtg', garment: { ...hoodie, fibres: fibresOf({ cotton: 1 }) }, house: { dryPressure: 'firm' }, expect: { 'dry-pretreatment.kPa': [66, 90] } },
  { what: 'a wandering dye gets the powder that keeps it back', process: 'dtf', garment: { fibres: POLYESTER, dye: 'migrating' }, own: { equipment: { ...equipment, powders: [...equipment.powders, { ...equipment.powders[0], id: 'barrier', name: 'Barrier', blocksDye: true }] } }, expect: { 'press-transfer.tempC': [130, 130] }, source: { powder: 'Barrier' } },
  { what: 'a patch on a cap, bare', process: 'patch-cap', garment: cap, house: { capMat: 'bare' }, own: small('cap-front'), expect: { 'press-cap.dwellS': [15, 20] } },
  { what: 'a patch on a tee', process: 'patch-cap', refusal: 'refusal.no-cap' },
  { what: 'direct on dark cotton', process: 'dtg', expect: { 'pretreat.gM2': [110, 180], 'dry-pretreatment.dwellS': [10, 15], 'cure.tempC': [160, 177], 'cure.dwellS': [60, 120], 'cure.hoverS': [20, 40], 'cure.kPa': [5, 20], 'print.chokeMm': [0.1, 0.4], 'print.whiteDensity': [0.7, 1] } },
  { what: 'powder melted on a belt through a tunnel, as its sheet says for an oven', process: 'dtf', house: { meltMeans: 'belt' }, expect: { 'melt-powder.tempC': [130, 165], 'melt-powder.dwellS': [120, 240] }, source: { belt: 'Tunnel' }, reason: { 'melt-powder.tempC': 'reason.sheet', 'melt-powder.dwellS': 'reason.sheet' } },
  { what: 'an oven that this shop likes and has not got', process: 'dtf', own: { equipment: { ...equipment, ovens: [] } }, slip: 'slip.way-not-there', source: { belt: 'Tunnel' } },
  { what: 'an iron that this shop likes and has not got: pressed on', process: 'patch-cap', garment: cap, own: { ...small('cap-front'), equipment: { ...equipment, handIron: null } }, has: ['press-patch'], lacks: ['tack-transfer'], slip: 'slip.way-not-there' },
  { what: 'a mat that this shop likes and has not got: bare, and not longer for it', process: 'patch-cap', garment: cap, own: { ...small('cap-front'), equipment: { ...equipment, coverSheets: equipment.coverSheets.slice(0, 2) } }, expect: { 'press-cap.dwellS': [15, 20] }, slip: 'slip.way-not-there' },
  { what: 'a tunnel run cooler than the powder’s sheet', process: 'dtf', house: { meltMeans: 'belt' }, own: { overrides: override('melt-powder', 'tempC', 125) }, conflict: ['limit.sheet'] },
  { what: 'a tee bought pretreated: no spraying, one short press by its sheet, under the sheet kept for it', process: 'dtg', garment: { pretreated: millPrimer }, expect: { 'pre-press.tempC': [150, 165], 'pre-press.dwellS': [5, 10], 'cure.dwellS': [60, 150] }, has: ['pre-press', 'print'], lacks: ['pretreat', 'dry-pretreatment', 'air-dry', 'lay-fibres'], source: { 'fluid-sheet': 'Primer parchment' }, reason: { 'pre-press.dwellS': 'reason.sheet' } },
  { what: 'the same in a house that dries in air', process: 'dtg', garment: { pretreated: millPrimer }, house: { pretreatmentDrying: 'air' }, has: ['pre-press'], lacks: ['air-dry', 'lay-fibres'] },
  { what: 'a tee pretreated for polyester', process: 'dtg', garment: { pretreated: { ...millPrimer, fibre: 'polyester' } }, refusal: 'refusal.pretreated-for' },
  { what: 'polyester pretreated for cotton', process: 'dtg', garment: { ...polyesterBib, pretreated: millPrimer }, refusal: 'refusal.pretreated-for' },
  { what: 'its short press held longer than its sheet says', process: 'dtg', garment: { pretreated: millPrimer }, own: { overrides: override('pre-press', 'dwellS', 12) }, conflict: ['limit.sheet'] },
  { what: 'a supplier’s second press on a cap in a shop without sheets: under its own film, and said', process: 'bought-in', garment: cap, own: { ...small('cap-front'), equipment: { ...equipment, coverSheets: [] } }, expect: { 'second-press-cap.dwellS': [5, 5] }, has: ['press-cap'], slip: 'slip.asked-sheet-missing' },
  { what: 'a pretreated tee where the fluid’s sheet wants more heat than the ink', process: 'dtg', garment: { pretreated: { ...millPrimer, pressC: { min: 180, max: 190 } } }, expect: { 'pre-press.tempC': [180, 190], 'cure.tempC': [160, 177] }, has: ['change-heat'] },
  { what: 'a transfer off the shelf by what came with it', process: 'shelf', own: STOCKED, expect: { 'press-transfer.tempC': [148, 156], 'press-transfer.dwellS': [10, 14], 'press-transfer.kPa': [40, 40], 'second-press.dwellS': [8, 8] }, has: ['trim'], lacks: ['print-film', 'powder', 'melt-powder'], source: { 'shelf-transfer': 'Crest, ready' } },
  { what: 'more than lie on the shelf', process: 'shelf', own: { ...STOCKED, pieces: 61 }, refusal: 'against.too-few' },
  { what: 'art that does not lie there', process: 'shelf', own: { ...STOCKED, artwork: 'Owl' }, refusal: 'refusal.none-set-up' },
  { what: 'its art at another size', process: 'shelf', own: { ...STOCKED, ...small('left-chest'), print: { ...small('left-chest').print, widthMm: 90 } }, refusal: 'against.other-size' },
  { what: 'one size of the line printed larger than what lies there', process: 'shelf', own: { ...STOCKED, placement: { ...lineInput().placement, grades: [{ sizes: ['L'], widthMm: 320 }] } }, refusal: 'against.other-size' },
  { what: 'nothing on the shelf', process: 'shelf', refusal: 'refusal.none-set-up' },
  { what: 'making stock of what lies there', process: 'shelf', house: { filmUse: 'stock' }, own: STOCKED, refusal: 'refusal.lies-there' },
  { what: 'a shelf transfer on a cap by its sheet for caps', process: 'shelf', garment: cap, own: { ...STOCKED, ...small('cap-front') }, expect: { 'press-cap.tempC': [136, 141], 'press-cap.dwellS': [8, 11], 'press-cap.kPa': [68, 68] }, lacks: ['press-transfer'] },
  { what: 'a shelf transfer hotter than its polyester bears', process: 'shelf', garment: { fibres: POLYESTER }, own: STOCKED, conflict: ['limit.dye'] },
  { what: 'a supplier’s transfer on a patch: tacked with the iron, nothing printed', process: 'patch-cap', garment: cap, house: { patchTransfer: 'bought' }, own: small('cap-front'), expect: { 'tack-transfer.tempC': [110, 121], 'press-cap.tempC': [135, 142] }, has: ['trim', 'tack-transfer', 'press-cap'], lacks: ['print-film', 'powder', 'melt-powder', 'cut'], source: { supplier: 'Quarry transfers' } },
  { what: 'a patch in a shop with presses and nothing else', process: 'patch-cap', garment: cap, own: { ...small('cap-front'), equipment: PRESSES_ALONE }, has: ['trim', 'tack-transfer', 'press-cap'], lacks: ['print-film'], source: { supplier: 'Quarry transfers' }, slip: 'slip.other-origin' },
  { what: 'four patches there: too few to buy transfers for', process: 'patch-cap', garment: cap, own: { ...small('cap-front'), pieces: 4, equipment: PRESSES_ALONE }, refusal: 'refusal.none-set-up' },
  { what: 'a patch from what lies ready', process: 'patch-cap', garment: cap, house: { patchTransfer: 'shelf' }, own: { ...STOCKED, ...small('cap-front') }, has: ['trim', 'tack-transfer'], lacks: ['print-film'], source: { 'shelf-transfer': 'Small crest, ready' } },
  { what: 'a supplier’s transfer pressed on a patch is hotter than its grain bears', process: 'patch-cap', garment: cap, house: { patchTransfer: 'bought', patchTack: 'press' }, own: small('cap-front'), conflict: ['limit.practice', 'limit.leatherette'], has: ['press-patch'] },
  { what: 'a patch alone, by film made here', process: 'dtf', garment: PATCH, own: small('patch-face'), expect: { 'press-transfer.tempC': [110, 142], 'press-transfer.kPa': [25, 45] }, lacks: ['press-cap'] },
  { what: 'a patch alone, by a cool transfer that was bought', process: 'bought-in', garment: PATCH, own: { ...small('patch-face'), equipment: { ...equipment, boughtIns: [{ ...equipment.boughtIns[0], pressC: { min: 125, max: 138 }, kPa: 40 }] } }, expect: { 'press-transfer.tempC': [125, 138], 'press-transfer.kPa': [40, 40] }, has: ['trim'] },
  { what: 'a hot-peel film on a cap leaves time to rub it down', process: 'dtf', garment: cap, house: { filmPeel: 'hot' }, own: { ...small('cap-front'), equipment: { ...equipment, films: [{ ...hotFilm, pressC: { min: 130, max: 150 } }] } }, has: ['peel'] },
  { what: 'direct on light cotton', process: 'dtg', garment: LIGHT, expect: { 'cure.tempC': [160, 177], 'cure.dwellS': [60, 150] }, lacks: ['pretreat', 'dry-pretreatment'] },
  { what: 'direct on tinted cotton', process: 'dtg', garment: TINT, expect: { 'cure.dwellS': [60, 150] }, lacks: ['pretreat'] },
  { what: 'direct on dark fleece: two to three times the pretreatment, two hits', process: 'dtg', garment: hoodie, expect: { 'pretreat.gM2': [220, 540], 'print.whiteHits': [2, 2], 'dry-pretreatment.bursts': [8, 12] } },
  { what: 'direct on a heather: cooler than the ink’s own cure asks', process: 'dtg', garment: { fibres: fibresOf({ cotton: 0.52, polyester: 0.48 }) }, conflict: ['limit.dye-blend'] },
  { what: 'direct on fleece over the front pocket: risers', process: 'dtg', garment: { ...hoodie, fibres: fibresOf({ cotton: 1 }) }, own: overPocket, has: ['level-platen'] },
  { what: 'direct on fleece above the pocket: none', process: 'dtg', garment: { ...hoodie, fibres: fibresOf({ cotton: 1 }) }, lacks: ['level-platen'] },
  { what: 'direct on dark polyester', process: 'dtg', garment: polyesterBib, expect: { 'pretreat.gM2': [130, 255], 'cure.tempC': [138, 143], 'cure.dwellS': [100, 140] }, has: ['pretreat'] },
  { what: 'direct on light polyester', process: 'dtg', garment: { fibres: POLYESTER, ...LIGHT }, expect: { 'cure.tempC': [138, 143] }, has: ['pretreat'] },
  { what: 'direct on a thin wicking knit: single layer', process: 'dtg', garment: WICKING, expect: { 'pre-press.dwellS': [2, 5], 'pre-press.kPa': [5, 20] }, has: ['split-load'] },
  { what: 'direct with two white hits', process: 'dtg', house: { whiteHits: 'double' }, expect: { 'print.whiteHits': [2, 2] } },
  { what: 'direct, cured in two presses, which are no bursts', process: 'dtg', house: { directCure: 'two' }, expect: { 'cure.bursts': [2, 2], 'cure.dwellS': [60, 120] } },
  { what: 'two presses on polyester: four or so bursts all the same', process: 'dtg', garment: polyesterBib, house: { directCure: 'two' }, expect: { 'cure.bursts': [4, 4] } },
  { what: 'direct, pretreatment air-dried', process: 'dtg', house: { pretreatmentDrying: 'air' }, expect: { 'air-dry.restS': [1200, 2400], 'lay-fibres.dwellS': [5, 15] }, lacks: ['dry-pretreatment'] },
  { what: 'direct, with 100 g of pretreatment in stock for pieces that take twice that', process: 'dtg', own: { pieces: 10, equipment: { ...equipment, pretreatments: equipment.pretreatments.map((own) => ({ ...own, stock: 0.1, stockUnit: 'kg' })) } }, slip: 'slip.fluid-short' },
  { what: 'direct, pretreatment hovered', process: 'dtg', house: { pretreatmentDrying: 'hover' }, expect: { 'dry-pretreatment.hoverS': [120, 300] }, lacks: ['air-dry'] },
  { what: 'direct on a cap', process: 'dtg', garment: cap, refusal: 'refusal.cap-on-platen' },
  { what: 'direct on nylon', process: 'dtg', garment: { fibres: fibresOf({ nylon: 1 }) }, refusal: 'refusal.ink-on-fibre' },
  { what: 'a 175 °C press typed in on polyester', process: 'dtf', garment: polyesterBib, own: { overrides: override('press-transfer', 'tempC', 175) }, conflict: ['limit.label', 'limit.polyester', 'limit.dye', 'limit.sheet'], slip: 'slip.hot-polyester' },
  { what: 'a temperature typed in the wrong unit', process: 'dtf', own: { overrides: override('press-transfer', 'tempC', 66) }, conflict: ['limit.sheet', 'limit.glue'], slip: 'slip.fahrenheit' },
  { what: 'a dwell typed in minutes', process: 'dtg', own: { overrides: override('cure', 'dwellS', 2) }, slip: 'slip.minutes', conflict: ['limit.sheet'] },
  { what: 'a silicone mat without the longer dwell', process: 'dtf', house: { coverSheet: 'silicone' }, own: { overrides: override('press-transfer', 'dwellS', 15) }, slip: 'slip.mat-without-time' },
  { what: 'a hoodie at tee pretreatment', process: 'dtg', garment: { ...hoodie, fibres: fibresOf({ cotton: 1 }) }, own: { overrides: override('pretreat', 'gM2', 130) }, slip: 'slip.hoodie-like-tee', conflict: ['limit.sheet-fleece'] },
  { what: 'a lower plate left hot for caps', process: 'dtf', garment: cap, own: { ...small('cap-front'), overrides: override('press-cap', 'lowerC', 140) }, conflict: ['limit.cap-lower'], slip: 'slip.hot-cap-lower' },
  { what: 'film mirrored twice', process: 'dtf', own: { overrides: override('print-film', 'mirrorHere', 1) }, conflict: ['limit.mirrored-once'], slip: 'slip.mirrored-twice' },
  { what: 'powder after the ink has dried', process: 'dtf', own: { overrides: override('powder', 'standS', 1200) }, conflict: ['limit.powder-wet'], slip: 'slip.late-powder' },
  { what: 'a cold-peel film sent to a hot peel', process: 'dtf', house: { filmPeel: 'hot' }, own: { equipment: { ...equipment, films: [coldFilm] } }, slip: 'slip.wrong-peel' },
  { what: 'underbase on a white shirt', process: 'dtg', garment: LIGHT, slip: 'slip.white-on-white' },
]; // prettier-ignore

const valueAt = (route: Route, path: string): number | undefined => {
  const [operation, key] = path.split('.');
  return route.operations.find(({ id }) => id === operation)?.settings.find((own) => own.key === key)?.value;
};
const inputOf = ({ process, garment, house, own }: Row): RouteInput =>
  lineOf({
    process,
    garment: { ...cottonTee, ...garment },
    house: { ...DEFAULT_HOUSE, ...house },
    ...own,
  });

describe('what practice does with a fabric', () => {
  for (const row of TABLE) {
    it(row.what, () => {
      const input = inputOf(row);
      const planned = planRoute(input);
      if (!planned.ok || row.refusal) {
        const against = planned.ok ? [] : planned.refusals.flatMap(({ said }) => codesIn(said));
        expect(against, 'it is refused, and for this').to.include(row.refusal ?? 'nothing');
        return;
      }
      const { route } = planned;
      for (const [path, [min, max]] of Object.entries(row.expect ?? {}))
        expect(valueAt(route, path), path).to.be.within(min, max);
      const ids = route.operations.map(({ id }) => id);
      for (const id of row.has ?? []) expect(ids).to.include(id);
      for (const id of row.lacks ?? []) expect(ids).to.not.include(id);
      const broken = route.conflicts.map(({ said }) => (said.params as { limit: Said }).limit.code);
      expect([...new Set(broken)]).to.have.members([...(row.conflict ?? [])]);
      if (row.slip) expect(route.slips.map(({ said }) => said.code)).to.include(row.slip);
      for (const [role, name] of Object.entries(row.source ?? {}))
        expect(route.prints[0]?.sources.find((own) => own.role === role)?.name).to.equal(name);
      for (const [path, code] of Object.entries(row.reason ?? {})) {
        const [operation = '', key = ''] = path.split('.');
        expect(settingOf(route, operation, key).reasons[0]?.said.code, path).to.equal(code);
      }
      expect(route.operations.at(-1)?.role).to.equal('inspect');
    });
  }

  it('never presses polyester hotter than cotton, nor a blend hotter than its cotton alone', () => {
    const temps = Array.from({ length: 21 }, (_, i) =>
      valueAt(
        routeOf(
          lineOf({ garment: { ...cottonTee, fibres: fibresOf({ cotton: 1 - i / 20, polyester: i / 20 }) } }),
        ),
        'press-transfer.tempC',
      ),
    );
    temps.forEach((temp, i) => expect(temp).to.be.at.most(temps[Math.max(0, i - 1)] ?? NaN));
  });

  it('shows a film that asks for more than the fabric bears as a conflict with ways out, and nothing in the middle', () => {
    const film = { ...hotFilm, pressC: { min: 160, max: 175 } };
    const garment = { ...cottonTee, fibres: POLYESTER, maxPressC: 138 };
    const route = routeOf(
      lineOf({
        garment,
        equipment: { ...equipment, films: [film] },
        house: { ...DEFAULT_HOUSE, filmPeel: 'hot' },
      }),
    );
    const [conflict] = route.conflicts;
    const temp = valueAt(route, 'press-transfer.tempC') ?? NaN;
    expect(temp <= 138 || temp >= 160, `${temp} °C lies between the two`).to.equal(true);
    expect(conflict?.waysOut.map(({ code }) => code)).to.deep.equal([
      'way.cooler-film',
      'way.less-more-often',
      'way.another-process',
    ]);
  });
});

describe('on any line, with any house method', () => {
  it('no limit is broken without a flag and a way out, every setting has a reason in rank, heat has its caution', () => {
    eachRoute((route, input) => {
      for (const {
        settings,
        station,
        cautions,
        look,
        checks,
        modes: [{ machineKind, phases }],
      } of route.operations) {
        expect(look).to.not.equal('');
        expect(checks).to.not.be.empty;
        const isHot = phases.some(({ heat }) => heat !== null);
        if (isHot || ['powder', 'sprayer'].includes(station)) expect(cautions).to.not.be.empty;
        if (isHot) expect(machineKind).to.not.equal(null);
        for (const { heat } of phases.filter((own) => own.heat !== null)) {
          expect(heat!.stack.layers).to.not.be.empty;
          expect(heat!.stack.joints).to.have.length(heat!.stack.layers.length + 1);
        }
        for (const { key, reasons, value, limits, conflicts } of settings) {
          expect(reasons).to.not.be.empty;
          const ranks = reasons.map(({ source }) => REASON_SOURCES.indexOf(source));
          expect(ranks).to.deep.equal([...ranks].sort((p, q) => p - q));
          const broken = limits.filter(
            ({ min, max }) => value < (min ?? -Infinity) || value > (max ?? Infinity),
          );
          expect(conflicts, key).to.have.lengthOf(broken.length);
        }
      }
      for (const { waysOut } of route.conflicts) expect(waysOut).to.not.be.empty;
      const flagged = route.operations.flatMap(({ settings }) =>
        settings.flatMap(({ conflicts }) => conflicts),
      );
      expect(route.conflicts.map(({ said }) => said)).to.deep.equal(flagged);
      expect(JSON.stringify(routeOf(input))).to.equal(JSON.stringify(route));
    }, 400);
  });

  it('a garment that stands more heat is never pressed cooler', () => {
    fc.assert(
      fc.property(anyLine, fc.integer({ min: 1, max: 40 }), (any, more) => {
        const input = { ...any, equipment: { ...any.equipment, films: [coldFilm] } }; // another film is another matter
        const limit = input.garment.maxPressC;
        if (limit === null) return;
        const cooler = plannedOrNull(input);
        const hotter = plannedOrNull({ ...input, garment: { ...input.garment, maxPressC: limit + more } });
        if (cooler === null || hotter === null) return;
        // film that is melted under the press may agree with the garment's plate once that is hot enough
        for (const { id, settings } of cooler.operations.filter(({ role }) => role !== 'melt'))
          for (const { key, value } of settings.filter((own) => own.key === 'tempC'))
            expect(valueAt(hotter, `${id}.${key}`), id).to.be.at.least(value);
      }),
      { numRuns: 300 },
    );
  });

  it('a press has one temperature at a time, unless a step stands between that changes it', () => {
    let changes = 0;
    eachRoute(({ operations }) => {
      const at = new Map<string, number>();
      for (const { id, modes, role } of operations) {
        const [{ machine, machineKind, stateC }] = modes;
        if ((machineKind !== 'press' && machineKind !== 'cap-press') || stateC === null) continue;
        const name = machine?.name ?? '';
        const before = at.get(name);
        const isChange = role === 'set-up';
        if (isChange) changes++;
        else if (before !== undefined) expect(Math.abs(stateC - before), id).to.be.at.most(5);
        at.set(name, stateC);
      }
    }, 300);
    expect(changes, 'some lines need it').to.be.above(3);
  });

  it('what is chosen fits: film, printer and platen take the print, and people’s choices are taken where they can be', () => {
    eachRoute((route, input) => {
      for (const { id, sources } of route.prints) {
        const print = input.prints.find((own) => own.id === id)!.print;
        for (const { role, id: chosen, others } of sources) {
          const from = { film: input.equipment.films, printer: input.equipment.printers } as const;
          if (role === 'film' || role === 'printer') {
            const thing = from[role].find((own) => own.id === chosen)!;
            const room = [thing.widthMm, thing.heightMm ?? Infinity].sort((p, q) => p - q);
            const size = [print.widthMm, print.heightMm].sort((p, q) => p - q);
            expect(size[0], role).to.be.at.most(room[0]);
            expect(size[1], role).to.be.at.most(room[1]);
          }
          const other = others.find(({ isPossible }) => isPossible);
          if (!other) continue;
          const choice = { print: id, role, id: other.id, who: 'Ines', why: 'a test' };
          const again = plannedOrNull({ ...input, overrides: [], sources: [choice] });
          const taken = again?.prints.find((own) => own.id === id)?.sources.find((own) => own.role === role);
          expect(taken?.id, `${role} ${other.name}`).to.equal(other.id);
          expect(taken?.why.code).to.equal('source.person');
        }
      }
    }, 40);
  });

  it('more pieces take more hands, and no less time', () => {
    for (const process of ['dtf', 'dtg', 'dtf-platen', 'bought-in'] as const) {
      const totals = [10, 20, 60].map((pieces) => routeOf(lineOf({ process, pieces })).totals);
      totals.slice(1).forEach(({ handsS, elapsedS }, i) => {
        expect(handsS).to.be.above(totals[i]?.handsS ?? NaN);
        expect(elapsedS).to.be.at.least(totals[i]?.elapsedS ?? NaN);
      });
    }
  });
});
