export { findEndpoints } from './findEndpoints.ts';
