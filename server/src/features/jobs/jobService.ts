import type { Job } from '@saltflat/contract';
import type { Logger } from 'pino';
import type { JobStore } from './jobStore.ts';

interface Needs {
  jobs: JobStore;
  now: () => number;
  log: Logger;
}

/** Told to others this often at most, ms: a bar that moves twice a second moves. */
const TELL_MS = 500;
/** Work that tells nothing for so long is not going on any more. */
const SILENT_MS = 120_000;

/** Keeps the table of jobs: work that takes long enough to be watched has a row while it runs, and how it ended after. */
export class JobService {
  constructor(private readonly needs: Needs) {}

  find(kind: Job['kind'], about: string): Promise<Job | null> {
    return this.needs.jobs.find({ kind, about });
  }

  /** How far work is that goes on; nothing where it does not, or its process was killed and has been silent since. */
  underWay(kind: Job['kind'], about: string): Promise<number | null> {
    const since = new Date(this.needs.now() - SILENT_MS);
    return this.needs.jobs.shareSince({ kind, about }, since);
  }

  /**
   * Does work that tells how far it is. Work that never says so leaves no trace, but for
   * an end to what an earlier attempt has left: it was done at once.
   *
   * @param work told how to say the share done, 0–1
   * @throws as the work does, noted with the job
   */
  async run<T>(
    kind: Job['kind'],
    about: string,
    work: (onProgress: (share: number) => void) => Promise<T>,
  ): Promise<T> {
    const { jobs, now } = this.needs;
    const which = { kind, about };
    let toldAt: number | null = null;
    let writing: Promise<void> = Promise.resolve();
    // one after the other, beside the work: nobody waits for a bar
    const write = (own: () => Promise<void>): void => {
      writing = writing.then(own).catch((error: unknown) => {
        this.needs.log.warn({ err: error, ...which }, 'the progress of a job could not be noted');
      });
    };
    const onProgress = (share: number): void => {
      const at = now();
      if (toldAt !== null && at - toldAt < TELL_MS) return;
      const isFirst = toldAt === null;
      toldAt = at;
      write(() => (isFirst ? jobs.begin(which, share, new Date(at)) : jobs.tell(which, share, new Date(at))));
    };
    const end = async (how: Parameters<JobStore['end']>[1]): Promise<void> => {
      const at = new Date(now());
      if (toldAt !== null) write(() => jobs.end(which, how, at));
      else if (how.state === 'done') write(() => jobs.settle(which, at));
      await writing;
    };
    try {
      const made = await work(onProgress);
      await end({ state: 'done', why: null });
      return made;
    } catch (error) {
      await end({ state: 'failed', why: error instanceof Error ? error.message : String(error) });
      throw error;
    }
  }
}
