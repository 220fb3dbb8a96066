import type { FilmWaiting } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const filmApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    filmWaiting: build.query<FilmWaiting, void>({
      query: () => '/film/waiting',
      providesTags: ['Line', 'Order', 'Route', 'Run'],
    }),
  }),
});

export const { useFilmWaitingQuery } = filmApi;
