import type { ShopWriting, WritingChange } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const writingApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    shopWriting: build.query<ShopWriting, void>({
      query: () => '/shop/writing',
      providesTags: ['Catalogue'],
    }),
    setShopWriting: build.mutation<ShopWriting, WritingChange>({
      query: (body) => ({ url: '/shop/writing', method: 'PUT', body }),
      invalidatesTags: ['Catalogue'],
    }),
  }),
});

export const { useShopWritingQuery, useSetShopWritingMutation } = writingApi;
