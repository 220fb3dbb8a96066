import { monitorEventLoopDelay } from 'node:perf_hooks';
import type { IntervalHistogram } from 'node:perf_hooks';

const RESOLUTION_MS = 10;
const WINDOW_MS = 60_000;

/** How long the one thread that answers was not free to, over the last one to two minutes. */
export interface LoopDelay {
  p99Ms: number;
  maxMs: number;
  seconds: number;
}

/** Asks the runtime's own monitor of its event loop, in windows of a minute. */
export function watchLoop(): { read: () => LoopDelay; stop: () => void } {
  const begin = (): { histogram: IntervalHistogram; sinceMs: number } => {
    const histogram = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
    histogram.enable();
    return { histogram, sinceMs: performance.now() };
  };
  let own = begin();
  let former: typeof own | null = null;
  const timer = setInterval(() => {
    former?.histogram.disable();
    former = own;
    own = begin();
    former.histogram.disable();
  }, WINDOW_MS);
  timer.unref();
  // it samples every 10 ms: what is beyond that is delay
  const delay = (nanoseconds: number): number =>
    Math.max(0, Math.round(nanoseconds / 1e5 - 10 * RESOLUTION_MS) / 10);
  return {
    read: () => {
      const histograms = [own, ...(former ? [former] : [])].filter(({ histogram }) => histogram.count > 0);
      const worst = (of: (histogram: IntervalHistogram) => number): number =>
        delay(Math.max(0, ...histograms.map(({ histogram }) => of(histogram))));
      return {
        p99Ms: worst((histogram) => histogram.percentile(99)),
        maxMs: worst((histogram) => histogram.max),
        seconds: Math.round((performance.now() - (former ?? own).sinceMs) / 1000),
      };
    },
    stop: () => {
      clearInterval(timer);
      own.histogram.disable();
      former?.histogram.disable();
    },
  };
}
