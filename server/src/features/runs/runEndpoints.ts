import { Run, RunEvents, RunQuery, RunStart } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { RunService } from './runService.ts';

export const runEndpoints = (runs: RunService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/runs', summary: 'Runs on the floor or finished, newest first', query: RunQuery },
    ({ query }) => runs.list(query.state),
  ),
  endpoint(
    {
      method: 'post',
      path: '/runs',
      summary: 'Put a line on the floor',
      body: RunStart,
      answer: Run,
      status: 201,
    },
    ({ body }) => runs.start(body.lineId, body.by),
  ),
  endpoint(
    { method: 'get', path: '/runs/:id', summary: 'A run with its route and events', answer: Run },
    ({ params }) => runs.get(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/runs/:id/events',
      summary: 'Keep events; sending one twice is harmless',
      body: RunEvents,
      answer: Run,
    },
    ({ params, body }) => runs.append(params.id ?? '', body.events),
  ),
];
