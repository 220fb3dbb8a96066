import { AsyncLocalStorage } from 'node:async_hooks';
import { DomainError } from '@saltflat/contract';
import { Op, UniqueConstraintError } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';
import type { Models } from './models/index.ts';

/** A request with a key that is being worked on. */
interface KeyedCall {
  key: string;
  request: string;
  /** Its first transaction has begun: that one carries the key. */
  isBegun: boolean;
  /** What that transaction gave the first time, where the request was done before and its answer was lost. */
  former: { value: unknown } | null;
}

/** How a request was answered. */
export interface KeptAnswer {
  status: number;
  answer: object | null;
}

const KEPT_MS = 7 * 24 * 3_600_000;
const LOOK_MS = 3_600_000;
const ASK_MS = 100;
const MOST_ASKED = 40;

const calls = new AsyncLocalStorage<KeyedCall>();

/** Somebody else is doing the same request, or has just done it. */
class DoneElsewhere extends Error {}

/**
 * Runs a transaction; the first one of a request with a key writes the key down too, with what it gives: a change is never there
 * without its key. Where the request was done before, that is given instead.
 */
export async function inKeyedTransaction<T>(
  sequelize: Sequelize,
  models: Models,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> {
  const call = calls.getStore();
  if (!call || call.isBegun) return sequelize.transaction(work);
  call.isBegun = true;
  if (call.former) return call.former.value as T; // written by this same work
  try {
    return await sequelize.transaction(async (tx) => {
      await claim(models, call, tx);
      const value = await work(tx);
      await models.requestKeys.update(
        { result: { value: value ?? null } },
        { where: { key: call.key }, transaction: tx },
      );
      return value;
    });
  } catch (error) {
    call.isBegun = false; // nothing is written: it may be tried again
    throw error;
  }
}

/** Waits where another request with the key is under way, and gives up where it was done. */
async function claim(models: Models, { key, request }: KeyedCall, transaction: Transaction): Promise<void> {
  try {
    await models.requestKeys.create({ key, request, createdAt: new Date() }, { transaction });
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw new DoneElsewhere('done elsewhere', { cause: error });
    throw error;
  }
}

/** Requests that are sent again count once, and are answered as before. */
export class RequestKeys {
  private timer: NodeJS.Timeout | undefined;

  constructor(private readonly models: Models) {}

  /**
   * Does a request, or gives the answer it had.
   *
   * @param request hash of what is asked: a key stands for one request
   * @throws DomainError `key-reused` where the key was used for another
   */
  async once(key: string, request: string, work: () => Promise<KeptAnswer>): Promise<KeptAnswer> {
    const known = await this.known(key, request);
    if (known?.answer) return known.answer;
    try {
      return await this.run({ key, request, isBegun: false, former: known?.result ?? null }, work);
    } catch (error) {
      if (!(error instanceof DoneElsewhere)) throw error;
      return this.answerElsewhere(key, request, work);
    }
  }

  /** Forgets what is so old that nobody sends it again, now and then. */
  start(): void {
    const look = (): void => {
      const createdAt = { [Op.lt]: new Date(Date.now() - KEPT_MS) };
      this.models.requestKeys.destroy({ where: { createdAt } }).catch(() => undefined); // the next time
    };
    this.timer = setInterval(look, LOOK_MS);
    this.timer.unref();
  }

  stop(): void {
    clearInterval(this.timer);
  }

  private async run(call: KeyedCall, work: () => Promise<KeptAnswer>): Promise<KeptAnswer> {
    const done = await calls.run(call, work);
    if (call.isBegun) await this.models.requestKeys.update({ ...done }, { where: { key: call.key } });
    return done;
  }

  /** It is done; its answer is a moment behind, or was lost with its server: then what it wrote is read once more. */
  private async answerElsewhere(
    key: string,
    request: string,
    work: () => Promise<KeptAnswer>,
  ): Promise<KeptAnswer> {
    for (let asked = 0; asked < MOST_ASKED; asked++) {
      const known = await this.known(key, request);
      if (known?.answer) return known.answer;
      await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    }
    const known = await this.known(key, request);
    return this.run({ key, request, isBegun: false, former: known?.result ?? null }, work);
  }

  private async known(
    key: string,
    request: string,
  ): Promise<{ answer: KeptAnswer | null; result: { value: unknown } | null } | null> {
    const row = await this.models.requestKeys.findByPk(key, { raw: true });
    if (!row) return null;
    if (row.request !== request)
      throw new DomainError(
        'key-reused',
        'This was sent with the key of another request. Reload the page, then do it again.',
      );
    const { status, answer, result } = row;
    return { answer: status === null ? null : { status, answer }, result };
  }
}
