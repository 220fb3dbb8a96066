import type { RecordField } from '@saltflat/contract/shopFields';
import { BLANK_KIND_NAMES } from '@saltflat/core/blank';
import { PLACEMENTS } from '@saltflat/core/placement';
import { CURRENCIES } from '@saltflat/core/units';

const KINDS: Partial<Record<string, string>> = BLANK_KIND_NAMES;
const PLACES: Partial<Record<string, { label: string }>> = PLACEMENTS;

/** How measures and days are written, each by an example of it. */
const WRITTEN: Partial<Record<string, Partial<Record<string, string>>>> = {
  temperature: { C: '°C', F: '°F' },
  currency: Object.fromEntries(
    Object.entries(CURRENCIES).map(([code, sign]) => [code, code === sign ? code : `${code} (${sign})`]),
  ),
  dayOrder: {
    'day-month': 'day, month: 4 Mar',
    'month-day': 'month, day: Mar 4',
    'year-month-day': 'year, month, day: 2031-03-04',
  },
  hours: { '24': '15:05', '12': '3:05 pm' },
  firstDay: { monday: 'Monday', sunday: 'Sunday', saturday: 'Saturday' },
  language: { en: 'English', 'made-up': 'made up, to see what has no room for longer words' },
};

/** A stored choice in people's words: kinds of blank and places have names of their own. */
export function choiceWords({ path }: RecordField, choice: string): string {
  const written = path.length === 1 ? WRITTEN[path[0] ?? '']?.[choice] : undefined;
  if (written !== undefined) return written;
  const named =
    path.at(-1) === 'placement' ? PLACES[choice]?.label : path.at(-1) === 'kind' ? KINDS[choice] : undefined;
  return named ?? choice.replaceAll('-', ' ');
}
