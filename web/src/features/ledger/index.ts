export { LedgerTable } from './LedgerTable.tsx';
export { LedgerDaysView } from './LedgerDaysView.tsx';
export { useLedgerPagesInfiniteQuery } from './ledgerApi.ts';
