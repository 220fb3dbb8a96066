import { DomainError } from '@saltflat/contract';
import type { LiveMessage } from '@saltflat/contract';
import { Router } from 'express';
import type { Response } from 'express';

/** One for each browser that is open: its tabs share one. */
const MOST_CLIENTS = 200;
/** Who takes nothing off its line is let go, bytes: it comes back by itself and asks for what it missed. */
const MOST_BEHIND = 256 * 1024;
const CLOCK_MS = 15_000; // also keeps the connection from being taken for dead

/** Server-sent events: what changed, what devices say, what time it is. */
export function createLiveStream(now: () => number) {
  const clients = new Set<Response>();
  const timer = setInterval(() => send(clockMessage()), CLOCK_MS);
  timer.unref();

  const clockMessage = (): LiveMessage => ({ kind: 'clock', serverAt: new Date(now()).toISOString() });
  const write = (client: Response, message: LiveMessage): void => {
    if (client.writableLength > MOST_BEHIND) client.destroy();
    else client.write(`data: ${JSON.stringify(message)}\n\n`);
  };
  function send(message: LiveMessage): void {
    for (const client of clients) write(client, message);
  }

  const router = Router();
  router.get('/live', (req, res) => {
    if (clients.size >= MOST_CLIENTS)
      throw new DomainError('busy', 'More pages listen than the server can tell. Close some of them.');
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
