/** A stretch of a day, minutes from its midnight. */
export interface DaySpan {
  fromMin: number;
  toMin: number;
}

/** Hours of a week, Monday first; `null` where nobody works. */
export type WeekHours = readonly (DaySpan | null)[];

/** A stretch of time on the wall clock of the shop, as “2026-06-03T09:30”. */
export interface WallSpan {
  from: string;
  to: string;
}

export interface CalendarPerson {
  name: string;
  /** Their own hours; `null` for those of the shop. */
  week: WeekHours | null;
  /** Their own breaks; `null` for those of the shop. */
  breaks: readonly DaySpan[] | null;
  /** Machines they may run, by id; `null` for all. */
  machines: readonly string[] | null;
}

/** When who works, and when what stands still. */
export interface WorkCalendar {
  /** Time zone of the shop, as “Europe/Lisbon”: all days and hours here are its own. */
  zone: string;
  /** When the shop works. */
  week: WeekHours;
  /** Breaks of everybody who has none of their own. */
  breaks: readonly DaySpan[];
  people: readonly CalendarPerson[];
  /** Days on which nobody works, as “2026-06-03”. */
  holidays: readonly { date: string; name: string }[];
  away: readonly (WallSpan & { person: string; why: string })[];
  /** Machines that cannot be used. */
  down: readonly (WallSpan & { machine: string; why: string })[];
}

/** The minute of a plan at which a day of the wall calendar has come so far. */
export type MinuteOf = (date: string, minute: number) => number;

/** Stretches of a plan, min, in order and apart. */
export type Stretch = readonly [from: number, to: number];

const HUNDREDTHS = 100; // a person, as plans count people

/** Weekday of a date, Monday 0. */
function weekdayOf(date: string): number {
  const [year, month, day] = date.split('-').map(Number);
  return (new Date(Date.UTC(year, month - 1, day)).getUTCDay() + 6) % 7;
}

/** Each day from a first one on, as “2026-06-03”. */
export function daysFrom(first: string, count: number): string[] {
  const [year, month, day] = first.split('-').map(Number);
  return Array.from({ length: count }, (_, i) =>
    new Date(Date.UTC(year, month - 1, day + i)).toISOString().slice(0, 10),
  );
}

const minuteOfWall = (wall: string, minuteOf: MinuteOf): number => {
  const [date, clock] = wall.split('T');
  const [hours, minutes] = clock.split(':').map(Number);
  return minuteOf(date, 60 * hours + minutes);
};

/** What is left of stretches without another one. */
const without = (stretches: readonly Stretch[], [from, to]: Stretch): Stretch[] =>
  stretches
    .flatMap(([a, b]): Stretch[] => [
      [a, Math.min(b, from)],
      [Math.max(a, to), b],
    ])
    .filter(([a, b]) => a < b);

/** Days a person is in the shop: from when to when each, breaks not taken out. */
function hoursOf(
  calendar: WorkCalendar,
  person: CalendarPerson,
  days: readonly string[],
  minuteOf: MinuteOf,
): Stretch[] {
  const closed = new Set(calendar.holidays.map(({ date }) => date));
  const week = person.week ?? calendar.week;
  const hours = days.flatMap((date): Stretch[] => {
    const span = week[weekdayOf(date)];
    return span && !closed.has(date) ? [[minuteOf(date, span.fromMin), minuteOf(date, span.toMin)]] : [];
  });
  return calendar.away
    .filter((own) => own.person === person.name)
    .reduce<Stretch[]>(
      (left, { from, to }) => without(left, [minuteOfWall(from, minuteOf), minuteOfWall(to, minuteOf)]),
      hours.filter(([a, b]) => a < b),
    );
}

/** When a person works, breaks taken out. */
export function workOf(
  calendar: WorkCalendar,
  person: CalendarPerson,
  days: readonly string[],
  minuteOf: MinuteOf,
): Stretch[] {
  const breaks = person.breaks ?? calendar.breaks;
  return days
    .flatMap((date) =>
      breaks.map(({ fromMin, toMin }): Stretch => [minuteOf(date, fromMin), minuteOf(date, toMin)]),
    )
    .reduce<Stretch[]>(without, hoursOf(calendar, person, days, minuteOf));
}

/**
 * People who are there, as a plan wants them: [from, to, hundredths], apart and in order, nobody in between. What lies
 * before the plan’s first minute is left out.
 */
export function peopleThere(
  calendar: WorkCalendar,
  days: readonly string[],
  minuteOf: MinuteOf,
): [from: number, to: number, hundredths: number][] {
  const all = calendar.people.flatMap((person) => workOf(calendar, person, days, minuteOf));
  const edges = [...new Set(all.flat())].sort((p, q) => p - q);
  const found: [number, number, number][] = [];
  for (const [i, edge] of edges.slice(0, -1).entries()) {
    const next = edges[i + 1];
    const count = all.filter(([from, to]) => from <= edge && next <= to).length;
    const from = Math.max(0, edge);
    if (count === 0 || next <= from) continue;
    const last = found.at(-1);
    if (last?.[1] === from && last[2] === HUNDREDTHS * count) last[1] = next;
    else found.push([from, next, HUNDREDTHS * count]);
  }
  return found;
}

/**
 * When a machine can be used: on each day from when the first to when the last comes and goes of those who may run it,
 * breaks counted in (it runs through them), and not while it is down.
 */
export function machineThere(
  calendar: WorkCalendar,
  machine: string,
  days: readonly string[],
  minuteOf: MinuteOf,
): Stretch[] {
  const able = calendar.people.filter(({ machines }) => machines === null || machines.includes(machine));
  const daily = days.flatMap((date): Stretch[] => {
    const hours = able.flatMap((person) => hoursOf(calendar, person, [date], minuteOf));
    return hours.length === 0
      ? []
      : [[Math.max(0, Math.min(...hours.map(([a]) => a))), Math.max(...hours.map(([, b]) => b))]];
  });
  return calendar.down
    .filter((own) => own.machine === machine)
    .reduce<Stretch[]>(
      (left, { from, to }) => without(left, [minuteOfWall(from, minuteOf), minuteOfWall(to, minuteOf)]),
      daily.filter(([a, b]) => a < b),
    );
}
