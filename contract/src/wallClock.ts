import type { MinuteOf } from '@saltflat/core/plan';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(timezone);

const MINUTE_MS = 60_000;

/** By zone: one is dear to make, and a plan asks for thousands of instants. */
const clocks = new Map<string, Intl.DateTimeFormat>();

function clockOf(zone: string): Intl.DateTimeFormat {
  const known =
    clocks.get(zone) ??
    // Swedish writes days as they are sorted
    new Intl.DateTimeFormat('sv-SE', {
      timeZone: zone,
      dateStyle: 'short',
      timeStyle: 'short',
      hourCycle: 'h23',
    });
  clocks.set(zone, known);
  return known;
}

/** An instant on the wall clock of a zone, as “2026-06-03T09:30”; whatever zone the device is in. */
export const wallIn = (zone: string, ms: number): string => clockOf(zone).format(ms).replace(' ', 'T');

/** The day an instant falls on in a zone, as “2026-06-03”. */
export const dayIn = (zone: string, ms: number): string => wallIn(zone, ms).slice(0, 10);

/**
 * The instant at which the clock of a zone shows this, ms; `null` where it never does: the 45th of a 13th month, or an hour
 * that summer time leaves out.
 *
 * @param wall as “2026-06-03T09:30”
 */
export function instantIn(zone: string, wall: string): number | null {
  if (!dayjs.utc(wall).isValid()) return null;
  const ms = dayjs.tz(wall, zone).valueOf();
  return wallIn(zone, ms) === wall.slice(0, 16) ? ms : null;
}

/** Midnight before an instant, on the wall clock of a zone, ms. */
export const midnightIn = (zone: string, ms: number): number =>
  dayjs.tz(`${dayIn(zone, ms)}T00:00`, zone).valueOf();

/** Time of day of an instant in a zone, min. */
export function minuteIn(zone: string, ms: number): number {
  const [, hours = NaN, minutes = NaN] = wallIn(zone, ms).split(/[T:]/).map(Number);
  return 60 * hours + minutes;
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
