import type { LedgerPage, LedgerQuery } from '@saltflat/contract';
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
  }),
});

export const { useLedgerPagesInfiniteQuery } = ledgerApi;
