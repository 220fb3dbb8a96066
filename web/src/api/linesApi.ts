import type {
  Job,
  LineDocument,
  LineOnOrder,
  LineQuote,
  OpenLines,
  OpenLinesQuery,
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
  }),
});

export const {
  useLineQuery,
  useOpenLinesQuery,
  useLineJobQuery,
  useRouteVersionsQuery,
  useLazyRouteVersionsQuery,
  useLineDocumentQuery,
  useQuoteQuery,
  useProvenLinesQuery,
  useReplanMutation,
} = linesApi;
