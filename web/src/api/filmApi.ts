import type { FilmLayout, FilmLayoutInput, FilmLayoutPage, FilmWaiting, Run } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const filmApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    filmWaiting: build.query<FilmWaiting, void>({
      query: () => '/film/waiting',
      providesTags: ['Line', 'Order', 'Route', 'Run'],
    }),
    filmLayouts: build.infiniteQuery<FilmLayoutPage, void, string | null>({
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ nextCursor }) => nextCursor ?? undefined,
      },
      query: ({ pageParam }) => ({
        url: '/film/layouts',
        params: pageParam === null ? {} : { cursor: pageParam },
      }),
      providesTags: ['FilmLayout', 'Run'],
    }),
    filmLayout: build.query<FilmLayout, string>({
      query: (id) => `/film/layouts/${id}`,
      providesTags: ['FilmLayout', 'Run'],
    }),
    keepLayout: build.mutation<FilmLayout, FilmLayoutInput>({
      query: (body) => ({ url: '/film/layouts', method: 'POST', body }),
      invalidatesTags: ['FilmLayout', 'Route', 'Quote'],
    }),
    startLayout: build.mutation<Run, { id: string; by: string }>({
      query: ({ id, by }) => ({ url: `/film/layouts/${id}/runs`, method: 'POST', body: { by } }),
      invalidatesTags: ['FilmLayout', 'Run', 'Order', 'Line'],
    }),
  }),
});

export const {
  useFilmWaitingQuery,
  useFilmLayoutsInfiniteQuery,
  useFilmLayoutQuery,
  useKeepLayoutMutation,
  useStartLayoutMutation,
} = filmApi;
