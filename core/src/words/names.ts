/** Places a print goes to, as people call them. */
export const PLACE_NAMES = {
  'full-front': 'Full front',
  'left-chest': 'Left chest',
  'right-chest': 'Right chest',
  back: 'Back',
  'left-sleeve': 'Left sleeve',
  'right-sleeve': 'Right sleeve',
  pocket: 'Above the pocket',
  'tote-front': 'Tote front',
  'tote-back': 'Tote back',
  'cap-front': 'Cap front',
  'cap-corner': 'Cap front corner',
  'cap-side': 'Cap side',
  'cap-rear': 'Cap rear',
  'apron-front': 'Apron front',
  'cushion-front': 'Cushion front',
  'mask-front': 'Mask front',
  'jeans-leg': 'Jeans leg',
  'patch-face': 'Patch',
  'leggings-leg': 'Legging, left leg',
  'blanket-corner': 'Blanket corner',
  'bag-front': 'Bag front',
} as const;
export type PlaceName = keyof typeof PLACE_NAMES;

/** The process as people call it. */
export const PROCESS_NAMES = {
  dtg: 'Direct print (DTG)',
  dtf: 'Film transfer (DTF)',
  'dtf-platen': 'Film made on the direct printer',
  'sub-film': 'Sublimation ink on film',
  'bought-in': 'Bought-in transfers',
  shelf: 'Transfers from the shelf',
  'patch-cap': 'Film transfer on a patch, patch on a cap',
} as const;
export type ProcessName = keyof typeof PROCESS_NAMES;

/** The same for narrow columns. */
export const PROCESS_SHORT_NAMES: Record<ProcessName, string> = {
  dtg: 'DTG',
  dtf: 'DTF',
  'dtf-platen': 'DTF on platen',
  'sub-film': 'Sublimation film',
  'bought-in': 'Bought-in',
  shelf: 'From the shelf',
  'patch-cap': 'Patch on cap',
};

/** What is on or in a blank. */
export const FEATURE_NAMES = {
  pocket: 'pocket',
  zip: 'zip',
  'thick-seams': 'thick seams',
  hood: 'hood',
  drawcord: 'drawcord',
  'panel-seam': 'panels with a seam',
  stiffener: 'stiffener',
  foam: 'foam',
  elastic: 'elastic',
  coating: 'coating',
  'water-repellent': 'water-repellent face',
} as const;
export type FeatureName = keyof typeof FEATURE_NAMES;

/** Fibres inside a sentence. */
export const FIBRE_NAMES = {
  cotton: 'cotton',
  polyester: 'polyester',
  elastane: 'elastane',
  nylon: 'nylon',
  viscose: 'viscose',
  modal: 'modal',
  linen: 'linen',
  wool: 'wool',
  silk: 'silk',
  acrylic: 'acrylic',
  leatherette: 'leatherette',
  other: 'unknown fibre',
} as const;
export type FibreName = keyof typeof FIBRE_NAMES;

/** Inks by what they are for. */
const INK_NAMES = {
  film: 'film ink',
  textile: 'textile ink',
  sublimation: 'sublimation ink',
} as const;

/** Printers by what they are asked to do. */
const PRINTER_NAMES = {
  film: 'film printer',
  direct: 'direct printer',
  sublimation: 'sublimation printer',
} as const;

/** What a thing of the set-up is chosen for, on a line. */
export const SOURCE_NAMES = {
  printer: 'Printer',
  platen: 'Platen',
  ink: 'Ink',
  film: 'Film',
  powder: 'Powder',
  oven: 'Oven',
  griddle: 'Griddle',
  belt: 'Tunnel belt',
  supplier: 'Supplier’s transfer',
  'shelf-transfer': 'Transfer on the shelf',
  fluid: 'Pretreatment',
  sprayer: 'Sprayer',
  press: 'Press',
  'cap-press': 'Cap press',
  tape: 'Heat tape',
  'press-sheet': 'Sheet at the press',
  'second-sheet': 'Sheet at the second press',
  'cure-sheet': 'Sheet at the cure',
  'fluid-sheet': 'Sheet for pretreatment',
} as const;

/** What a route can lack, as it is asked for under Shop. */
export const THING_NAMES = {
  film: 'film',
  powder: 'powder',
  press: 'press',
  'cap-press': 'cap press',
  patch: 'leatherette patch',
  'bought-in': 'bought-in transfer',
  'shelf-transfer': 'transfer of this artwork on the shelf',
  sprayer: 'sprayer',
  'hand-iron': 'hand iron',
  melter: 'tunnel, oven, griddle or press to melt powder',
  'ink-sheet': 'cover sheet kept for ink',
  'pretreatment-sheet': 'cover sheet kept for pretreatment',
  pretreatment: 'pretreatment',
  platen: 'platen',
  oven: 'oven',
  griddle: 'griddle',
  belt: 'tunnel belt',
  tape: 'tape',
  'print-mode': 'print mode',
  ...{
    'ink-film': INK_NAMES.film,
    'ink-textile': INK_NAMES.textile,
    'ink-sublimation': INK_NAMES.sublimation,
  },
  ...{
    'printer-film': PRINTER_NAMES.film,
    'printer-direct': PRINTER_NAMES.direct,
    'printer-sublimation': PRINTER_NAMES.sublimation,
  },
} as const;
export type ThingName = keyof typeof THING_NAMES;
