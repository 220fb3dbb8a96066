export { paperEndpoints } from './paperEndpoints.ts';
export { createPaperService } from './paperService.ts';
