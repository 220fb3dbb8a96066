export { filmEndpoints } from './filmEndpoints.ts';
