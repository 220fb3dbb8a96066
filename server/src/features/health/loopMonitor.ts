import { readFileSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import type { IntervalHistogram } from 'node:perf_hooks';

const RESOLUTION_MS = 10;
const WINDOW_MS = 60_000;
const LOOK_MS = 50;

/** How long the one thread that answers was not free to, over the last one to two minutes. */
export interface LoopDelay {
  p99Ms: number;
  maxMs: number;
  /** The longest that it worked in one go, ms of its processor: the rest of a delay is a machine busy with others. */
  maxWorkMs: number;
  seconds: number;
}

interface Window {
  histogram: IntervalHistogram;
  sinceMs: number;
  maxWorkMs: number;
}

/** Asks the runtime's own monitor of its event loop, in windows of a minute. */
export function watchLoop(): { read: () => LoopDelay; stop: () => void } {
  const begin = (): Window => {
    const histogram = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
    histogram.enable();
    return { histogram, sinceMs: performance.now(), maxWorkMs: 0 };
  };
  let own = begin();
  let former: Window | null = null;
  let workedMs = threadMs();
  const look = (): void => {
    const now = threadMs();
    own.maxWorkMs = Math.max(own.maxWorkMs, now - workedMs);
    workedMs = now;
  };
  const timers = [
    setInterval(look, LOOK_MS),
    setInterval(() => {
      former?.histogram.disable();
      former = own;
      own = begin();
      former.histogram.disable();
    }, WINDOW_MS),
  ];
  for (const timer of timers) timer.unref();
  // it samples every 10 ms: what is beyond that is delay
  const delay = (nanoseconds: number): number =>
    Math.max(0, Math.round(nanoseconds / 1e5 - 10 * RESOLUTION_MS) / 10);
  return {
    read: () => {
      look();
      const windows = [own, ...(former ? [former] : [])];
      const histograms = windows.filter(({ histogram }) => histogram.count > 0);
      const worst = (of: (histogram: IntervalHistogram) => number): number =>
        delay(Math.max(0, ...histograms.map(({ histogram }) => of(histogram))));
      return {
        p99Ms: worst((histogram) => histogram.percentile(99)),
        maxMs: worst((histogram) => histogram.max),
        maxWorkMs: Math.round(Math.max(...windows.map(({ maxWorkMs }) => maxWorkMs))),
        seconds: Math.round((performance.now() - (former ?? own).sinceMs) / 1000),
      };
    },
    stop: () => {
      for (const timer of timers) clearInterval(timer);
      own.histogram.disable();
      former?.histogram.disable();
    },
  };
}

/** What the kernel has given this program's main thread of a processor so far, ms; where it does not say, time by the clock. */
function threadMs(): number {
  try {
    const [onCpu = ''] = readFileSync(`/proc/self/task/${process.pid}/schedstat`, 'latin1').split(' ');
    return Number(onCpu) / 1e6;
  } catch {
    return performance.now();
  }
}
