import type { DaySpan } from './workCalendar.ts';

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2}))?$/;
const BETWEEN = /\s*(?:-|–|—|to)\s*/;

function minuteOf(text: string): number | null {
  const found = CLOCK.exec(text.trim());
  if (!found) return null;
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)];
  return hours <= 24 && minutes < 60 && 60 * hours + minutes <= 1440 ? 60 * hours + minutes : null;
}

/**
 * Hours of a day as people type them: “8-16:30”, “07:00 – 15.30”, “9 to 17”.
 *
 * @returns `null` where the text is empty: nobody works; `undefined` where it is no span
 */
export function readHours(text: string): DaySpan | null | undefined {
  if (text.trim() === '') return null;
  const ends = text.trim().split(BETWEEN);
  const [fromMin, toMin] = ends.map(minuteOf);
  return ends.length === 2 && fromMin != null && toMin != null ? { fromMin, toMin } : undefined;
}

/** Several spans with commas between: breaks. `undefined` where one of them is none. */
export function readSpans(text: string): DaySpan[] | undefined {
  const spans = text
    .split(/[,;]/)
    .filter((own) => own.trim() !== '')
    .map(readHours);
  return spans.every((own) => own != null) ? spans : undefined;
}

const clock = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;

/** Hours of a day as they are written: “8:00–16:30”, nothing where nobody works. */
export const writeHours = (span: DaySpan | null): string =>
  span === null ? '' : `${clock(span.fromMin)}–${clock(span.toMin)}`;

export const writeSpans = (spans: readonly DaySpan[]): string => spans.map(writeHours).join(', ');
