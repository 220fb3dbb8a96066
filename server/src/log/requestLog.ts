import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp, startTime } from 'pino-http';

const SLOW_MS = 1000;

/** A line for each request: what was asked for, without what was searched for; one that was slow says so. */
export function requestLog(log: Logger): RequestHandler {
  return pinoHttp({
    logger: log,
    genReqId: () => randomUUID(),
    autoLogging: { ignore: ({ url }) => /^\/(api\/v1\/(health|live)|assets\/)/.test(url ?? '') },
    customLogLevel: (_req, res, error) =>
      error !== undefined || res.statusCode >= 500 || isSlow(res) ? 'warn' : 'info',
    customSuccessMessage: (_req, res) => (isSlow(res) ? 'slow request' : 'request'),
    serializers: {
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({
        id,
        method,
        url: withoutValues(url),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });
}

const isSlow = (res: { [startTime]: number }): boolean => Date.now() - res[startTime] > SLOW_MS;

/** An address with the names of its query and none of its values. */
export function withoutValues(url: string): string {
  const [path = '', query] = url.split('?', 2);
  if (query === undefined) return path.slice(0, 200);
  const names = [...new URLSearchParams(query).keys()].slice(0, 10);
  return `${path.slice(0, 200)}?${names.map((name) => name.slice(0, 30)).join('&')}`;
}
