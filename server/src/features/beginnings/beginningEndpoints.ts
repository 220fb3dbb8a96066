import { Beginnings } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { BeginningService } from './beginningService.ts';

export const beginningEndpoints = (beginnings: BeginningService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/beginnings', summary: 'How much of the shop is set up', answer: Beginnings },
    () => beginnings.read(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/demo',
      summary: 'Fill an empty shop with the made-up one; it goes on after the answer',
      answer: Beginnings,
      status: 202,
    },
    () => beginnings.fill(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/demo/cleared',
      summary: 'Clear the made-up shop’s orders, art, runs and ledger; the set-up stays',
      answer: Beginnings,
    },
    () => beginnings.clear(),
  ),
];
