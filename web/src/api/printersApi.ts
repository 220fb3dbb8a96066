import type { FilmPrinter, PrinterDrive, PrinterJobInput } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';
import { useSpokenPrinter } from './liveSlice.ts';

const STALE = ['Printer'] as const;

const printersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    printers: build.query<FilmPrinter[], void>({ query: () => '/printers', providesTags: [...STALE] }),
    sendToPrinter: build.mutation<FilmPrinter, PrinterJobInput>({
      query: (body) => ({ url: '/printer-jobs', method: 'POST', body }),
      invalidatesTags: [...STALE],
    }),
    cancelJob: build.mutation<FilmPrinter, { machineId: string; jobId: string }>({
      query: ({ machineId, jobId }) => ({
        url: `/printers/${machineId}/jobs/${jobId}/cancel`,
        method: 'POST',
      }),
      invalidatesTags: [...STALE],
    }),
    clearPrinter: build.mutation<FilmPrinter, string>({
      query: (machineId) => ({ url: `/printers/${machineId}/clear`, method: 'POST' }),
      invalidatesTags: [...STALE],
    }),
    printPattern: build.mutation<FilmPrinter, string>({
      query: (machineId) => ({ url: `/printers/${machineId}/pattern`, method: 'POST' }),
      invalidatesTags: [...STALE],
    }),
    cleanPrinter: build.mutation<FilmPrinter, string>({
      query: (machineId) => ({ url: `/printers/${machineId}/clean`, method: 'POST' }),
      invalidatesTags: [...STALE],
    }),
    movePlaten: build.mutation<FilmPrinter, { machineId: string; by: number }>({
      query: ({ machineId, by }) => ({
        url: `/printers/${machineId}/platen`,
        method: 'POST',
        body: { by },
      }),
      invalidatesTags: [...STALE],
    }),
    drivePrinter: build.mutation<FilmPrinter, PrinterDrive & { machineId: string }>({
      query: ({ machineId, ...body }) => ({ url: `/printers/${machineId}/drive`, method: 'POST', body }),
      invalidatesTags: [...STALE],
    }),
  }),
});

export const {
  usePrintersQuery,
  useSendToPrinterMutation,
  useCancelJobMutation,
  useClearPrinterMutation,
  useDrivePrinterMutation,
  usePrintPatternMutation,
  useCleanPrinterMutation,
  useMovePlatenMutation,
} = printersApi;

/** A printer as it said last: asked for once, then heard. */
export function usePrinter(machineId: string): FilmPrinter | undefined {
  const { data } = usePrintersQuery();
  const spoken = useSpokenPrinter(machineId);
  return spoken ?? data?.find((own) => own.machineId === machineId);
}
