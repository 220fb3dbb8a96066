export { orderEndpoints } from './orderEndpoints.ts';
export { createOrderService, placementWords } from './orderService.ts';
export type { OrderService } from './orderService.ts';
export { orderStore } from './orderStore.ts';
export type { LineOnOrder, OrderStore } from './orderStore.ts';
