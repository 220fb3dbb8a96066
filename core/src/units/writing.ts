import { phraseIn } from '../language/index.ts';
import type { Language } from '../language/index.ts';
import type { UnitSystem } from './units.ts';
import { METRIC } from './units.ts';

/** Currencies a shop can reckon in, all of a hundred minor units, with the sign that stands before an amount. */
export const CURRENCIES = {
  EUR: '€',
  GBP: '£',
  USD: '$',
  CAD: 'C$',
  AUD: 'A$',
  NZD: 'NZ$',
  CHF: 'CHF',
  SEK: 'SEK',
  NOK: 'NOK',
  DKK: 'DKK',
  PLN: 'zł',
  CZK: 'Kč',
} as const;
export type Currency = keyof typeof CURRENCIES;

/** How days and times are written. */
export interface DateWriting {
  dayOrder: 'day-month' | 'month-day' | 'year-month-day';
  hours: '24' | '12';
  /** Of a week in a calendar. */
  firstDay: 'monday' | 'sunday' | 'saturday';
  language: Language;
}

/** How everything measured, priced and dated is written. */
export interface Writing extends UnitSystem, DateWriting {
  currency: Currency;
  language: Language;
}

/** Where a new shop starts. */
export const USUAL_WRITING: Writing = {
  ...METRIC,
  currency: 'EUR',
  dayOrder: 'day-month',
  hours: '24',
  firstDay: 'monday',
  language: 'en',
};

/**
 * How much of an instant is written: `day` "26 Nov", `weekday` "Thu 26 Nov", `date` "26 Nov 2026", `weekday-time`
 * "Thu 26 Nov, 16:00", `day-time` "26 Nov, 16:00", `time` "16:00".
 */
export type DateKind = 'day' | 'weekday' | 'date' | 'weekday-time' | 'day-time' | 'time';

/** Whether this names a time zone. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/**
 * An instant as people read it.
 *
 * @param at ISO text, or ms since 1970
 * @param zone IANA time zone; the device's or server's own where none is given
 */
export function formatDate(
  at: string | number,
  kind: DateKind,
  { dayOrder, hours, language }: Omit<DateWriting, 'firstDay'>,
  zone?: string,
): string {
  const part = inLanguage(partsOf(new Date(at), zone), language);
  const time = timeOf(part, hours);
  const day = dayOf(part, dayOrder, kind === 'date');
  switch (kind) {
    case 'time':
      return time;
    case 'day':
    case 'date':
      return day;
    case 'weekday':
      return `${part.weekday} ${day}`;
    case 'day-time':
      return `${day}, ${time}`;
    case 'weekday-time':
      return `${part.weekday} ${day}, ${time}`;
  }
}

type Parts = Record<'weekday' | 'day' | 'month' | 'monthNumber' | 'year' | 'hour' | 'minute', string>;

/** The names of days and months; figures are the same in all languages there are. */
const inLanguage = (parts: Parts, language: Language): Parts => ({
  ...parts,
  weekday: phraseIn(parts.weekday, language),
  month: phraseIn(parts.month, language),
});

/** Makers of parts by zone: one is dear to make, and a list writes a day in every row. */
const readers = new Map<string | undefined, (at: Date) => Parts>();

function partsOf(at: Date, zone: string | undefined): Parts {
  const known = readers.get(zone) ?? readerFor(zone);
  readers.set(zone, known);
  return known(at);
}

function readerFor(zone: string | undefined): (at: Date) => Parts {
  const own = zone === undefined ? {} : { timeZone: zone };
  const words = new Intl.DateTimeFormat('en', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    ...own,
  });
  const numbered = new Intl.DateTimeFormat('en', { month: '2-digit', ...own });
  return (at) => {
    const {
      weekday = '',
      day = '',
      month = '',
      year = '',
      hour = '',
      minute = '',
    } = Object.fromEntries(words.formatToParts(at).map(({ type, value }) => [type, value]));
    return { weekday, day, month, year, hour, minute, monthNumber: numbered.format(at) };
  };
}

function dayOf(
  { day, month, monthNumber, year }: Parts,
  order: DateWriting['dayOrder'],
  hasYear: boolean,
): string {
  if (order === 'year-month-day') return `${year}-${monthNumber}-${day.padStart(2, '0')}`; // without its year it would be read the other way
  const own = order === 'day-month' ? `${day} ${month}` : `${month} ${day}`;
  if (!hasYear) return own;
  return order === 'day-month' ? `${own} ${year}` : `${own}, ${year}`;
}

function timeOf({ hour, minute }: Parts, hours: DateWriting['hours']): string {
  if (hours === '24') return `${hour}:${minute}`;
  const at = Number(hour);
  return `${at % 12 === 0 ? 12 : at % 12}:${minute} ${at < 12 ? 'am' : 'pm'}`;
}
