export { paperEndpoints } from './paperEndpoints.ts';
export { PaperService } from './paperService.ts';
