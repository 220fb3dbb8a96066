export { healthEndpoints } from './healthEndpoints.ts';
