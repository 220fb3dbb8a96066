/** The time everything here goes by. Only seeding may turn it back, to take in what is said to have happened earlier. */
export interface Clock {
  now: () => number;
  /** Does work as if it were another time. One at a time, before anything is served. */
  at: <T>(ms: number, work: () => Promise<T>) => Promise<T>;
}

export function createClock(real: () => number): Clock {
  let turnedTo: number | null = null;
  return {
    now: () => turnedTo ?? real(),
    at: async (ms, work) => {
      turnedTo = ms;
      try {
        return await work();
      } finally {
        turnedTo = null;
      }
    },
  };
}
