import type { ImportReport, ShopChange, ShopChanged, ShopList } from '@saltflat/contract';
import type { Rates } from '@saltflat/core/cost';
import type { HouseMethods } from '@saltflat/core/route';
import { baseApi } from '../../api/baseApi.ts';

export type RecordList = 'blanks' | 'materials' | 'machines';

interface Saved {
  list: RecordList;
  /** `null` for one that is new. */
  id: string | null;
  version: number;
  record: object;
}

const STALE = ['Catalogue'] as const; // the routes that follow say so themselves, one by one

const shopApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    shopChange: build.query<ShopChange, string>({
      query: (id) => `/shop/changes/${id}`,
      providesTags: ['Change'],
    }),
    saveRecord: build.mutation<ShopChanged, Saved>({
      query: ({ list, id, version, record }) =>
        id === null
          ? { url: `/shop/${list}`, method: 'POST', body: record }
          : { url: `/shop/${list}/${id}`, method: 'PUT', body: { version, record } },
      invalidatesTags: [...STALE],
    }),
    retireRecord: build.mutation<
      ShopChanged,
      { list: RecordList; id: string; version: number; isRetired: boolean }
    >({
      query: ({ list, id, version, isRetired }) => ({
        url: `/shop/${list}/${id}/${isRetired ? 'retire' : 'restore'}`,
        method: 'POST',
        body: { version },
      }),
      invalidatesTags: [...STALE],
    }),
    putFirst: build.mutation<ShopChanged, { list: 'materials' | 'machines'; id: string }>({
      query: ({ list, id }) => ({ url: `/shop/${list}/${id}/first`, method: 'POST' }),
      invalidatesTags: [...STALE],
    }),
    setHouse: build.mutation<ShopChanged, { version: number; record: HouseMethods }>({
      query: (body) => ({ url: '/shop/house', method: 'PUT', body }),
      invalidatesTags: [...STALE],
    }),
    setRates: build.mutation<ShopChanged, { version: number; record: Rates }>({
      query: (body) => ({ url: '/shop/rates', method: 'PUT', body }),
      invalidatesTags: [...STALE],
    }),
    importList: build.mutation<
      ImportReport,
      { list: ShopList; format: 'csv' | 'json'; text: string; dryRun: boolean }
    >({
      extraOptions: { isKnownAgain: true },
      query: ({ list, format, text, dryRun }) => ({
        url: '/shop/import',
        params: { list, format, dryRun },
        method: 'POST',
        body: text,
        headers: { 'content-type': format === 'json' ? 'application/json' : 'text/csv' },
      }),
      invalidatesTags: (_answer, _error, { dryRun }) => (dryRun ? [] : [...STALE]),
    }),
  }),
});

export const {
  useShopChangeQuery,
  useSaveRecordMutation,
  useRetireRecordMutation,
  usePutFirstMutation,
  useSetHouseMutation,
  useSetRatesMutation,
  useImportListMutation,
} = shopApi;
