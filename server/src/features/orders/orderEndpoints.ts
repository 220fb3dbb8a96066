import {
  ArtworkChoice,
  ArtworkUse,
  Customer,
  CustomerQuery,
  LineOnOrder,
  Order,
  OrderChange,
  OrderInput,
  OrderPage,
  OrderQuery,
  ProcessChoice,
  OpenLines,
  OpenLinesQuery,
  VersionOnly,
} from '@saltflat/contract';
import type { OrderSummary } from '@saltflat/contract';
import { Type } from 'typebox';
import { streamCsv } from '../../http/csv.ts';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { OrderService } from './orderService.ts';

const CSV_COLUMNS = ['code', 'customer', 'pieces', 'processes', 'garments', 'due', 'state', 'created'];

export const orderEndpoints = (orders: OrderService): Endpoint[] => [
  ...listEndpoints(orders),
  ...oneOrderEndpoints(orders),
  ...cancelling(orders),
  ...lineEndpoints(orders),
];

const listEndpoints = (orders: OrderService): Endpoint[] => [
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
    {
      method: 'get',
      path: '/orders.csv',
      summary: 'The same list as CSV, all of it',
      query: OrderQuery,
      answer: file('text/csv'),
    },
    async ({ query, res }) => streamCsv(res, 'orders.csv', CSV_COLUMNS, csvPages(orders.each(query))),
  ),
  endpoint(
    {
      method: 'get',
      path: '/customers',
      summary: 'Customers whose name begins so',
      query: CustomerQuery,
      answer: Type.Array(Customer),
    },
    ({ query }) => orders.customers(query.search ?? ''),
  ),
];

const oneOrderEndpoints = (orders: OrderService): Endpoint[] => [
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
      path: '/orders/:id/duplicate',
      summary: 'The same order once more',
      answer: Order,
      status: 201,
    },
    ({ params }) => orders.duplicate(params.id ?? ''),
  ),
];

const cancelling = (orders: OrderService): Endpoint[] =>
  (['cancel', 'restore'] as const).map((verb) =>
    endpoint(
      {
        method: 'post',
        path: `/orders/:id/${verb}`,
        summary: verb === 'cancel' ? 'Cancel an order' : 'Take a cancellation back',
        body: VersionOnly,
        answer: Order,
      },
      ({ params, body }) => orders.setCancelled(params.id ?? '', body.version, verb === 'cancel'),
    ),
  );

const lineEndpoints = (orders: OrderService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/lines',
      summary: 'Prints that are made from an artwork',
      answer: Type.Array(ArtworkUse),
    },
    ({ params }) => orders.linesOfArtwork(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'put',
      path: '/lines/:id/artwork',
      summary: 'Another file for one print of a line; size and placement stay',
      body: ArtworkChoice,
      answer: Order,
    },
    ({ params, body }) => orders.replaceArtwork(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'put',
      path: '/lines/:id/process',
      summary: 'Another process for one print of a line; all else stays',
      body: ProcessChoice,
      answer: Order,
    },
    ({ params, body }) => orders.chooseProcess(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/open-lines',
      summary: 'Lines that can be put on the floor, soonest due first',
      query: OpenLinesQuery,
      answer: OpenLines,
    },
    ({ query }) => orders.openLines(query),
  ),
  endpoint(
    { method: 'get', path: '/lines/:id', summary: 'A line with its order’s ticket', answer: LineOnOrder },
    ({ params }) => orders.getLine(params.id ?? ''),
  ),
];

/** The rows of the order list as a spreadsheet wants them. */
async function* csvPages(
  pages: AsyncIterable<OrderSummary[]>,
): AsyncGenerator<Record<string, string | number>[]> {
  for await (const items of pages)
    yield items.map(({ code, customer, pieces, processes, garments, dueAt, state, createdAt }) => ({
      code,
      customer,
      pieces,
      processes: processes.join(' + '),
      garments: garments.join(' + '),
      due: dueAt,
      state,
      created: createdAt,
    }));
}
