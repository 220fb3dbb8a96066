import type { Found, FindQuery, OrderPage } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const MOST = 6;

const findApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    /** A handful of orders that a search leads to, the newest first, in whatever state. */
    ordersFound: build.query<OrderPage, { text: string }>({
      query: ({ text }) => ({
        url: '/orders',
        params: { search: text, limit: MOST, sort: 'created', direction: 'desc' },
      }),
      providesTags: ['Order'],
      keepUnusedDataFor: 20,
    }),
    found: build.query<Found, FindQuery>({
      query: (params) => ({ url: '/find', params }),
      providesTags: ['Order', 'Line'],
      keepUnusedDataFor: 20,
    }),
  }),
});

export const { useFoundQuery, useOrdersFoundQuery } = findApi;
