import type { GivenQuote, OrderQuotes, QuoteAcceptance, QuoteGiving } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const quotesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    orderQuotes: build.query<OrderQuotes, string>({
      query: (orderId) => `/orders/${orderId}/quotes`,
      providesTags: ['Quote'],
    }),
    giveQuote: build.mutation<OrderQuotes, QuoteGiving & { orderId: string }>({
      query: ({ orderId, ...body }) => ({ url: `/orders/${orderId}/quotes`, method: 'POST', body }),
      invalidatesTags: ['Quote'],
    }),
    acceptQuote: build.mutation<GivenQuote, QuoteAcceptance & { quoteId: string }>({
      query: ({ quoteId, ...body }) => ({ url: `/quotes/${quoteId}/accept`, method: 'POST', body }),
      invalidatesTags: ['Quote'],
    }),
  }),
});

export const { useAcceptQuoteMutation, useGiveQuoteMutation, useOrderQuotesQuery } = quotesApi;
