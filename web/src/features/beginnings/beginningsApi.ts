import type { Beginnings } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const beginningsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    beginnings: build.query<Beginnings, void>({
      query: () => '/beginnings',
      providesTags: ['Catalogue', 'Order'],
    }),
    fillDemo: build.mutation<Beginnings, void>({
      query: () => ({ url: '/demo', method: 'POST' }),
      invalidatesTags: ['Catalogue'],
    }),
    clearDemo: build.mutation<Beginnings, void>({
      query: () => ({ url: '/demo/cleared', method: 'POST' }),
      invalidatesTags: ['Order', 'Line', 'Route', 'Run', 'Ledger', 'Quote', 'Catalogue'],
    }),
  }),
});

export const { useBeginningsQuery, useFillDemoMutation, useClearDemoMutation } = beginningsApi;
