export { PlateMap } from './plateMap.ts';
export type { SpotReading } from './plateMap.ts';
export { pastEdge, seenMm, spotsFor } from './spots.ts';
export type { PlateSize, Spot } from './spots.ts';
export { FEWEST_READINGS, summarise, underPrint } from './summary.ts';
export type { PlateArea, SurveySummary, UnderPrint } from './summary.ts';
