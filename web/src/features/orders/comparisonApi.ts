import type { ComparisonAnswer, ComparisonQuery } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const comparisonApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    comparison: build.query<ComparisonAnswer, ComparisonQuery>({
      query: (body) => ({ url: '/comparisons', method: 'POST', body }),
      providesTags: ['Catalogue', 'Run'],
      keepUnusedDataFor: 20,
    }),
  }),
});

export const { useComparisonQuery } = comparisonApi;
