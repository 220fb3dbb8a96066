export { DEFAULT_RATES, priceRoute } from './priceRoute.ts';
export type { PieceCost, Rates } from './priceRoute.ts';
