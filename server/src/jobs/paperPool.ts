import { DomainError } from '@saltflat/contract';
import { Piscina } from 'piscina';
import { programBeside } from '../programBeside.ts';
import type { PaperTask } from './paperThread.ts';

const MOST_WAITING = 30;

/** Writes papers in a thread beside the one that answers. */
export interface PaperPool {
  /** @throws DomainError `busy` where too many wait already */
  write: (task: PaperTask) => Promise<Buffer>;
  stop: () => Promise<void>;
}

export function createPaperPool(): PaperPool {
  const { url, isSource } = programBeside(import.meta.url, 'paperThread');
  const pool = new Piscina({
    filename: url.href,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 256 },
    execArgv: isSource ? ['--import', 'tsx'] : [],
  });
  return {
    write: async (task) => {
      if (pool.queueSize >= MOST_WAITING)
        throw new DomainError('busy', 'More papers are being written than can wait. Try again in a moment.');
      return Buffer.from((await pool.run(task)) as Uint8Array); // what the thread gives
    },
    stop: () => pool.destroy(),
  };
}
