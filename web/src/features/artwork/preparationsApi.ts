import type {
  Artwork,
  ArtworkUse,
  LaydownFit,
  Order,
  Preparation,
  ProofAnswer,
  ProofAnswerInput,
  RightsInput,
  WeighingInput,
} from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const preparationsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    preparations: build.query<Preparation[], string>({
      query: (artworkId) => `/artworks/${artworkId}/preparations`,
      providesTags: ['Line'],
    }),
    artworkUses: build.query<ArtworkUse[], string>({
      query: (artworkId) => `/artworks/${artworkId}/lines`,
      providesTags: ['Line'],
    }),
    replaceArtwork: build.mutation<Order, { lineId: string; print: string; artworkId: string }>({
      query: ({ lineId, ...body }) => ({
        url: `/lines/${lineId}/artwork`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: ['Line', 'Route', 'Order'],
    }),
    sayRights: build.mutation<Artwork, { artworkId: string } & RightsInput>({
      query: ({ artworkId, ...body }) => ({ url: `/artworks/${artworkId}/rights`, method: 'PUT', body }),
      invalidatesTags: ['Line', 'Order'],
    }),
    proofAnswers: build.query<ProofAnswer[], string>({
      query: (lineId) => `/lines/${lineId}/proof-answers`,
      providesTags: ['Line'],
    }),
    laydowns: build.query<LaydownFit[], void>({ query: () => '/laydowns', providesTags: ['Catalogue'] }),
    weighPrint: build.mutation<LaydownFit[], { lineId: string } & WeighingInput>({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/weighings`, method: 'POST', body }),
      invalidatesTags: ['Catalogue'],
    }),
    answerProof: build.mutation<ProofAnswer[], { lineId: string } & ProofAnswerInput>({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/proof-answers`, method: 'POST', body }),
      invalidatesTags: ['Line', 'Order'],
    }),
  }),
});

export const {
  usePreparationsQuery,
  useArtworkUsesQuery,
  useReplaceArtworkMutation,
  useSayRightsMutation,
  useProofAnswersQuery,
  useAnswerProofMutation,
  useLaydownsQuery,
  useWeighPrintMutation,
} = preparationsApi;
