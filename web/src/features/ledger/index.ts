export { LedgerTable } from './LedgerTable.tsx';
export { useLedgerQuery } from './ledgerApi.ts';
