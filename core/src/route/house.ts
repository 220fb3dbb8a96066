import { HOUSE_WORDS } from '../words/index.ts';
import type { SchoolWords } from '../words/index.ts';

export type HouseKey = keyof typeof HOUSE_WORDS;

/** What this shop does where practitioners differ. */
export type HouseMethods = {
  [K in HouseKey]: (typeof HOUSE_WORDS)[K] extends SchoolWords<infer C> ? C : never;
};

/** Where a shop starts that has chosen nothing yet. */
export const DEFAULT_HOUSE: HouseMethods = {
  filmUse: 'at-once',
  spareTransfers: 'none',
  filmPeel: 'cold',
  filmPull: 'as-film',
  filmHold: 'tape',
  layerDrying: 'pause',
  powderStand: 'at-once',
  powderCoats: 'one',
  meltMeans: 'oven',
  powderCure: 'light',
  secondPress: '10',
  secondPressSheet: 'parchment',
  coverSheet: 'parchment',
  preheat: 'short',
  spraying: 'machine',
  sprayArea: 'box',
  rollering: 'rollered',
  pretreatmentDrying: 'press',
  dryPressure: 'light',
  whiteHits: 'single',
  printMode: 'by-artwork',
  directCure: 'single',
  placementRule: 'ruler',
  centring: 'ruler',
  pieceFlow: 'through',
  capLower: 'cold',
  capMat: 'mat',
  patchTack: 'hand-iron',
  patchTransfer: 'here',
  capSecondPress: 'none',
  subHeat: 'middle',
  filmFeed: 'backing',
};

/**
 * The schools a shop chooses from, once for all and again for a line where it wants to: the choices with their words, and
 * where a shop starts.
 */
export const HOUSE_METHODS = Object.fromEntries(
  Object.entries(HOUSE_WORDS).map(([key, words]) => [
    key,
    { ...words, start: DEFAULT_HOUSE[key as HouseKey] },
  ]),
) as { [K in HouseKey]: (typeof HOUSE_WORDS)[K] & { start: HouseMethods[K] } };

export const HOUSE_KEYS = Object.keys(HOUSE_WORDS) as HouseKey[];

/** The shop's methods with a line's own choices in front. */
export const houseFor = (shop: HouseMethods, own: Partial<HouseMethods>): HouseMethods => ({
  ...shop,
  ...own,
});
