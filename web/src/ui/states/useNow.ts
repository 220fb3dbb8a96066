import { useEffect, useReducer } from 'react';

/**
 * The time by `clock`, re-read every so often so that timers move, and whenever something is drawn anew: what was done a moment
 * ago is never ahead of it, or what follows would not be due yet.
 */
export function useNow(clock: () => number, everyMs = 250): number {
  const [, drawAnew] = useReducer((count: number) => count + 1, 0);
  useEffect(() => {
    const timer = setInterval(drawAnew, everyMs);
    return () => clearInterval(timer);
  }, [clock, everyMs]);
  return clock();
}
