export { ledgerEndpoints } from './ledgerEndpoints.ts';
export { ledgerStore } from './ledgerStore.ts';
