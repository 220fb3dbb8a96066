export { catalogueEndpoints } from './catalogueEndpoints.ts';
export { catalogueStore } from './catalogueStore.ts';
