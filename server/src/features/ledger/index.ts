export { ledgerEndpoints } from './ledgerEndpoints.ts';
