import type { Judgement, JudgementQuery, NewPreparation, Preparation } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const judgementsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    judgement: build.query<Judgement, JudgementQuery>({
      query: (body) => ({ url: '/judgements', method: 'POST', body }),
      keepUnusedDataFor: 60,
    }),
    makeReady: build.mutation<Preparation, { artworkId: string } & NewPreparation>({
      query: ({ artworkId, ...body }) => ({
        url: `/artworks/${artworkId}/preparations`,
        method: 'POST',
        body,
      }),
      invalidatesTags: ['Line'],
    }),
  }),
});

export const { useJudgementQuery, useMakeReadyMutation } = judgementsApi;
