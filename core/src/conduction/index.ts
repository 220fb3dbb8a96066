export {
  SIGMA,
  WATER_CP,
  airKWMK,
  boilingC,
  evaporationKgM2S,
  fourthPowerK,
  naturalHWM2K,
  squaresViewFactor,
  vaporisationJKg,
} from './physics.ts';
export { USUAL_STEPS } from './problem.ts';
export type {
  Boundary,
  Dose,
  Evaporation,
  FreeSurface,
  Layer,
  LumpedLayer,
  Phase,
  Probe,
  Problem,
  SolidLayer,
  Solution,
  Stack,
  Stepping,
} from './problem.ts';
export { simulate } from './simulate.ts';
