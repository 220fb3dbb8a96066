import type { MinuteOf } from '@saltflat/core/plan';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(timezone);

const MINUTE_MS = 60_000;

/** Whether this names a time zone. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** The day an instant falls on in a zone, as “2026-06-03”. */
export const dayIn = (zone: string, ms: number): string => dayjs(ms).tz(zone).format('YYYY-MM-DD');

/** An instant on the wall clock of a zone, as “2026-06-03T09:30”. */
export const wallIn = (zone: string, ms: number): string => dayjs(ms).tz(zone).format('YYYY-MM-DDTHH:mm');

/** Midnight before an instant, on the wall clock of a zone, ms. */
export const midnightIn = (zone: string, ms: number): number => dayjs(ms).tz(zone).startOf('day').valueOf();

/** Time of day of an instant in a zone, min. */
export function minuteIn(zone: string, ms: number): number {
  const at = dayjs(ms).tz(zone);
  return 60 * at.hour() + at.minute();
}

/** Minutes of a plan that begins at an instant, for days and hours of the wall clock of a zone: days of 23 or 25 hours too. */
export function minuteOfIn(zone: string, epochMs: number): MinuteOf {
  const known = new Map<string, number>();
  return (date, minute) => {
    const key = `${date} ${minute}`;
    let at = known.get(key);
    if (at === undefined) {
      const [day, rest] = [Math.floor(minute / 1440), minute % 1440];
      const wall = dayjs.utc(date).add(day, 'day').format('YYYY-MM-DD');
      const clock = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`;
      at = Math.round((dayjs.tz(`${wall}T${clock}`, zone).valueOf() - epochMs) / MINUTE_MS);
      known.set(key, at);
    }
    return at;
  };
}
