export { createComparisonService } from './comparisonService.ts';
export { routeEndpoints } from './routeEndpoints.ts';
export { createRoutePlanner } from './routePlanner.ts';
export { createRouteService } from './routeService.ts';
export type { RouteService } from './routeService.ts';
export { routeStore } from './routeStore.ts';
