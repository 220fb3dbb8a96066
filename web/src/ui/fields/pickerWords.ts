import { enUS } from '@mui/x-date-pickers/locales';
import dayjs from 'dayjs';
import updateLocale from 'dayjs/plugin/updateLocale';
import { LANGUAGE, t } from '../../words/t.ts';

dayjs.extend(updateLocale);

/** As the library counts the days of a week. */
const STARTS = { sunday: 0, monday: 1, saturday: 6 };

const NAMED = dayjs('2031-06-01'); // a Sunday

/** Names of days and months, and which day a week begins with: the picker reads them as it opens. */
export function tellCalendar(firstDay: keyof typeof STARTS): void {
  const names = (count: number, unit: 'day' | 'month', as: string): string[] =>
    Array.from({ length: count }, (_own, i) =>
      t((unit === 'day' ? NAMED.add(i, 'day') : NAMED.month(i)).locale('en').format(as)),
    );
  calendar ??= {
    months: names(12, 'month', 'MMMM'),
    monthsShort: names(12, 'month', 'MMM'),
    weekdays: names(7, 'day', 'dddd'),
    weekdaysShort: names(7, 'day', 'ddd'),
    weekdaysMin: names(7, 'day', 'dd'),
  };
  dayjs.updateLocale('en', { ...calendar, weekStart: STARTS[firstDay] });
}

let calendar: Record<string, string[]> | null = null;

/** What the library itself says, in the language of the page; a language of its own would bring its own table. */
const own = enUS.components.MuiLocalizationProvider.defaultProps.localeText;
export const PICKER_WORDS =
  LANGUAGE === 'en'
    ? own
    : (Object.fromEntries(Object.entries(own).map(([key, says]) => [key, told(says)])) as typeof own);

function told(says: unknown): unknown {
  if (typeof says === 'string') return t(says);
  if (typeof says !== 'function') return says;
  return (...given: unknown[]): unknown => told((says as (...parts: unknown[]) => unknown)(...given));
}
