import type { LiveMessage } from '@saltflat/contract';
import { Router } from 'express';
import type { Response } from 'express';

const CLOCK_MS = 15_000; // also keeps the connection from being taken for dead

/** Server-sent events: what changed, what devices say, what time it is. */
export function createLiveStream(now: () => number) {
  const clients = new Set<Response>();
  const timer = setInterval(() => send(clockMessage()), CLOCK_MS);
  timer.unref();

  const clockMessage = (): LiveMessage => ({ kind: 'clock', serverAt: new Date(now()).toISOString() });
  const write = (client: Response, message: LiveMessage): void => {
    client.write(`data: ${JSON.stringify(message)}\n\n`);
  };
  function send(message: LiveMessage): void {
    for (const client of clients) write(client, message);
  }

  const router = Router();
  router.get('/live', (req, res) => {
    res.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache',
      Connection: 'keep-alive',
      'X-Accel-Buffering': 'no',
    });
    res.write('retry: 1500\n\n');
    clients.add(res);
    write(res, clockMessage());
    req.on('close', () => clients.delete(res));
  });

  return {
    router,
    send,
    stop: () => {
      clearInterval(timer);
      for (const client of clients) client.end();
    },
  };
}
