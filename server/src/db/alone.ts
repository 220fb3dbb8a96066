import pg from 'pg';

/**
 * Runs work unless another process of the same database is at it: under a lock that is held by a connection of its own and gone
 * with it.
 *
 * @returns a function that gives false where another process is at it
 */
export const alone =
  (url: string, lock: number) =>
  async (work: () => Promise<void>): Promise<boolean> => {
    const client = new pg.Client({ connectionString: url });
    client.on('error', () => undefined); // the lock is lost with the connection; what is being done goes on to its end
    await client.connect();
    try {
      const { rows } = await client.query<{ isOurs: boolean }>(
        'select pg_try_advisory_lock($1) as "isOurs"',
        [lock],
      );
      if (!rows[0]?.isOurs) return false;
      await work();
      return true;
    } finally {
      await client.end();
    }
  };
