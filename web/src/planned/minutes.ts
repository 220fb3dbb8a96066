import type { PicturedOrder } from '@saltflat/core/plan';
import { formatDuration } from '@saltflat/core/units';
import { t } from '../words/index.ts';

/** Minutes by which an order is through too late; 0 where it is in time, or has no place. */
export const lateMin = ({ through, due }: Pick<PicturedOrder, 'through' | 'due'>): number =>
  through === null ? 0 : Math.max(0, through - due);

/** Minutes in words a person plans with: hours and days where there are many. */
export function inHours(minutes: number): string {
  if (minutes < 60) return t('{n} min', { n: minutes });
  if (minutes < 2880) return formatDuration(60 * minutes);
  return t('{n} days', { n: Math.round(minutes / 1440) });
}
