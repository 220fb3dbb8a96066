import {
  ArtworkChoice,
  ArtworkUse,
  Order,
  OrderChange,
  OrderInput,
  OrderPage,
  OrderQuery,
  VersionOnly,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { sendCsv } from '../../http/csv.ts';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { orderCsvRows } from './orderService.ts';
import type { OrderService } from './orderService.ts';

const CSV_COLUMNS = ['code', 'customer', 'pieces', 'processes', 'garments', 'due', 'state', 'created'];
const CSV_ROWS = 10_000;

export const orderEndpoints = (orders: OrderService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/orders',
      summary: 'Orders, filtered and sorted, page by page',
      query: OrderQuery,
      answer: OrderPage,
    },
    ({ query }) => orders.list(query),
  ),
  endpoint(
    { method: 'get', path: '/orders.csv', summary: 'The same list as CSV', query: OrderQuery },
    async ({ query, res }) => {
      const { items } = await orders.list({ ...query, cursor: undefined, limit: CSV_ROWS });
      sendCsv(res, 'orders.csv', orderCsvRows(items), CSV_COLUMNS);
    },
  ),
  endpoint(
    { method: 'post', path: '/orders', summary: 'A new order', body: OrderInput, answer: Order, status: 201 },
    ({ body }) => orders.add(body),
  ),
  endpoint(
    { method: 'get', path: '/orders/:id', summary: 'An order with its lines', answer: Order },
    ({ params }) => orders.get(params.id ?? ''),
  ),
  endpoint(
    { method: 'put', path: '/orders/:id', summary: 'Change an order', body: OrderChange, answer: Order },
    ({ params, body }) => orders.change(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/orders/:id/cancel',
      summary: 'Cancel an order',
      body: VersionOnly,
      answer: Order,
    },
    ({ params, body }) => orders.setCancelled(params.id ?? '', body.version, true),
  ),
  endpoint(
    {
      method: 'post',
      path: '/orders/:id/restore',
      summary: 'Take a cancellation back',
      body: VersionOnly,
      answer: Order,
    },
    ({ params, body }) => orders.setCancelled(params.id ?? '', body.version, false),
  ),
  endpoint(
    {
      method: 'post',
      path: '/orders/:id/duplicate',
      summary: 'The same order once more',
      answer: Order,
      status: 201,
    },
    ({ params }) => orders.duplicate(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/lines',
      summary: 'Lines that are printed from an artwork',
      answer: Type.Array(ArtworkUse),
    },
    ({ params }) => orders.linesOfArtwork(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'put',
      path: '/lines/:id/artwork',
      summary: 'Another file for a line; size and placement stay',
      body: ArtworkChoice,
      answer: Order,
    },
    ({ params, body }) => orders.replaceArtwork(params.id ?? '', body.artworkId),
  ),
  endpoint({ method: 'get', path: '/lines/:id', summary: 'A line with its order’s ticket' }, ({ params }) =>
    orders.getLine(params.id ?? ''),
  ),
];
