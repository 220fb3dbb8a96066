import type { PlanInstance } from './instance.ts';

/**
 * People by the minute, counted through open minutes only: somebody is needed only where somebody is, so that a pause
 * costs no step of a search.
 */
export interface Calendar {
  horizon: number;
  /** Minutes in which anybody is there. */
  openMinutes: number;
  /** Open minutes before each minute, 0 … horizon + 1. */
  openBefore: Int32Array;
  /** The minute of each open minute. */
  openAt: Int32Array;
  /** The first open minute after the stretch that each open minute lies in. */
  stretchEnd: Int32Array;
  /** People in each open minute, hundredths. */
  people: Int32Array;
}

/** People by the minute as they are given. */
export function calendarOf({ horizon, people: given }: Pick<PlanInstance, 'horizon' | 'people'>): Calendar {
  const byMinute = new Int32Array(horizon + 1);
  for (const [from, to, capacity] of given) byMinute.fill(capacity, Math.max(0, from), Math.min(to, horizon));
  const openBefore = new Int32Array(horizon + 2);
  for (let t = 0; t <= horizon; t++) openBefore[t + 1] = openBefore[t] + (byMinute[t] > 0 ? 1 : 0);
  const openMinutes = openBefore[horizon + 1];
  const openAt = new Int32Array(openMinutes);
  const people = new Int32Array(openMinutes);
  for (let t = 0; t <= horizon; t++)
    if (byMinute[t] > 0) {
      openAt[openBefore[t]] = t;
      people[openBefore[t]] = byMinute[t];
    }
  const stretchEnd = new Int32Array(openMinutes);
  for (let k = openMinutes - 1; k >= 0; k--)
    stretchEnd[k] = k + 1 < openMinutes && openAt[k + 1] === openAt[k] + 1 ? stretchEnd[k + 1] : k + 1;
  return { horizon, openMinutes, openBefore, openAt, stretchEnd, people };
}

/** End of work of so many minutes that pauses while nobody is there and starts at a minute; beyond the horizon where it never ends. */
export function pausedEnd(calendar: Calendar, start: number, minutes: number): number {
  if (minutes === 0) return start;
  const last = calendar.openBefore[start] + minutes - 1;
  return last < calendar.openMinutes ? calendar.openAt[last] + 1 : calendar.horizon + 1;
}
