import type {
  Care,
  PlatenHeight,
  PlatenHeightInput,
  PrintStart,
  PrintStartInput,
  Upkeep,
  UpkeepDone,
  UpkeepInput,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const STALE = ['Care'] as const;

const careApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    care: build.query<Care, void>({ query: () => '/care', providesTags: [...STALE] }),
    upkeep: build.query<Upkeep, void>({ query: () => '/upkeep', providesTags: [...STALE] }),
    printStarts: build.query<PrintStart[], string>({
      query: (machineId) => `/machines/${machineId}/print-starts`,
      providesTags: [...STALE],
    }),
    notePrintStart: build.mutation<PrintStart, { machineId: string; input: PrintStartInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/print-starts`,
        method: 'POST',
        body: input,
      }),
      invalidatesTags: [...STALE],
    }),
    notePlatenHeight: build.mutation<PlatenHeight, { machineId: string; input: PlatenHeightInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/platen-heights`,
        method: 'POST',
        body: input,
      }),
      invalidatesTags: [...STALE],
    }),
    noteUpkeep: build.mutation<UpkeepDone, { machineId: string; input: UpkeepInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/upkeep`,
        method: 'POST',
        body: input,
      }),
      invalidatesTags: [...STALE],
    }),
    withdrawUpkeep: build.mutation<UpkeepDone, { id: string; isWithdrawn: boolean }>({
      query: ({ id, isWithdrawn }) => ({
        url: `/upkeep/${id}/withdrawal`,
        method: 'POST',
        body: { isWithdrawn },
      }),
      invalidatesTags: [...STALE],
    }),
  }),
});

export const {
  useCareQuery,
  useUpkeepQuery,
  usePrintStartsQuery,
  useNotePrintStartMutation,
  useNotePlatenHeightMutation,
  useNoteUpkeepMutation,
  useWithdrawUpkeepMutation,
} = careApi;
