export { createCheckLines } from './checkLines.ts';
export { orderEndpoints } from './orderEndpoints.ts';
export { OrderService } from './orderService.ts';
export { OrderStore } from './orderStore.ts';
export { asCopy } from './lineInputs.ts';
