import type { BaseQueryFn, FetchArgs, FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { createApi, fetchBaseQuery, retry } from '@reduxjs/toolkit/query/react';
import { sendKeyed } from './keyedWrites.ts';

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
  'Job',
  'PressCheck',
  'BenchNote',
  'SprayWeighing',
  'Care',
  'FilmLayout',
  'Shelf',
  'Printer',
  'Sprayer',
  'Plan',
] as const;

const rawQuery = fetchBaseQuery({ baseUrl: '/api/v1', timeout: 30_000 });

/** A write that the server knows again by something else than a key says so: files by their content, events by their ids. */
type Query = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError, { isKnownAgain?: boolean }>;

/** Reads are tried again while the server or its database is away, and so are writes, each under a key of its own. */
const query: Query = async (args, api, extra) => {
  if (api.type === 'query') return retrying(args, api, {});
  if (typeof args === 'string' || extra?.isKnownAgain) return rawQuery(args, api, {});
  return sendKeyed(
    JSON.stringify([args.url, args.method, args.params, args.body]),
    async (key) => {
      const headers = new Headers(args.headers as Record<string, string> | undefined); // none here is set otherwise
      headers.set('idempotency-key', key);
      return rawQuery({ ...args, headers }, api, {});
    },
    ({ error }) => isAway(error) || error?.status === 'TIMEOUT_ERROR',
  );
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
  const { status } = (error ?? {}) as { status?: unknown };
  return status === 'FETCH_ERROR' || status === 503;
};
