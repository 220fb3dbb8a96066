import { createApi, fetchBaseQuery, retry } from '@reduxjs/toolkit/query/react';

/** What can go stale; a change told by the server invalidates these by name. */
export const TAGS = [
  'Order',
  'Line',
  'Route',
  'Run',
  'Ledger',
  'Catalogue',
  'Change',
  'Quote',
  'Backup',
] as const;

const rawQuery = fetchBaseQuery({ baseUrl: '/api/v1', timeout: 30_000 });

/** Reads are tried again while the server or its database is away; writes are sent once. */
const query: typeof rawQuery = async (args, api, extra) => {
  if (api.type !== 'query') return rawQuery(args, api, extra);
  return retrying(args, api, extra);
};
const retrying = retry(rawQuery, {
  retryCondition: (error, _args, { attempt }) => attempt <= 3 && isAway(error),
});

/** One cache of the server's answers; features add their own endpoints. */
export const baseApi = createApi({
  reducerPath: 'api',
  baseQuery: query,
  tagTypes: TAGS,
  endpoints: () => ({}),
});

const isAway = (error: unknown): boolean => {
  const { status } = error as { status?: unknown };
  return status === 'FETCH_ERROR' || status === 503;
};
