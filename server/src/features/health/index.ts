export { healthEndpoints } from './healthEndpoints.ts';
export { watchLoop } from './loopMonitor.ts';
