export { LedgerTable } from './LedgerTable.tsx';
export { useLedgerPagesInfiniteQuery } from './ledgerApi.ts';
