import type {
  FloorWeighing,
  FloorWeighingInput,
  SprayInput,
  SprayWeighing,
  SprayWeighingInput,
  SprayerDevice,
  SprayerDrive,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';
import { useSpokenSprayer } from './liveSlice.ts';

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
    floorWeighings: build.query<FloorWeighing[], string>({
      query: (machineId) => `/machines/${machineId}/floor-weighings`,
      providesTags: ['SprayWeighing', 'Run'],
    }),
    takeFloorWeighing: build.mutation<SprayWeighing, { machineId: string; input: FloorWeighingInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/floor-weighings`,
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
    sprayers: build.query<SprayerDevice[], void>({ query: () => '/sprayers', providesTags: ['Sprayer'] }),
    spray: build.mutation<SprayerDevice, SprayInput & { machineId: string }>({
      query: ({ machineId, ...body }) => ({ url: `/sprayers/${machineId}/sprays`, method: 'POST', body }),
      invalidatesTags: ['Sprayer'],
    }),
    refillSprayer: build.mutation<SprayerDevice, string>({
      query: (machineId) => ({ url: `/sprayers/${machineId}/refill`, method: 'POST' }),
      invalidatesTags: ['Sprayer'],
    }),
    driveSprayer: build.mutation<SprayerDevice, SprayerDrive & { machineId: string }>({
      query: ({ machineId, ...body }) => ({ url: `/sprayers/${machineId}/drive`, method: 'POST', body }),
      invalidatesTags: ['Sprayer'],
    }),
  }),
});

export const {
  useFloorWeighingsQuery,
  useTakeFloorWeighingMutation,
  useSprayWeighingsQuery,
  useAddSprayWeighingMutation,
  useWithdrawSprayWeighingMutation,
  useSprayersQuery,
  useSprayMutation,
  useRefillSprayerMutation,
  useDriveSprayerMutation,
} = sprayersApi;

/** A sprayer as it said last: asked for once, then heard. */
export function useSprayer(machineId: string): SprayerDevice | undefined {
  const { data } = useSprayersQuery();
  const spoken = useSpokenSprayer(machineId);
  return spoken ?? data?.find((own) => own.machineId === machineId);
}
