import pg from 'pg';

/** What other code hears of the database's notifications. */
export interface Listener {
  stop: () => Promise<void>;
}

const RETRY_MS = 1000;

/**
 * Hears every NOTIFY on a channel, on a connection of its own, and comes back by itself after the database was away.
 *
 * @param onBack called after each reconnection: messages may have been missed
 */
export function listen(
  url: string,
  channel: string,
  onMessage: (text: string) => void,
  onBack: () => void,
): Listener {
  let client: pg.Client | null = null;
  let isStopped = false;
  let timer: NodeJS.Timeout | undefined;
  let hadConnection = false;

  const retry = (): void => {
    client = null;
    if (!isStopped) timer = setTimeout(() => void open(), RETRY_MS);
  };
  const open = async (): Promise<void> => {
    const next = new pg.Client({ connectionString: url, keepAlive: true });
    let isLost = false;
    const lose = (): void => {
      if (isLost) return;
      isLost = true;
      retry();
    };
    next.on('error', lose);
    next.on('end', lose);
    next.on('notification', ({ payload }) => onMessage(payload ?? ''));
    try {
      await next.connect();
      await next.query(`listen ${channel}`);
      client = next;
      if (hadConnection) onBack();
      hadConnection = true;
    } catch {
      lose();
    }
  };
  void open();
  return {
    stop: async () => {
      isStopped = true;
      clearTimeout(timer);
      await client?.end();
    },
  };
}
