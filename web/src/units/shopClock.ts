import { isZone } from '@saltflat/core/units';
import { remembered } from './remembered.ts';

/** Where a device keeps in which time zone the shop lies, as last heard. */
const CLOCK_KEY = 'saltflat.shop-clock';

/** The time zone this device is in. */
export const deviceZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A time zone as people read it: by its place, or by how far from Greenwich it is, where its name counts the other way. */
export function zoneWords(zone: string): string {
  if (!zone.startsWith('Etc/')) return zone;
  const parts = new Intl.DateTimeFormat('en', {
    timeZone: zone,
    timeZoneName: 'shortOffset',
  }).formatToParts();
  return parts.find(({ type }) => type === 'timeZoneName')?.value ?? zone;
}

/** As last heard; something else may have been kept there, or a zone this browser does not know. */
let known = readable(remembered(CLOCK_KEY));

function readable({ zone }: { zone?: unknown }): string | null {
  return typeof zone === 'string' && isZone(zone) ? zone : null;
}

/** Whether it was ever heard which clock the shop goes by. */
export const isShopClockKnown = (): boolean => known !== null;

/**
 * Time zone of the shop, by whose clock all days and hours are read and typed wherever the device is; the device’s own
 * until it was heard.
 */
export const shopZone = (): string => known ?? deviceZone();

/** Keeps in mind which clock the shop goes by. */
export function keepShopClock(zone: string): void {
  known = zone;
  localStorage.setItem(CLOCK_KEY, JSON.stringify({ zone }));
}
