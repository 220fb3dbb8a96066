import { useEffect, useState } from 'react';

/** The time by `clock`, re-read every so often so that timers move. */
export function useNow(clock: () => number, everyMs = 250): number {
  const [now, setNow] = useState(clock);
  useEffect(() => {
    const timer = setInterval(() => setNow(clock()), everyMs);
    return () => clearInterval(timer);
  }, [clock, everyMs]);
  return now;
}
