/** Garments and objects a print goes onto. */
export const BLANK_KINDS = [
  'tee',
  'performance-shirt',
  'sweatshirt',
  'hoodie',
  'bib',
  'cap-five',
  'cap-six',
  'cap-stretch',
  'tote',
  'apron',
  'cushion',
  'mask',
  'jeans',
  'patch',
  'top',
  'leggings',
  'jacket',
  'blanket',
  'bag',
] as const;
export type BlankKind = (typeof BLANK_KINDS)[number];

export const BLANK_KIND_NAMES: Record<BlankKind, string> = {
  tee: 'Tee',
  'performance-shirt': 'Performance shirt',
  sweatshirt: 'Sweatshirt',
  hoodie: 'Hooded sweatshirt',
  bib: 'Bib',
  'cap-five': 'Cap, five panels',
  'cap-six': 'Cap, six panels',
  'cap-stretch': 'Stretch sports cap',
  tote: 'Tote',
  apron: 'Apron',
  cushion: 'Cushion',
  mask: 'Mask',
  jeans: 'Jeans',
  patch: 'Leatherette patch',
  top: 'Sleeveless top',
  leggings: 'Leggings',
  jacket: 'Jacket',
  blanket: 'Blanket',
  bag: 'Bag',
};

/** What is on or in a blank that heat, pressure or a print head meets. */
export const FEATURES = [
  'pocket',
  'zip',
  'thick-seams',
  'hood',
  'drawcord',
  'panel-seam',
  'stiffener',
  'foam',
  'elastic',
  'coating',
  'water-repellent',
] as const;
export type Feature = (typeof FEATURES)[number];

export const FIBRES = [
  'cotton',
  'polyester',
  'elastane',
  'nylon',
  'viscose',
  'modal',
  'linen',
  'wool',
  'silk',
  'acrylic',
  'leatherette',
  'other',
] as const;
export type Fibre = (typeof FIBRES)[number];
/** Fibre shares, each 0–1, together 1. `other` is what nobody knows. */
export type Fibres = Record<Fibre, number>;

/** Shares as they are given, all others none. */
export const fibresOf = (own: Partial<Fibres>): Fibres => ({
  ...(Object.fromEntries(FIBRES.map((fibre) => [fibre, 0])) as Fibres),
  ...own,
});

/** Whether a fabric's dye stays where it is: none in it, fixed as usual, or one known to wander (sports reds, camouflage, fluorescents). */
export const DYES = ['undyed', 'dyed', 'migrating'] as const;
export type Dye = (typeof DYES)[number];

/** What a blank was pretreated with before it was bought, by the sheet of whoever did it. */
export interface BoughtPretreatment {
  /** Its fluid, as the maker calls it. */
  fluid: string;
  fibre: 'cotton' | 'polyester';
  /** The short press before printing: plate, °C, and time, s. */
  pressC: { min: number; max: number };
  pressS: { min: number; max: number };
  /** How long it keeps from the day it was made, days. */
  shelfDays: number;
}

export type Construction = 'knit' | 'woven' | 'fleece';

/** The blank a print goes onto, in one colour. */
export interface Garment {
  name: string;
  kind: BlankKind;
  fibres: Fibres;
  construction: Construction;
  massGM2: number;
  /** Thickness under the press as measured, mm; `null` where it is worked out from mass and construction. */
  thicknessMm: number | null;
  features: readonly Feature[];
  /** Of this colour. */
  dye: Dye;
  colourName: string;
  colourHex: string;
  /** How a print room sees the colour: anything not white or nearly white is dark, pale tints excepted. */
  tone: 'light' | 'tint' | 'dark';
  /** The garment maker's highest press temperature, °C; `null` when the label does not say. */
  maxPressC: number | null;
  /** `null` where it comes as it was knitted or woven. */
  pretreated: BoughtPretreatment | null;
}

/** Density of a fabric under a press, kg/m³: mass per area is the firm figure, thickness follows (textbook class values). */
const PRESSED_KG_M3: Record<Construction, number> = { knit: 378, woven: 490, fleece: 250 };
const PRESSED_POLYESTER_KNIT_KG_M3 = 400;

/** Thickness of one layer under the press, mm: as measured, or mass per area over the density of its construction. */
export function pressedThicknessMm({
  thicknessMm,
  massGM2,
  construction,
  fibres,
}: Pick<Garment, 'thicknessMm' | 'massGM2' | 'construction' | 'fibres'>): number {
  if (thicknessMm !== null) return thicknessMm;
  const isPolyesterKnit = construction === 'knit' && fibres.polyester >= 0.5;
  const density = isPolyesterKnit ? PRESSED_POLYESTER_KNIT_KG_M3 : PRESSED_KG_M3[construction];
  return Math.round((massGM2 / density) * 100) / 100;
}

/** A cap of any build: pressed on a form, not on a flat press. */
export const isCap = ({ kind }: Pick<Garment, 'kind'>): boolean => kind.startsWith('cap-');

/** A patch by itself: pressed flat, with glue of its own under it. */
export const isPatch = ({ kind }: Pick<Garment, 'kind'>): boolean => kind === 'patch';

/** Cloth that lies flat: neither on a form nor a patch. */
export const isCloth = (garment: Pick<Garment, 'kind'>): boolean => !isCap(garment) && !isPatch(garment);

export const hasFeature = ({ features }: Pick<Garment, 'features'>, feature: Feature): boolean =>
  features.includes(feature);

const WICKING_G_M2 = 160; // lighter knits of polyester let ink through to the back (trade)

/** A thin performance knit that wicks: ink reaches whatever lies under it. */
export const isThinWicking = ({ kind, construction, massGM2, fibres }: Garment): boolean =>
  construction === 'knit' &&
  fibres.polyester >= 0.5 &&
  massGM2 <= WICKING_G_M2 &&
  (kind === 'performance-shirt' || kind === 'bib');
