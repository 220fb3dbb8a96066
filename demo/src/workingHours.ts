import type { DaySpan, WorkCalendar } from '@saltflat/core/plan';

const day: DaySpan = { fromMin: 7 * 60, toMin: 19 * 60 };
const early: DaySpan = { fromMin: 7 * 60, toMin: 15 * 60 + 30 };
const late: DaySpan = { fromMin: 9 * 60, toMin: 17 * 60 + 30 };
const weekOf = (span: DaySpan): DaySpan[] => Array.from({ length: 7 }, () => span);

/**
 * When the made-up shop works: in the weeks before the festival on every day, so that it is busy whenever it is looked at.
 *
 * @param zone where it is, see {@link demoZone}
 */
export const demoCalendar = (zone: string): WorkCalendar => ({
  zone,
  week: weekOf(day),
  breaks: [{ fromMin: 12 * 60, toMin: 12 * 60 + 45 }],
  people: [
    { name: 'Ines', week: weekOf(early), breaks: null, machines: null },
    {
      name: 'Tomasz',
      week: weekOf(late),
      breaks: [{ fromMin: 12 * 60 + 45, toMin: 13 * 60 + 30 }],
      machines: null,
    },
    {
      name: 'Wanjiru',
      week: [late, late, null, late, late, null, null],
      breaks: null,
      machines: null,
    },
  ],
  holidays: [],
  away: [],
  down: [],
});

/** Hours between which the shop’s own clock says a working day is well under way. */
const DAY_FROM = 8;
const DAY_TO = 14;
const USUAL_HOUR = 10;

/**
 * The time zone the made-up shop lies in: where its server is, or, looked at before or after hours, one in which the day is
 * under way.
 *
 * @param here zone of the server
 * @param hourHere hour of the day there, 0–23
 * @param hourUtc the same hour as Greenwich has it
 */
export function demoZone(here: string, hourHere: number, hourUtc: number): string {
  if (hourHere >= DAY_FROM && hourHere < DAY_TO) return here;
  const ahead = ((USUAL_HOUR - hourUtc + 36) % 24) - 12;
  return `Etc/GMT${ahead > 0 ? '-' : '+'}${Math.abs(ahead)}`; // these zones count the other way
}
