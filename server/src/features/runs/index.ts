export { runEndpoints } from './runEndpoints.ts';
export { createRunService } from './runService.ts';
export type { RunService } from './runService.ts';
export { runStore } from './runStore.ts';
