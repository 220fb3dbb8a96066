import type {
  BoughtPacketInput,
  Order,
  Shelf,
  ShelfMoveInput,
  ShelfPacketInput,
  ShelfPacketWhole,
  ShelfPrintInput,
  ShelfUses,
  ShelfWishes,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const STALE = ['Shelf', 'Catalogue'] as const; // the routes that follow say so themselves, one by one

const shelfApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    shelf: build.query<Shelf, { all: boolean }>({
      query: ({ all }) => ({ url: '/shelf', params: all ? { all } : {} }),
      providesTags: ['Shelf'],
    }),
    shelfPacket: build.query<ShelfPacketWhole, string>({
      query: (id) => `/shelf/packets/${id}`,
      providesTags: ['Shelf', 'Line', 'Order'],
    }),
    shelfWishes: build.query<ShelfWishes, void>({
      query: () => '/shelf/wishes',
      providesTags: ['Shelf', 'Line', 'Order', 'Catalogue'],
    }),
    printForShelf: build.mutation<Order, ShelfPrintInput>({
      query: (body) => ({ url: '/shelf/orders', method: 'POST', body }),
      invalidatesTags: ['Order', 'Line', 'Shelf'],
    }),
    enterPacket: build.mutation<ShelfPacketWhole, ShelfPacketInput>({
      query: (body) => ({ url: '/shelf/packets', method: 'POST', body }),
      invalidatesTags: [...STALE],
    }),
    enterBought: build.mutation<ShelfPacketWhole, BoughtPacketInput>({
      query: (body) => ({ url: '/shelf/bought', method: 'POST', body }),
      invalidatesTags: [...STALE],
    }),
    movePacket: build.mutation<ShelfPacketWhole, ShelfMoveInput & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/shelf/packets/${id}/moves`, method: 'POST', body }),
      invalidatesTags: [...STALE],
    }),
    runShelf: build.query<ShelfUses, string>({
      query: (runId) => `/runs/${runId}/shelf`,
      providesTags: ['Shelf'],
    }),
    putAwayLeftOver: build.mutation<ShelfUses, { runId: string; by: string }>({
      query: ({ runId, by }) => ({ url: `/runs/${runId}/left-over`, method: 'POST', body: { by } }),
      invalidatesTags: [...STALE],
    }),
    takeOffShelf: build.mutation<unknown, { lineId: string; print: string }>({
      query: ({ lineId, print }) => ({
        url: `/lines/${lineId}/process`,
        method: 'PUT',
        body: { print, process: 'shelf' },
      }),
      invalidatesTags: ['Line', 'Order', 'Shelf'],
    }),
  }),
});

export const {
  useShelfQuery,
  useShelfPacketQuery,
  useShelfWishesQuery,
  usePrintForShelfMutation,
  useEnterPacketMutation,
  useEnterBoughtMutation,
  useMovePacketMutation,
  useRunShelfQuery,
  usePutAwayLeftOverMutation,
  useTakeOffShelfMutation,
} = shelfApi;
