import type { Logger } from 'pino';
import type { Database } from '../../db/connection.ts';
import type { PlanQueue } from '../../jobs/planQueue.ts';
import type { LineStore } from './lineStore.ts';
import type { OrderState } from './orderState.ts';

const EVERY_MS = 5000;
/** A plan takes well under a second; one behind hundreds is asked for again, which changes nothing while it waits. */
const FORGOTTEN_AFTER_MS = 20_000;
const SPARKS_AT_ONCE = 200;

interface Needs {
  db: Database;
  lines: LineStore;
  orders: OrderState;
  queue: Pick<PlanQueue, 'ask'>;
  now: () => number;
  log: Logger;
}

/** Finds what was lost: lines that wait for a plan nobody makes, because a job was lost or its tries were used up. */
export class PlanSweep {
  private timer: NodeJS.Timeout | undefined;

  constructor(private readonly needs: Needs) {}

  /** Sweeps now, and from now on from time to time. */
  async start(): Promise<void> {
    await this.sweep(0);
    this.timer = setInterval(() => {
      this.sweep(FORGOTTEN_AFTER_MS).catch((error: unknown) =>
        this.needs.log.warn({ err: error }, 'the sweep for lost plans failed'),
      );
    }, EVERY_MS);
    this.timer.unref();
  }

  stop(): void {
    clearInterval(this.timer);
  }

  /** Asks again for plans that were asked for longer ago than this. @returns how many */
  async sweep(forgottenAfterMs: number): Promise<number> {
    const { db, lines, orders, queue, now } = this.needs;
    const at = now();
    const asked = await db.transaction(async (tx) => {
      const ids = await lines.takeForgotten(new Date(at - forgottenAfterMs), new Date(at), tx);
      await queue.ask(ids, tx, { isUrgent: false });
      return ids.length;
    });
    while ((await orders.fillSparks(SPARKS_AT_ONCE)) === SPARKS_AT_ONCE);
    return asked;
  }
}
