export { GRAMS_IN, countedAs } from './countedAs.ts';
export type { Counted } from './countedAs.ts';
export { runsShort, stockNeeds } from './stockNeeds.ts';
export type { LineToMake, RunningShort, StockNeed } from './stockNeeds.ts';
