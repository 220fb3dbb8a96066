import type { Floor, Photo, Run, RunEventInput, RunNews, RunReceipt, RunStart } from '@saltflat/contract';
import type { FetchArgs, FetchBaseQueryError } from '@reduxjs/toolkit/query';
import { baseApi } from '../../api/baseApi.ts';
import { addSent, askFloor, bringUpToDate, newerRun } from './knownRun.ts';
import type { FloorSource, RunSource } from './knownRun.ts';
import { serverNow } from '../../api/serverClock.ts';

type Fetch = (asked: string | FetchArgs) => Promise<{ data?: unknown; error?: FetchBaseQueryError }>;

/** Leaves a question with the error of the request that failed. */
class Unanswered extends Error {
  readonly failure: FetchBaseQueryError;
  constructor(failure: FetchBaseQueryError) {
    super('no answer');
    this.failure = failure;
  }
}

/** Asks the server, each answer by its own schema’s type. */
function sourceOf(fetch: Fetch): RunSource & FloorSource {
  const ask = async <T>(asked: string | FetchArgs): Promise<T> => {
    const { data, error } = await fetch(asked);
    if (error) throw new Unanswered(error);
    return data as T; // the endpoint's own answer
  };
  return {
    floor: (known) => ask<Floor>({ url: '/floor', method: 'POST', body: known }),
    whole: (id) => ask<Run>(`/runs/${id}`),
    news: (id, after) => ask<RunNews>(`/runs/${id}/events?after=${after}`),
  };
}

/** The failure of a question as the cache keeps it. */
const failed = (error: unknown): { error: FetchBaseQueryError } => {
  if (error instanceof Unanswered) return { error: error.failure };
  throw error;
};

const floorApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    activeRuns: build.query<Run[], void>({
      queryFn: async (_arg, { getState }, _extra, fetch) => {
        try {
          return { data: await askFloor(sourceOf(fetch as Fetch), knownRuns(getState()), serverNow()) };
        } catch (error) {
          return failed(error);
        }
      },
      providesTags: ['Run'],
      merge: newerRuns,
    }),
    run: build.query<Run, string>({
      queryFn: async (id, { getState }, _extra, fetch) => {
        try {
          return { data: await bringUpToDate(sourceOf(fetch as Fetch), id, knownRun(getState(), id)) };
        } catch (error) {
          return failed(error);
        }
      },
      providesTags: ['Run'],
      merge: (known, answer) => newerRun(known, answer),
    }),
    startRun: build.mutation<Run, RunStart>({
      query: (body) => ({ url: '/runs', method: 'POST', body }),
      invalidatesTags: ['Run', 'Order', 'Line'],
    }),
    sendEvents: build.mutation<RunReceipt, { runId: string; events: RunEventInput[] }>({
      extraOptions: { isKnownAgain: true },
      query: ({ runId, events }) => ({ url: `/runs/${runId}/events`, method: 'POST', body: { events } }),
      // what was sent is put where runs are read, before it leaves the outbox; what others added is told by the stream
      onQueryStarted: async ({ runId, events }, { dispatch, queryFulfilled }) => {
        try {
          const { data } = await queryFulfilled;
          const patch = (run: Run): void => addSent(run, events, data);
          dispatch(floorApi.util.updateQueryData('run', runId, patch));
          dispatch(
            floorApi.util.updateQueryData('activeRuns', undefined, (runs) => {
              const own = runs.find(({ id }) => id === runId);
              if (own) patch(own);
            }),
          );
        } catch {
          // the outbox keeps the events and tries again
        }
      },
    }),
    uploadPhoto: build.mutation<Photo, File>({
      extraOptions: { isKnownAgain: true },
      query: (file) => ({
        url: '/photos',
        params: { name: file.name },
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
    }),
  }),
});

/** Of two answers about the floor what knows more of each run. */
function newerRuns(known: readonly Run[], answer: readonly Run[]): Run[] {
  return answer.map((run) =>
    newerRun(
      known.find(({ id }) => id === run.id),
      run,
    ),
  );
}

type ApiState = Parameters<ReturnType<typeof floorApi.endpoints.run.select>>[0];

/** What this page knows of runs; their types are said, since they are read where the questions are defined. */
function knownRun(state: unknown, id: string): Run | undefined {
  return floorApi.endpoints.run.select(id)(state as ApiState).data;
}
function knownRuns(state: unknown): readonly Run[] {
  return floorApi.endpoints.activeRuns.select()(state as ApiState).data ?? [];
}

export const { useActiveRunsQuery, useRunQuery, useStartRunMutation, useUploadPhotoMutation } = floorApi;
export const { sendEvents } = floorApi.endpoints;
