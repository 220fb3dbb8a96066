import { t } from '../words/t.ts';

/** The places of the bar, in the order work flows, with the letter that follows `g`. */
export const PLACES = [
  { path: '/today', name: t('Today'), key: 't' },
  { path: '/orders', name: t('Orders'), key: 'o' },
  { path: '/artwork', name: t('Artwork'), key: 'a' },
  { path: '/route', name: t('Route'), key: 'r' },
  { path: '/film', name: t('Film'), key: 'm' },
  { path: '/spray', name: t('Spray'), key: 'y' },
  { path: '/presses', name: t('Presses'), key: 'p' },
  { path: '/plan', name: t('Plan'), key: 'n' },
  { path: '/floor', name: t('Floor'), key: 'f' },
  { path: '/ledger', name: t('Ledger'), key: 'l' },
  { path: '/shop', name: t('Shop'), key: 's' },
] as const;

/** Places that are not in the bar. */
const ASIDE = [{ path: '/devices', name: t('Devices'), key: 'd' }] as const;

/** All that `g` and a letter leads to. */
export const REACHED = [...PLACES, ...ASIDE];
