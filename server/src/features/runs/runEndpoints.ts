import {
  Floor,
  FloorKnown,
  Run,
  RunEvents,
  RunNews,
  RunNewsQuery,
  RunPage,
  RunQuery,
  RunReceipt,
  RunStart,
} from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { RunService } from './runService.ts';

export const runEndpoints = (runs: RunService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/runs',
      summary: 'Runs on the floor or finished, newest first, page by page',
      query: RunQuery,
      answer: RunPage,
    },
    ({ query }) => runs.list(query),
  ),
  endpoint(
    {
      method: 'post',
      path: '/floor',
      summary: 'All that a page does not know of the floor yet, in one answer',
      body: FloorKnown,
      answer: Floor,
      isWorded: true,
    },
    ({ body }) => runs.floor(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/runs',
      summary: 'Put lines on the floor, with film that they share',
      body: RunStart,
      answer: Run,
      isWorded: true,
      status: 201,
    },
    ({ body }) => runs.start(body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/runs/:id',
      summary: 'A run with the routes of its lines and its events',
      answer: Run,
      isWorded: true,
    },
    ({ params }) => runs.get(params.id ?? ''),
  ),
  ...eventEndpoints(runs),
];

const eventEndpoints = (runs: RunService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/runs/:id/events',
      summary: 'Events of a run that arrived after as many as are known',
      query: RunNewsQuery,
      answer: RunNews,
    },
    ({ params, query }) => runs.news(params.id ?? '', query.after),
  ),
  endpoint(
    {
      method: 'post',
      path: '/runs/:id/events',
      summary: 'Keep events; sending one twice is harmless. The answer says how far the server has come',
      body: RunEvents,
      bodyBytes: 1024 * 1024, // what a device gathered while the server was away
      answer: RunReceipt,
    },
    ({ params, body }) => runs.append(params.id ?? '', body.events),
  ),
];
