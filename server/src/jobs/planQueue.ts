import PgBoss from 'pg-boss';
import type { Logger } from 'pino';

const QUEUE = 'plan-line';

/** Asks for a line's route to be planned soon, by whichever server is free; survives a crash. */
export interface PlanQueue {
  ask: (lineId: string) => Promise<void>;
  stop: () => Promise<void>;
}

/** Opens the queue in the database and begins to work on it. */
export async function openPlanQueue(
  url: string,
  log: Logger,
  plan: (lineId: string) => Promise<void>,
): Promise<PlanQueue> {
  const boss = new PgBoss({ connectionString: url, max: 3, supervise: true, schedule: false });
  boss.on('error', (error) => log.warn({ err: error }, 'job queue'));
  await boss.start();
  await boss.createQueue(QUEUE, { name: QUEUE, retryLimit: 3, retryDelay: 2 });
  await boss.work<{ lineId: string }>(QUEUE, { pollingIntervalSeconds: 0.5, batchSize: 4 }, async (jobs) => {
    for (const { data } of jobs) await plan(data.lineId);
  });
  return {
    ask: async (lineId) => {
      await boss.send(QUEUE, { lineId });
    },
    stop: () => boss.stop({ graceful: true, timeout: 3000 }),
  };
}
