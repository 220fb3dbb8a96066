export { reachOf, regionOf, sideOf } from './faces.ts';
export type { Reach } from './faces.ts';
export { outlineOf, outlineScale, printTop } from './outlines.ts';
export type { GarmentOutline } from './outlines.ts';
export { overlaps } from './overlaps.ts';
export { PLACEMENTS, PLACEMENT_KEYS, dropFrom, placedTwice, placementsOn } from './placements.ts';
export type { NamedPlacement, PlacementKey } from './placements.ts';
export { crossesPocket, meanAreaScale, planPlacement, pocketTopMm } from './planPlacement.ts';
export type {
  Grade,
  LinePlacement,
  LineSize,
  PlacementNeed,
  PlacementPlan,
  PlacementProblem,
  PrintArea,
  SizePlacement,
} from './planPlacement.ts';
