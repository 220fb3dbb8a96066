export { printEndpoints } from './printEndpoints.ts';
export { createPrintService } from './printService.ts';
export { printStore } from './printStore.ts';
