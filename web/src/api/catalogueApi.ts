import type { Catalogue } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const catalogueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    catalogue: build.query<Catalogue, void>({ query: () => '/catalogue', providesTags: ['Catalogue'] }),
  }),
});

export const { useCatalogueQuery } = catalogueApi;
