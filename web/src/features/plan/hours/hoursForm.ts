import { faultsOfCalendar } from '@saltflat/contract/calendarRules';
import type { FieldProblem } from '@saltflat/contract/problems';
import { readHours, readSpans, writeHours, writeSpans } from '@saltflat/core/plan';
import type { CalendarPerson, WeekHours, WorkCalendar } from '@saltflat/core/plan';
import { t } from '../../../words/index.ts';

/** Working hours as they are typed. */
export interface HoursForm {
  zone: string;
  week: string[];
  breaks: string;
  people: PersonForm[];
  holidays: { date: string; name: string }[];
  away: { person: string; from: string; to: string; why: string }[];
  down: { machine: string; from: string; to: string; why: string }[];
}

export interface PersonForm {
  name: string;
  /** They have hours of their own. */
  hasOwn: boolean;
  week: string[];
  breaks: string;
  /** They may run these alone. */
  isLimited: boolean;
  machines: string[];
}

export const WEEKDAYS = [
  t('Monday'),
  t('Tuesday'),
  t('Wednesday'),
  t('Thursday'),
  t('Friday'),
  t('Saturday'),
  t('Sunday'),
];

const weekText = (week: WeekHours): string[] => week.map(writeHours);

export const hoursFormOf = (calendar: WorkCalendar): HoursForm => ({
  zone: calendar.zone,
  week: weekText(calendar.week),
  breaks: writeSpans(calendar.breaks),
  people: calendar.people.map((own) => personFormOf(own, calendar)),
  holidays: calendar.holidays.map((own) => ({ ...own })),
  away: calendar.away.map((own) => ({ ...own })),
  down: calendar.down.map((own) => ({ ...own })),
});

const personFormOf = (
  { name, week, breaks, machines }: CalendarPerson,
  shop: Pick<WorkCalendar, 'week' | 'breaks'>,
): PersonForm => ({
  name,
  hasOwn: week !== null || breaks !== null,
  week: weekText(week ?? shop.week),
  breaks: writeSpans(breaks ?? shop.breaks),
  isLimited: machines !== null,
  machines: [...(machines ?? [])],
});

/** A person who was just added: they work as the shop does. */
export const newPerson = ({ week, breaks }: Pick<HoursForm, 'week' | 'breaks'>): PersonForm => ({
  name: '',
  hasOwn: false,
  week: [...week],
  breaks,
  isLimited: false,
  machines: [],
});

const weekOf = (week: readonly string[]): WeekHours => week.map((text) => readHours(text) ?? null);

/** The calendar that was typed; what cannot be read is told by {@link faultsOfHours}. */
export const calendarOf = (form: HoursForm): WorkCalendar => ({
  ...form,
  week: weekOf(form.week),
  breaks: readSpans(form.breaks) ?? [],
  people: form.people.map(({ name, hasOwn, week, breaks, isLimited, machines }) => ({
    name: name.trim(),
    week: hasOwn ? weekOf(week) : null,
    breaks: hasOwn ? (readSpans(breaks) ?? []) : null,
    machines: isLimited ? machines : null,
  })),
});

/** Every field that is wrong, and what would be right. */
export function faultsOfHours(form: HoursForm): FieldProblem[] {
  const unread = [...unreadIn(form)];
  const said = new Set(unread.map(({ path }) => path));
  // what the calendar finds at the end of a span is marked at the field that holds the whole of it
  const others = [...faultsOfCalendar(calendarOf(form))].map(({ path, message }) => ({
    path: path.replace(/(week\/\d+)\/toMin$/, '$1').replace(/(breaks)\/\d+\/toMin$/, '$1'),
    message,
  }));
  return [...unread, ...others.filter(({ path }) => !said.has(path))];
}

/** Whether it is a day there is, as “2026-12-24”: the thirtieth of February is none. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
}

function* unreadIn(form: HoursForm): Generator<FieldProblem> {
  yield* unreadOf(form, '');
  for (const [i, person] of form.people.entries()) {
    if (person.name.trim() === '')
      yield { path: `/people/${i}/name`, message: t('Name: who is it? Plans name them.') };
    if (person.hasOwn) yield* unreadOf(person, `/people/${i}`);
  }
  for (const [i, { date }] of form.holidays.entries())
    if (!isDay(date)) yield { path: `/holidays/${i}/date`, message: t('Day: write it as 2026-12-24.') };
  for (const key of ['away', 'down'] as const)
    for (const [i, own] of form[key].entries())
      for (const end of ['from', 'to'] as const)
        if (own[end] === '')
          yield { path: `/${key}/${i}/${end}`, message: t('A day and an hour are wanted here.') };
}

function* unreadOf(
  { week, breaks }: Pick<HoursForm, 'week' | 'breaks'>,
  at: string,
): Generator<FieldProblem> {
  for (const [i, text] of week.entries())
    if (readHours(text) === undefined)
      yield {
        path: `${at}/week/${i}`,
        message: t('{day}: write hours as 8:00–16:30, or nothing for a day off.', { day: WEEKDAYS[i] ?? '' }),
      };
  if (readSpans(breaks) === undefined)
    yield { path: `${at}/breaks`, message: t('Breaks: write them as 12:00–12:30, with commas between.') };
}
