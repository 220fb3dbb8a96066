/** The places of the bar, in the order work flows, with the letter that follows `g`. */
export const PLACES = [
  { path: '/orders', name: 'Orders', key: 'o' },
  { path: '/artwork', name: 'Artwork', key: 'a' },
  { path: '/route', name: 'Route', key: 'r' },
  { path: '/floor', name: 'Floor', key: 'f' },
  { path: '/ledger', name: 'Ledger', key: 'l' },
] as const;

/** Keys that work everywhere, for the list behind `?`. */
export const KEYS: readonly [keys: string, does: string][] = [
  ...PLACES.map(({ key, name }): [string, string] => [`g ${key}`, `go to ${name}`]),
  ['g d', 'go to the devices'],
  ['n', 'new order'],
  ['/', 'search the list'],
  ['Space', 'Floor: start or finish the step'],
  ['u', 'Floor: undo the last step'],
  ['p', 'Floor: note a problem'],
  ['1 2 3', 'Floor: good, reprint, scrap'],
  ['a c w', 'Artwork: art, on the garment, white'],
  ['+ − 0 1', 'Artwork: zoom in, out, fit, pixel for pixel'],
  ['?', 'this list'],
];
