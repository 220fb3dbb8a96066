/** A place on the garment that has a name, with where it usually sits. */
export interface NamedPlacement {
  label: string;
  /** Usual distance from the collar (or upper edge) to the top of the print, mm; trade practice. */
  dropMm: number;
  /** Usual printed width, mm. */
  widthMm: number;
}

export const PLACEMENT_KEYS = [
  'full-front',
  'left-chest',
  'back',
  'left-sleeve',
  'right-sleeve',
  'pocket',
  'tote-front',
  'cap-front',
] as const;
export type PlacementKey = (typeof PLACEMENT_KEYS)[number];

/** Named placements; the drop is about four fingers below the collar for a front, three for a chest mark. */
export const PLACEMENTS: Record<PlacementKey, NamedPlacement> = {
  'full-front': { label: 'Full front', dropMm: 75, widthMm: 280 },
  'left-chest': { label: 'Left chest', dropMm: 95, widthMm: 90 },
  back: { label: 'Back', dropMm: 90, widthMm: 300 },
  'left-sleeve': { label: 'Left sleeve', dropMm: 40, widthMm: 80 },
  'right-sleeve': { label: 'Right sleeve', dropMm: 40, widthMm: 80 },
  pocket: { label: 'Above the pocket', dropMm: 60, widthMm: 90 },
  'tote-front': { label: 'Tote front', dropMm: 110, widthMm: 220 },
  'cap-front': { label: 'Cap front', dropMm: 15, widthMm: 100 },
};
