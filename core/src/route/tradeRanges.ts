import type { Range } from './documents.ts';

/** A span of practice, with where to begin. `source` says what kind of knowledge it is. */
export interface TradeRange extends Range {
  start: number;
  source: 'trade range' | 'assumption';
}

const trade = (min: number, max: number, start: number): TradeRange => ({
  min,
  max,
  start,
  source: 'trade range',
});
const assumed = (min: number, max: number, start: number): TradeRange => ({
  min,
  max,
  start,
  source: 'assumption',
});

/**
 * Where practice starts when no maker's sheet and no result of this shop says otherwise.
 * °C, s, kPa, g/m², mm; each key is process.step.fabric.
 */
export const TRADE = {
  prePressS: trade(5, 10, 6),
  prePressPolyesterS: trade(2, 5, 3),
  filmPauseS: trade(15, 20, 18),
  filmWhiteDensity: trade(0.5, 0.7, 0.6),
  filmChokeMm: trade(0.05, 0.3, 0.1),
  directChokeMm: trade(0.1, 0.4, 0.15),
  directWhiteDensity: trade(0.7, 1, 1),
  powderStandS: trade(0, 300, 0),
  powderCureC: trade(120, 165, 150),
  powderCureS: trade(120, 180, 150),
  transferCottonC: trade(150, 165, 157),
  transferPolyesterC: trade(130, 140, 135),
  transferCottonS: trade(10, 20, 15),
  transferPolyesterS: trade(15, 50, 20),
  transferCottonKPa: trade(35, 60, 50),
  transferPolyesterKPa: trade(15, 35, 25),
  secondPressS: trade(5, 15, 10),
  coldPeelS: assumed(30, 120, 45),
  warmPeelS: assumed(8, 20, 12),
  pretreatmentCottonGM2: trade(110, 180, 130),
  pretreatmentFleeceFactor: trade(2, 3, 2),
  pretreatmentPolyesterFactor: trade(1.2, 1.4, 1.3),
  pretreatmentTolerance: assumed(0.1, 0.2, 0.15),
  dryBurstS: trade(10, 15, 12),
  dryBursts: assumed(2, 5, 3),
  airDryS: trade(1200, 2400, 1800),
  directStandS: trade(45, 120, 60),
  directHoverS: trade(20, 40, 30),
  directCureCottonC: trade(160, 177, 165),
  directCureDarkS: trade(60, 120, 90),
  directCureLightS: trade(30, 45, 40),
  directCurePolyesterC: trade(138, 143, 140),
  directCurePolyesterS: trade(100, 140, 120),
} as const satisfies Record<string, TradeRange>;

/** Names for pressures as people say them, each up to this many kPa. */
const PRESSURE_WORDS: readonly [number, string][] = [
  [20, 'light'],
  [42, 'medium'],
  [65, 'firm'],
  [Infinity, 'hard'],
];

/** "light", "medium", "firm" or "hard" for a pressure in kPa. */
export const pressureWord = (kPa: number): string =>
  PRESSURE_WORDS.find(([upTo]) => kPa <= upTo)?.[1] ?? 'hard';

/** Room temperature wherever nothing is measured, °C. */
export const ROOM_C = 22;
