import type pg from 'pg';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Tx } from '../db/connection.ts';

const QUEUE = 'plan-line';
const RETRIES = 3;
const URGENT = 10; // a person is waiting for it

export interface PlanQueue {
  /** Asks, in the same transaction as the change, for lines' routes to be planned soon by whichever process is free; a line waits once however often it is asked for. */
  ask: (lineIds: readonly string[], tx: Tx, how?: { isUrgent: boolean }) => Promise<void>;
  /** Begins to work on what is asked for. */
  work: (plan: (lineId: string) => Promise<void>) => Promise<void>;
  stop: () => Promise<void>;
}

/** Opens the queue in the database. */
export async function openPlanQueue(url: string, log: Logger): Promise<PlanQueue> {
  const boss = new PgBoss({ connectionString: url, max: 3, supervise: true, schedule: false });
  boss.on('error', (error) => log.warn({ err: error }, 'job queue'));
  await boss.start();
  // “short”: of the jobs that wait, one for each key
  await boss.createQueue(QUEUE, {
    name: QUEUE,
    policy: 'short',
    retryLimit: RETRIES,
    retryDelay: 1,
    retryBackoff: true,
  });
  let worker: string | null = null;

  return {
    ask: async (lineIds, tx, how = { isUrgent: true }) => {
      if (lineIds.length === 0) return;
      const jobs = lineIds.map((lineId) => ({
        name: QUEUE,
        data: { lineId },
        singletonKey: lineId,
        priority: how.isUrgent ? URGENT : 0,
      }));
      await boss.insert(jobs, { db: inTransaction(tx) } as PgBoss.ConnectionOptions);
      tx.afterCommit(() => {
        if (worker !== null) boss.notifyWorker(worker);
      });
    },
    work: async (plan) => {
      const options = { pollingIntervalSeconds: 0.5, batchSize: 16, priority: true };
      worker = await boss.work<{ lineId: string }>(QUEUE, options, async (jobs) => {
        for (const { id, data } of jobs)
          await plan(data.lineId).catch(async (error: unknown) => {
            log.error({ err: error, lineId: data.lineId }, 'planning failed');
            await boss.fail(QUEUE, id, { message: String(error) }); // this one is tried again, the others of the batch are done
          });
      });
    },
    stop: () => boss.stop({ graceful: true, timeout: 3000 }),
  };
}

/** The queue's own SQL on the transaction's connection, which Sequelize does not offer by its types. */
function inTransaction(tx: Tx): {
  executeSql: (text: string, values: unknown[]) => Promise<{ rows: unknown[] }>;
} {
  const { connection } = tx as unknown as { connection: pg.Client };
  return { executeSql: async (text, values) => connection.query(text, values) };
}
