import type { LedgerPage, LedgerQuery } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const ledgerApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    ledger: build.query<LedgerPage, LedgerQuery>({
      query: (params) => ({ url: '/ledger', params }),
      providesTags: ['Ledger'],
    }),
  }),
});

export const { useLedgerQuery } = ledgerApi;
