import type { BlankKind } from '../blank/index.ts';
import { PLACE_NAMES, say } from '../words/index.ts';
import type { Said } from '../words/index.ts';

/** A place on the garment that has a name, with where it usually sits. */
export interface NamedPlacement {
  label: string;
  /** What the drop is measured from, where the blank has it: see {@link dropFrom}. */
  from: 'collar' | 'edge';
  /** Usual distance from there to the top of the print, mm; trade practice. */
  dropMm: number;
  /** Usual printed width, mm. */
  widthMm: number;
  /** Blanks that have such a place. */
  on: readonly BlankKind[];
}

const SLEEVED = ['tee', 'performance-shirt', 'sweatshirt', 'hoodie', 'jacket'] as const;
/** What has a collar, and a front with a middle. */
export const TOPS = [...SLEEVED, 'bib', 'top'] as const;
const CAPS = ['cap-five', 'cap-six', 'cap-stretch'] as const;

export const PLACEMENT_KEYS = Object.keys(PLACE_NAMES) as (keyof typeof PLACE_NAMES)[];
export type PlacementKey = (typeof PLACEMENT_KEYS)[number];

/** Named placements; the drop is about four fingers below the collar for a front, five for a chest mark. */
const PLACES: Record<PlacementKey, Omit<NamedPlacement, 'label'>> = {
  'full-front': { from: 'collar', dropMm: 75, widthMm: 280, on: TOPS },
  'left-chest': { from: 'collar', dropMm: 95, widthMm: 90, on: [...TOPS, 'apron'] },
  'right-chest': { from: 'collar', dropMm: 95, widthMm: 90, on: TOPS },
  back: { from: 'collar', dropMm: 90, widthMm: 300, on: TOPS },
  'left-sleeve': { from: 'edge', dropMm: 40, widthMm: 80, on: SLEEVED },
  'right-sleeve': { from: 'edge', dropMm: 40, widthMm: 80, on: SLEEVED },
  pocket: { from: 'collar', dropMm: 60, widthMm: 90, on: ['tee', 'apron'] },
  'tote-front': { from: 'edge', dropMm: 110, widthMm: 220, on: ['tote'] },
  'tote-back': { from: 'edge', dropMm: 110, widthMm: 220, on: ['tote'] },
  'cap-front': { from: 'edge', dropMm: 15, widthMm: 100, on: CAPS },
  'cap-corner': { from: 'edge', dropMm: 30, widthMm: 45, on: CAPS },
  'cap-side': { from: 'edge', dropMm: 35, widthMm: 55, on: CAPS },
  'cap-rear': { from: 'edge', dropMm: 40, widthMm: 60, on: CAPS },
  'apron-front': { from: 'edge', dropMm: 120, widthMm: 240, on: ['apron'] },
  'cushion-front': { from: 'edge', dropMm: 80, widthMm: 240, on: ['cushion'] },
  'mask-front': { from: 'edge', dropMm: 20, widthMm: 90, on: ['mask'] },
  'jeans-leg': { from: 'edge', dropMm: 300, widthMm: 90, on: ['jeans'] },
  'patch-face': { from: 'edge', dropMm: 5, widthMm: 60, on: ['patch'] },
  'leggings-leg': { from: 'edge', dropMm: 260, widthMm: 60, on: ['leggings'] },
  'blanket-corner': { from: 'edge', dropMm: 80, widthMm: 160, on: ['blanket'] },
  'bag-front': { from: 'edge', dropMm: 90, widthMm: 160, on: ['bag'] },
};

export const PLACEMENTS = Object.fromEntries(
  PLACEMENT_KEYS.map((key) => [key, { label: PLACE_NAMES[key], ...PLACES[key] }]),
) as Record<PlacementKey, NamedPlacement>;

/** What a drop is measured from on a blank: the collar of one that has a collar, else the upper edge. */
export const dropFrom = (key: PlacementKey, kind: BlankKind): NamedPlacement['from'] =>
  TOPS.some((own) => own === kind) ? PLACES[key].from : 'edge';

/** Places that are given again to a later print: which of the list, and why that cannot be. */
export const placedTwice = (keys: readonly PlacementKey[]): { index: number; why: Said }[] =>
  keys.flatMap((key, index) =>
    keys.indexOf(key) === index ? [] : [{ index, why: say('place.twice', { place: key }) }],
  );

/** The places a kind of blank has. */
export const placementsOn = (kind: BlankKind): PlacementKey[] =>
  PLACEMENT_KEYS.filter((key) => PLACEMENTS[key].on.includes(kind));
