import dayjs from 'dayjs';

/** True once the due time has passed and the order still has work in it. */
export const isLate = (iso: string, state: string, nowMs: number): boolean =>
  Date.parse(iso) < nowMs && state !== 'done' && state !== 'cancelled';

/** Value for a date-and-time field, local time. */
export const toLocalField = (iso: string): string => dayjs(iso).format('YYYY-MM-DDTHH:mm');

/** ISO instant of a date-and-time field; `null` when it is not one, the 45th of a 13th month included. */
export function fromLocalField(text: string): string | null {
  const parsed = dayjs(text);
  if (text === '' || !parsed.isValid()) return null;
  const iso = parsed.toISOString();
  return toLocalField(iso) === text.slice(0, 16) ? iso : null;
}

/** Five in the afternoon, three days on: where a new order's due time starts. */
export const usualDue = (nowMs: number): string =>
  dayjs(nowMs).add(3, 'day').hour(17).minute(0).second(0).millisecond(0).toISOString();
