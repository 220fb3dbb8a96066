export { catalogueEndpoints } from './catalogueEndpoints.ts';
export { CatalogueStore } from './catalogueStore.ts';
export { WeighingService } from './weighingService.ts';
export { WeighingStore } from './weighingStore.ts';
export { LotService } from './lotService.ts';
