export { careEndpoints } from './careEndpoints.ts';
export { CareService } from './careService.ts';
export { CareStore } from './careStore.ts';
