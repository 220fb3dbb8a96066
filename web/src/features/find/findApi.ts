import type { Found, FindQuery } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const findApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    found: build.query<Found, FindQuery>({
      query: (params) => ({ url: '/find', params }),
      providesTags: ['Order', 'Line'],
      keepUnusedDataFor: 20,
    }),
  }),
});

export const { useFoundQuery } = findApi;
