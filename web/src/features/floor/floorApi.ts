import type { Run, RunEventInput } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';
import { newerRun } from './newerRun.ts';

const floorApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    activeRuns: build.query<Run[], void>({
      query: () => '/runs?state=active',
      providesTags: ['Run'],
      merge: (known, answer) =>
        answer.map((run) =>
          newerRun(
            known.find(({ id }) => id === run.id),
            run,
          ),
        ),
    }),
    run: build.query<Run, string>({
      query: (id) => `/runs/${id}`,
      providesTags: ['Run'],
      merge: (known, answer) => newerRun(known, answer),
    }),
    startRun: build.mutation<Run, { lineId: string; by: string }>({
      query: (body) => ({ url: '/runs', method: 'POST', body }),
      invalidatesTags: ['Run', 'Order', 'Line'],
    }),
    sendEvents: build.mutation<Run, { runId: string; events: RunEventInput[] }>({
      query: ({ runId, events }) => ({ url: `/runs/${runId}/events`, method: 'POST', body: { events } }),
      // the answer is the run as it now is: put it where it is read, before the events leave the outbox
      onQueryStarted: async ({ runId }, { dispatch, queryFulfilled }) => {
        try {
          const { data } = await queryFulfilled;
          void dispatch(floorApi.util.upsertQueryData('run', runId, data));
          dispatch(
            floorApi.util.updateQueryData('activeRuns', undefined, (runs) =>
              data.finishedAt === null
                ? runs.map((run) => (run.id === runId ? data : run))
                : runs.filter(({ id }) => id !== runId),
            ),
          );
        } catch {
          // the outbox keeps the events and tries again
        }
      },
    }),
    uploadPhoto: build.mutation<{ sha256: string }, File>({
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

export const { useActiveRunsQuery, useRunQuery, useStartRunMutation, useUploadPhotoMutation } = floorApi;
export const { sendEvents } = floorApi.endpoints;
