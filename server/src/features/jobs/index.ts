export { jobEndpoints } from './jobEndpoints.ts';
export { JobService } from './jobService.ts';
export { JobStore } from './jobStore.ts';
