import type { LedgerDays } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import dayjs from 'dayjs';
import type { ChartData } from '../../ui/index.ts';
import { t } from '../../words/t.ts';

type Day = LedgerDays['days'][number];

/** Days over which a share is taken: a day of three pieces says little. */
const SMOOTHED_DAYS = 7;

/**
 * Every day of a stretch, oldest first; those without a piece are there too, with none.
 *
 * @param today as `YYYY-MM-DD`
 */
export function everyDay(known: readonly Day[], today: string, count: number): Day[] {
  const byDay = new Map(known.map((day) => [day.day, day]));
  return Array.from({ length: count }, (_, i) => {
    const day = dayjs(today)
      .subtract(count - 1 - i, 'day')
      .format('YYYY-MM-DD');
    return byDay.get(day) ?? { day, good: 0, reprint: 0, scrap: 0, inks: [] };
  });
}

/** Writes a day that is known as `YYYY-MM-DD`. */
type DayName = (day: string) => string;

const judged = ({ good, reprint, scrap }: Day): number => good + reprint + scrap;
const sum = (values: readonly number[]): number => values.reduce((total, own) => total + own, 0);

/** Share of pieces that came out good: of each day, and of the seven days up to it. Nothing where none was judged. */
export function goodShares(days: readonly Day[], dayName: DayName): ChartData {
  const share = (own: readonly Day[]): number | null => {
    const all = sum(own.map(judged));
    return all === 0 ? null : sum(own.map(({ good }) => good)) / all;
  };
  return {
    along: { title: t('Day'), values: days.map(({ day }) => dayName(day)) },
    up: { title: t('Good'), write: (value) => formatQuantity(value, 'share'), min: 0, max: 1 },
    series: [
      { name: t('Of the day'), kind: 'bar', values: days.map((day) => share([day])) },
      {
        name: t('Of seven days'),
        kind: 'line',
        values: days.map((_, i) => share(days.slice(Math.max(0, i + 1 - SMOOTHED_DAYS), i + 1))),
      },
    ],
  };
}

/** Ink that the routes of judged pieces reckon with, ml a day, each ink by itself. */
export function inkUse(days: readonly Day[], dayName: DayName): ChartData {
  const names = [...new Set(days.flatMap(({ inks }) => inks.map(({ what }) => what)))].sort();
  return {
    along: { title: t('Day'), values: days.map(({ day }) => dayName(day)) },
    up: { title: t('Ink'), write: (value) => formatQuantity(value, 'volume'), min: 0 },
    isStacked: true,
    series: names.map((name) => ({
      name,
      kind: 'bar',
      values: days.map(({ inks }) => inks.find(({ what }) => what === name)?.ml ?? 0),
    })),
  };
}

/** What a stretch comes to, in a sentence. */
export function stretchWords(days: readonly Day[]): string {
  const [all, good] = [sum(days.map(judged)), sum(days.map((day) => day.good))];
  if (all === 0) return 'Nothing was judged in these days.';
  const ml = sum(days.flatMap(({ inks }) => inks.map((ink) => ink.ml)));
  return `${formatQuantity(all, 'count')} pieces, ${formatQuantity(good / all, 'share', undefined, 1)} good; ${formatQuantity(ml, 'volume')} of ink.`;
}
