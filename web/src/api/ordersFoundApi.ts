import type { OrderPage } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const MOST = 6;

const ordersFoundApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    ordersFound: build.query<OrderPage, { text: string }>({
      query: ({ text }) => ({
        url: '/orders',
        params: { search: text, limit: MOST, sort: 'created', direction: 'desc' },
      }),
      providesTags: ['Order'],
      keepUnusedDataFor: 20,
    }),
  }),
});

/** A handful of orders that a search leads to, the newest first, in whatever state. */
export const { useOrdersFoundQuery } = ordersFoundApi;
