export { createImportService } from './importService.ts';
export { shopEndpoints } from './shopEndpoints.ts';
export { createShopService } from './shopService.ts';
export { shopStore } from './shopStore.ts';
