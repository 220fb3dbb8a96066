export { routeEndpoints } from './routeEndpoints.ts';
export { createRouteService } from './routeService.ts';
export type { RouteService } from './routeService.ts';
export { routeStore } from './routeStore.ts';
