export { orderEndpoints } from './orderEndpoints.ts';
export { createOrderService } from './orderService.ts';
export type { OrderService } from './orderService.ts';
export { orderStore } from './orderStore.ts';
