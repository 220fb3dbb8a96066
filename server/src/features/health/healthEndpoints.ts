import { Health, Readiness } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { LoopDelay } from './loopMonitor.ts';

interface Needs {
  now: () => number;
  readLoop: () => LoopDelay;
  /** Whether the database has the shape this version knows. @throws DomainError `not-ready` or `database-away` */
  refuseUnready: () => Promise<void>;
}

/** Whether the process lives, and whether it can work. */
export const healthEndpoints = ({ now, readLoop, refuseUnready }: Needs): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/health',
      summary: 'The server is running; how long its one thread was held up lately, and the memory it takes',
      answer: Health,
      isUnqueued: true,
    },
    () =>
      Promise.resolve({
        status: 'up' as const,
        serverAt: new Date(now()).toISOString(),
        loop: readLoop(),
        memoryMb: Math.round(process.memoryUsage.rss() / 1024 / 1024),
      }),
  ),
  endpoint(
    {
      method: 'get',
      path: '/health/ready',
      summary: 'The server reaches its database, which has the tables this version works with',
      answer: Readiness,
      isUnqueued: true,
    },
    async () => {
      await refuseUnready();
      return { status: 'ready' as const };
    },
  ),
];
