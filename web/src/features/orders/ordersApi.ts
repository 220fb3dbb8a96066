import { QueryStatus } from '@reduxjs/toolkit/query';
import { useSelector } from 'react-redux';
import type {
  Artwork,
  Customer,
  Order,
  OrderChange,
  OrderInput,
  OrderPage,
  OrderQuery,
} from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const ordersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    orderPages: build.infiniteQuery<OrderPage, OrderQuery, string>({
      query: ({ queryArg, pageParam }) => ({
        url: '/orders',
        params: withoutEmpty({ ...queryArg, cursor: pageParam }),
      }),
      infiniteQueryOptions: {
        initialPageParam: '',
        getNextPageParam: ({ nextCursor }) => nextCursor,
      },
      providesTags: ['Order'],
    }),
    customers: build.query<Customer[], string>({
      query: (search) => ({ url: '/customers', params: { search } }),
      providesTags: ['Order'],
    }),
    order: build.query<Order, string>({ query: (id) => `/orders/${id}`, providesTags: ['Order'] }),
    addOrder: build.mutation<Order, OrderInput>({
      query: (body) => ({ url: '/orders', method: 'POST', body }),
      invalidatesTags: ['Order'],
    }),
    changeOrder: build.mutation<Order, OrderChange & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/orders/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Order', 'Line'],
    }),
    cancelOrder: build.mutation<Order, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/orders/${id}/cancel`, method: 'POST', body: { version } }),
      invalidatesTags: ['Order'],
    }),
    restoreOrder: build.mutation<Order, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/orders/${id}/restore`, method: 'POST', body: { version } }),
      invalidatesTags: ['Order'],
    }),
    duplicateOrder: build.mutation<Order, string>({
      query: (id) => ({ url: `/orders/${id}/duplicate`, method: 'POST' }),
      invalidatesTags: ['Order'],
    }),
    uploadArtwork: build.mutation<Artwork, File>({
      extraOptions: { isKnownAgain: true },
      query: (file) => ({
        url: '/artworks',
        params: { name: file.name },
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
    }),
  }),
});

/** Query parameters as the server wants them: what is not set is left out. */
export const withoutEmpty = (params: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries(params)
      .filter(([, value]) => value !== undefined && value !== '')
      .map(([key, value]) => [key, String(value)]),
  );

export const {
  useCustomersQuery,
  useOrderPagesInfiniteQuery,
  useOrderQuery,
  useAddOrderMutation,
  useChangeOrderMutation,
  useCancelOrderMutation,
  useRestoreOrderMutation,
  useDuplicateOrderMutation,
  useUploadArtworkMutation,
} = ordersApi;

type ApiState = Record<typeof baseApi.reducerPath, ReturnType<typeof baseApi.reducer>>;

/** True while a file is on its way: an order sent before it is there would go without its art. */
export const useIsArtComing = (): boolean =>
  useSelector((state: ApiState) =>
    Object.values(state[baseApi.reducerPath].mutations).some(
      (own) => own?.endpointName === 'uploadArtwork' && own.status === QueryStatus.pending,
    ),
  );
