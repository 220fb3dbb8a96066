/** The places of the bar, in the order work flows, with the letter that follows `g`. */
export const PLACES = [
  { path: '/orders', name: 'Orders', key: 'o' },
  { path: '/artwork', name: 'Artwork', key: 'a' },
  { path: '/route', name: 'Route', key: 'r' },
  { path: '/floor', name: 'Floor', key: 'f' },
  { path: '/ledger', name: 'Ledger', key: 'l' },
  { path: '/shop', name: 'Shop', key: 's' },
] as const;

/** Places that are not in the bar. */
const ASIDE = [{ path: '/devices', name: 'Devices', key: 'd' }] as const;

/** All that `g` and a letter leads to. */
export const REACHED = [...PLACES, ...ASIDE];
