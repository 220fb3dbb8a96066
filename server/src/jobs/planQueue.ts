import type pg from 'pg';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
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

const SCHEMA = 'pgboss';

/**
 * Makes the queue's tables, once. The library would make their schema too, which the program's role may not: where it stands
 * already, that statement is left out of the library's own.
 */
async function installQueue(sequelize: Sequelize): Promise<void> {
  const [found] = await sequelize.query<{ isSchema: boolean; isMade: boolean }>(
    `select to_regnamespace('${SCHEMA}') is not null as "isSchema", to_regclass('${SCHEMA}.version') is not null as "isMade"`,
    { type: QueryTypes.SELECT },
  );
  if (found?.isMade) return;
  const plans = PgBoss.getConstructionPlans(SCHEMA);
  await sequelize.query(
    found?.isSchema ? plans.replace(/create schema if not exists pgboss\s*;/i, '') : plans,
  );
}

/** Opens the queue in the database. */
export async function openPlanQueue(url: string, sequelize: Sequelize, log: Logger): Promise<PlanQueue> {
  await installQueue(sequelize);
  const boss = new PgBoss({
    connectionString: url,
    schema: SCHEMA,
    max: 3,
    supervise: true,
    schedule: false,
  });
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
