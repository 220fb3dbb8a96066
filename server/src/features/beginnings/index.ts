export { beginningEndpoints } from './beginningEndpoints.ts';
export { BeginningService } from './beginningService.ts';
