export { catalogueEndpoints } from './catalogueEndpoints.ts';
export { catalogueStore } from './catalogueStore.ts';
export type { CatalogueStore } from './catalogueStore.ts';
