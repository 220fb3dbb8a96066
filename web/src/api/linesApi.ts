import type {
  ArtOverruleInput,
  Job,
  LineDocument,
  LineOnOrder,
  LineQuote,
  OpenLines,
  OpenLinesQuery,
  PreparationInput,
  ProvenLine,
  RouteVersion,
  SettingOverride,
  SourceChoice,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const linesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    openLines: build.query<OpenLines, OpenLinesQuery>({
      query: (params) => ({ url: '/open-lines', params }),
      providesTags: ['Line', 'Order'],
    }),
    line: build.query<LineOnOrder, string>({ query: (id) => `/lines/${id}`, providesTags: ['Line'] }),
    lineJob: build.query<{ job: Job | null }, string>({
      query: (id) => `/lines/${id}/job`,
      providesTags: ['Job', 'Line'],
    }),
    routeVersions: build.query<RouteVersion[], string>({
      query: (lineId) => `/lines/${lineId}/routes`,
      providesTags: ['Route'],
    }),
    lineDocument: build.query<LineDocument, string>({
      query: (lineId) => `/lines/${lineId}/document`,
      providesTags: ['Route', 'Line'],
    }),
    quote: build.query<LineQuote, string>({
      query: (lineId) => `/lines/${lineId}/quote`,
      providesTags: ['Route', 'Line'],
    }),
    provenLines: build.query<ProvenLine[], string>({
      query: (lineId) => `/lines/${lineId}/proven`,
      providesTags: ['Ledger'],
    }),
    replan: build.mutation<
      RouteVersion,
      { lineId: string; overrides: SettingOverride[]; sources?: SourceChoice[]; basedOn: number }
    >({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/routes`, method: 'POST', body }),
      invalidatesTags: ['Route', 'Line', 'Order'],
    }),
    prepare: build.mutation<RouteVersion, { lineId: string } & PreparationInput>({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/preparations`, method: 'POST', body }),
      invalidatesTags: ['Line', 'Route', 'Order'],
    }),
    overruleArt: build.mutation<LineOnOrder, { lineId: string } & ArtOverruleInput>({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/art-overrule`, method: 'POST', body }),
      invalidatesTags: ['Line', 'Order'],
    }),
    takeBackOverrule: build.mutation<LineOnOrder, string>({
      query: (lineId) => ({ url: `/lines/${lineId}/art-overrule/taken-back`, method: 'POST' }),
      invalidatesTags: ['Line', 'Order'],
    }),
  }),
});

export const {
  useLineQuery,
  useOverruleArtMutation,
  usePrepareMutation,
  useTakeBackOverruleMutation,
  useOpenLinesQuery,
  useLineJobQuery,
  useRouteVersionsQuery,
  useLazyRouteVersionsQuery,
  useLineDocumentQuery,
  useQuoteQuery,
  useProvenLinesQuery,
  useReplanMutation,
} = linesApi;
