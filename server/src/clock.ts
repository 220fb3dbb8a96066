import { AsyncLocalStorage } from 'node:async_hooks';

/** The time everything here goes by. Only seeding may turn it back, to take in what is said to have happened earlier. */
export interface Clock {
  now: () => number;
  /** Does work as if it were another time; whatever goes on beside it keeps its own. */
  at: <T>(ms: number, work: () => Promise<T>) => Promise<T>;
}

export function createClock(real: () => number): Clock {
  const turned = new AsyncLocalStorage<number>();
  return {
    now: () => turned.getStore() ?? real(),
    at: (ms, work) => turned.run(ms, work),
  };
}
