import type { NewestSurveys, Survey, SurveyInput } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const surveysApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    newestSurveys: build.query<NewestSurveys, void>({
      query: () => '/surveys',
      providesTags: ['Survey', 'Catalogue'],
    }),
    surveys: build.query<Survey[], string>({
      query: (machineId) => `/machines/${machineId}/surveys`,
      providesTags: ['Survey'],
    }),
    addSurvey: build.mutation<Survey, { machineId: string; input: SurveyInput }>({
      query: ({ machineId, input }) => ({
        url: `/machines/${machineId}/surveys`,
        method: 'POST',
        body: input,
      }),
      invalidatesTags: ['Survey'],
    }),
  }),
});

export const { useNewestSurveysQuery, useSurveysQuery, useAddSurveyMutation } = surveysApi;
