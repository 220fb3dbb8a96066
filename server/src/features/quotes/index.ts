export { quoteEndpoints } from './quoteEndpoints.ts';
export { QuoteService } from './quoteService.ts';
export { QuoteStore } from './quoteStore.ts';
