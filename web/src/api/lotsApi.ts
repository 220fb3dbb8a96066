import type { Lot, LotInput } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const lotsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    lots: build.query<Lot[], void>({ query: () => '/lots', providesTags: ['Catalogue'] }),
    openLot: build.mutation<Lot[], { materialId: string } & LotInput>({
      query: ({ materialId, ...body }) => ({ url: `/materials/${materialId}/lots`, method: 'POST', body }),
      invalidatesTags: ['Catalogue'],
    }),
  }),
});

export const { useLotsQuery, useOpenLotMutation } = lotsApi;
