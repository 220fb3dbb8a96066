import type { LineDocument, OrderLine, ProvenLine, RouteVersion, SettingOverride } from '@saltflat/contract';
import type { Quote } from '@saltflat/core/cost';
import { baseApi } from './baseApi.ts';

/** A line together with what is on its order's ticket. */
export interface LineOnOrder {
  line: OrderLine;
  orderId: string;
  customer: string;
  dueAt: string;
  isCancelled: boolean;
}

const linesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    line: build.query<LineOnOrder, string>({ query: (id) => `/lines/${id}`, providesTags: ['Line'] }),
    routeVersions: build.query<RouteVersion[], string>({
      query: (lineId) => `/lines/${lineId}/routes`,
      providesTags: ['Route'],
    }),
    lineDocument: build.query<LineDocument, string>({
      query: (lineId) => `/lines/${lineId}/document`,
      providesTags: ['Route', 'Line', 'Catalogue'],
    }),
    quote: build.query<Quote, string>({
      query: (lineId) => `/lines/${lineId}/quote`,
      providesTags: ['Route', 'Line', 'Catalogue'],
    }),
    provenLines: build.query<ProvenLine[], string>({
      query: (lineId) => `/lines/${lineId}/proven`,
      providesTags: ['Ledger'],
    }),
    replan: build.mutation<RouteVersion, { lineId: string; overrides: SettingOverride[]; basedOn: number }>({
      query: ({ lineId, ...body }) => ({ url: `/lines/${lineId}/routes`, method: 'POST', body }),
      invalidatesTags: ['Route', 'Line', 'Order'],
    }),
  }),
});

export const {
  useLineQuery,
  useRouteVersionsQuery,
  useLazyRouteVersionsQuery,
  useLineDocumentQuery,
  useQuoteQuery,
  useProvenLinesQuery,
  useReplanMutation,
} = linesApi;
