import { Health, Readiness } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';

/** Whether the process lives, and whether it can work. */
export const healthEndpoints = (askDatabase: () => Promise<unknown>, now: () => number): Endpoint[] => [
  endpoint({ method: 'get', path: '/health', summary: 'The server is running', answer: Health }, () =>
    Promise.resolve({ status: 'up', serverAt: new Date(now()).toISOString() }),
  ),
  endpoint(
    {
      method: 'get',
      path: '/health/ready',
      summary: 'The server can reach its database',
      answer: Readiness,
    },
    async () => {
      await askDatabase();
      return { status: 'ready' as const };
    },
  ),
];
