import {
  BoughtPacketInput,
  LeftOverInput,
  Order,
  Shelf,
  ShelfLabelsQuery,
  ShelfMoveInput,
  ShelfPacketInput,
  ShelfPacketWhole,
  ShelfPrintInput,
  ShelfQuery,
  ShelfUses,
  ShelfWishes,
} from '@saltflat/contract';
import type { ShelfPacket } from '@saltflat/contract';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPER_S, sendPdf } from '../../pdf/index.ts';
import type { Paper } from '../../pdf/index.ts';
import type { ShelfService } from './shelfService.ts';
import type { StockWishes } from './stockWishes.ts';

type WriteLabels = (packets: ShelfPacket[], paper: Paper) => Promise<Parameters<typeof sendPdf>[1]>;

/** Puts on the shelf what was left over of a run. */
type PutAway = (runId: string, by: string) => Promise<void>;

interface Shelves {
  shelf: ShelfService;
  wishes: StockWishes;
  writeLabels: WriteLabels;
  putAway: PutAway;
}

export const shelfEndpoints = (shelves: Shelves): Endpoint[] => [
  ...readEndpoints(shelves),
  ...writeEndpoints(shelves),
  ...printEndpoints(shelves),
];

const readEndpoints = ({ shelf, wishes, writeLabels }: Shelves): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/shelf/wishes',
      summary: 'Transfers of which so many are to lie ready, those that run short first',
      answer: ShelfWishes,
    },
    async () => ({ wishes: await wishes.list() }),
  ),
  endpoint(
    {
      method: 'get',
      path: '/shelf',
      summary: 'Transfers that lie ready, packet by packet, the oldest of each kind first',
      query: ShelfQuery,
      answer: Shelf,
    },
    ({ query }) => shelf.list(query.all ?? false),
  ),
  endpoint(
    {
      method: 'get',
      path: '/shelf/labels.pdf',
      summary: 'Labels for packets: what they are, how they are pressed, until when',
      query: ShelfLabelsQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ query, res }) =>
      sendPdf(res, await writeLabels(await shelf.many(query.packets.split(',')), query.paper ?? 'a4')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/shelf/packets/:id',
      summary: 'A packet with all that became of it',
      answer: ShelfPacketWhole,
    },
    ({ params }) => shelf.get(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/runs/:id/shelf',
      summary: 'What a run takes off the shelf, out of which packets, and what of it was put there',
      answer: ShelfUses,
    },
    ({ params }) => shelf.usesOf(params.id ?? ''),
  ),
];

const writeEndpoints = ({ shelf }: Shelves): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/shelf/packets',
      summary: 'Enter a packet of a kind that is known',
      body: ShelfPacketInput,
      answer: ShelfPacketWhole,
      status: 201,
    },
    ({ body }) => shelf.enter(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/shelf/bought',
      summary: 'Enter the first packet of a kind that a supplier made',
      body: BoughtPacketInput,
      answer: ShelfPacketWhole,
      status: 201,
    },
    ({ body }) => shelf.enterBought(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/shelf/packets/:id/moves',
      summary: 'Keep transfers for a line, free, sell, throw away or count them',
      body: ShelfMoveInput,
      answer: ShelfPacketWhole,
      status: 201,
    },
    ({ params, body }) => shelf.move(params.id ?? '', body),
  ),
];

/** What is printed for the shelf, and what of it was left over. */
const printEndpoints = ({ shelf, wishes, putAway }: Shelves): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/shelf/orders',
      summary: 'Take in an order that prints so many of a kind for the shelf',
      body: ShelfPrintInput,
      answer: Order,
      status: 201,
    },
    ({ body }) => wishes.print(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/runs/:id/left-over',
      summary: 'Put transfers on the shelf that no piece of a finished run needed',
      body: LeftOverInput,
      answer: ShelfUses,
      status: 201,
    },
    async ({ params, body }) => {
      const id = params.id ?? '';
      await putAway(id, body.by);
      return shelf.usesOf(id);
    },
  ),
];
