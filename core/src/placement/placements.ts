import type { BlankKind } from '../blank/index.ts';

/** A place on the garment that has a name, with where it usually sits. */
export interface NamedPlacement {
  label: string;
  /** What the drop is measured from. */
  from: 'collar' | 'edge';
  /** Usual distance from there to the top of the print, mm; trade practice. */
  dropMm: number;
  /** Usual printed width, mm. */
  widthMm: number;
  /** Blanks that have such a place. */
  on: readonly BlankKind[];
}

const TOPS = ['tee', 'performance-shirt', 'sweatshirt', 'hoodie', 'bib'] as const;
const SLEEVED = ['tee', 'performance-shirt', 'sweatshirt', 'hoodie'] as const;
const CAPS = ['cap-five', 'cap-six', 'cap-stretch'] as const;

export const PLACEMENT_KEYS = [
  'full-front',
  'left-chest',
  'right-chest',
  'back',
  'left-sleeve',
  'right-sleeve',
  'pocket',
  'tote-front',
  'tote-back',
  'cap-front',
  'cap-corner',
  'cap-side',
  'cap-rear',
  'apron-front',
  'cushion-front',
  'mask-front',
  'jeans-leg',
  'patch-face',
] as const;
export type PlacementKey = (typeof PLACEMENT_KEYS)[number];

/** Named placements; the drop is about four fingers below the collar for a front, five for a chest mark. */
export const PLACEMENTS: Record<PlacementKey, NamedPlacement> = {
  'full-front': { label: 'Full front', from: 'collar', dropMm: 75, widthMm: 280, on: TOPS },
  'left-chest': { label: 'Left chest', from: 'collar', dropMm: 95, widthMm: 90, on: [...TOPS, 'apron'] },
  'right-chest': { label: 'Right chest', from: 'collar', dropMm: 95, widthMm: 90, on: TOPS },
  back: { label: 'Back', from: 'collar', dropMm: 90, widthMm: 300, on: TOPS },
  'left-sleeve': { label: 'Left sleeve', from: 'edge', dropMm: 40, widthMm: 80, on: SLEEVED },
  'right-sleeve': { label: 'Right sleeve', from: 'edge', dropMm: 40, widthMm: 80, on: SLEEVED },
  pocket: { label: 'Above the pocket', from: 'collar', dropMm: 60, widthMm: 90, on: ['tee', 'apron'] },
  'tote-front': { label: 'Tote front', from: 'edge', dropMm: 110, widthMm: 220, on: ['tote'] },
  'tote-back': { label: 'Tote back', from: 'edge', dropMm: 110, widthMm: 220, on: ['tote'] },
  'cap-front': { label: 'Cap front', from: 'edge', dropMm: 15, widthMm: 100, on: CAPS },
  'cap-corner': { label: 'Cap front corner', from: 'edge', dropMm: 30, widthMm: 45, on: CAPS },
  'cap-side': { label: 'Cap side', from: 'edge', dropMm: 35, widthMm: 55, on: CAPS },
  'cap-rear': { label: 'Cap rear', from: 'edge', dropMm: 40, widthMm: 60, on: CAPS },
  'apron-front': { label: 'Apron front', from: 'edge', dropMm: 120, widthMm: 240, on: ['apron'] },
  'cushion-front': { label: 'Cushion front', from: 'edge', dropMm: 80, widthMm: 240, on: ['cushion'] },
  'mask-front': { label: 'Mask front', from: 'edge', dropMm: 20, widthMm: 90, on: ['mask'] },
  'jeans-leg': { label: 'Jeans leg', from: 'edge', dropMm: 300, widthMm: 90, on: ['jeans'] },
  'patch-face': { label: 'Patch', from: 'edge', dropMm: 5, widthMm: 60, on: ['patch'] },
};

/** Places that are given again to a later print: which of the list, and why that cannot be. */
export const placedTwice = (keys: readonly PlacementKey[]): { index: number; why: string }[] =>
  keys.flatMap((key, index) =>
    keys.indexOf(key) === index
      ? []
      : [{ index, why: `${PLACEMENTS[key].label} is there twice: two prints cannot be at one place.` }],
  );

/** The places a kind of blank has. */
export const placementsOn = (kind: BlankKind): PlacementKey[] =>
  PLACEMENT_KEYS.filter((key) => PLACEMENTS[key].on.includes(kind));
