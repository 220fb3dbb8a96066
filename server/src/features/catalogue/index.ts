export { catalogueEndpoints } from './catalogueEndpoints.ts';
export { catalogueStore } from './catalogueStore.ts';
export { createWeighingService } from './weighingService.ts';
