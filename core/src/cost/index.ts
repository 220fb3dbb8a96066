export { againCents } from './againCents.ts';
export { priceRoute, withMaterialsOf } from './priceRoute.ts';
export type { PieceCost } from './priceRoute.ts';
export { quoteLine } from './quoteLine.ts';
export type { Quote, QuoteInput, QuoteResult } from './quoteLine.ts';
export { DEFAULT_RATES } from './rates.ts';
export type { Rates } from './rates.ts';
