export { BackgroundPlanner } from './backgroundPlanner.ts';
export { ComparisonService } from './comparisonService.ts';
export { routeEndpoints } from './routeEndpoints.ts';
export { RoutePlanner } from './routePlanner.ts';
export { RouteService } from './routeService.ts';
export { RouteStore } from './routeStore.ts';
export { WrittenLines } from './writtenLines.ts';
export { readProvenLines, readSpoilage } from './spoilageReads.ts';
