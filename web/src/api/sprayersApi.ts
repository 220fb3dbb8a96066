import type { SprayWeighing, SprayWeighingInput } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const sprayersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    sprayWeighings: build.query<SprayWeighing[], string>({
      query: (machineId) => `/machines/${machineId}/spray-weighings`,
      providesTags: ['SprayWeighing'],
    }),
    addSprayWeighing: build.mutation<SprayWeighing, { machineId: string; input: SprayWeighingInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/spray-weighings`,
        method: 'POST',
        body: input,
      }),
      invalidatesTags: ['SprayWeighing', 'Catalogue'],
    }),
    withdrawSprayWeighing: build.mutation<SprayWeighing, { id: string; isWithdrawn: boolean }>({
      query: ({ id, isWithdrawn }) => ({
        url: `/spray-weighings/${id}/withdrawal`,
        method: 'POST',
        body: { isWithdrawn },
      }),
      invalidatesTags: ['SprayWeighing', 'Catalogue'],
    }),
  }),
});

export const { useSprayWeighingsQuery, useAddSprayWeighingMutation, useWithdrawSprayWeighingMutation } =
  sprayersApi;
