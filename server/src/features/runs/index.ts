export { OutcomeStore } from './outcomeStore.ts';
export { runEndpoints } from './runEndpoints.ts';
export { RunService } from './runService.ts';
export type { RunNeeds } from './runService.ts';
export { RunStore } from './runStore.ts';
export { WorkTimeStore } from './workTimeStore.ts';
export { sharedSheets } from './sharedSheets.ts';
