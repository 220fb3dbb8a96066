import { AsyncLocalStorage } from 'node:async_hooks';

const running = new AsyncLocalStorage<Watch>();

/** A stop watch for one piece of work, which stands still while the work waits for what has limits of its own. */
export class Watch {
  private readonly begunMs = performance.now();
  private stoppedMs = 0;
  private stoppedSinceMs = 0;
  private stops = 0;

  /** Does work under this watch. */
  run<T>(work: () => Promise<T>): Promise<T> {
    return running.run(this, work);
  }

  /** Time that has gone by, without what it stood still, ms. */
  countedMs(): number {
    const now = performance.now();
    return now - this.begunMs - this.stoppedMs - (this.stops > 0 ? now - this.stoppedSinceMs : 0);
  }

  private async stand<T>(work: () => Promise<T>): Promise<T> {
    if (this.stops++ === 0) this.stoppedSinceMs = performance.now();
    try {
      return await work();
    } finally {
      if (--this.stops === 0) this.stoppedMs += performance.now() - this.stoppedSinceMs;
    }
  }

  /** Work whose time is not counted by whatever watch runs. */
  static uncounted<T>(work: () => Promise<T>): Promise<T> {
    const watch = running.getStore();
    return watch ? watch.stand(work) : work();
  }
}
