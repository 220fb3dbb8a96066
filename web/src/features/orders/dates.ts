import { dayIn, instantIn, wallIn } from '@saltflat/contract/wallClock';
import { shopZone } from '../../units/shopClock.ts';

const DAY_MS = 86_400_000;

/** Value for a date-and-time field, by the clock of the shop. */
export const toLocalField = (iso: string): string => wallIn(shopZone(), Date.parse(iso));

/** ISO instant of a date-and-time field; `null` when it is not one. */
export function fromLocalField(text: string): string | null {
  const ms = text === '' ? null : instantIn(shopZone(), text);
  return ms === null ? null : new Date(ms).toISOString();
}

/** Five in the afternoon, three days on: where a new order's due time starts. */
export const usualDue = (nowMs: number): string => `${dayIn(shopZone(), nowMs + 3 * DAY_MS)}T17:00`;
