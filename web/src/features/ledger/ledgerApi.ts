import type { LedgerDays, LedgerDaysQuery, LedgerPage, LedgerQuery } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const ledgerApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    ledgerPages: build.infiniteQuery<LedgerPage, LedgerQuery, string>({
      query: ({ queryArg, pageParam }) => ({
        url: '/ledger',
        params: pageParam === '' ? queryArg : { ...queryArg, cursor: pageParam },
      }),
      infiniteQueryOptions: {
        initialPageParam: '',
        getNextPageParam: ({ nextCursor }) => nextCursor,
      },
      providesTags: ['Ledger'],
    }),
    ledgerDays: build.query<LedgerDays, LedgerDaysQuery>({
      query: (params) => ({ url: '/ledger/days', params }),
      providesTags: ['Ledger'],
    }),
  }),
});

export const { useLedgerDaysQuery, useLedgerPagesInfiniteQuery } = ledgerApi;
