/** The places of the bar, in the order work flows, with the letter that follows `g`. */
export const PLACES = [
  { path: '/orders', name: 'Orders', key: 'o' },
  { path: '/artwork', name: 'Artwork', key: 'a' },
  { path: '/route', name: 'Route', key: 'r' },
  { path: '/floor', name: 'Floor', key: 'f' },
  { path: '/ledger', name: 'Ledger', key: 'l' },
  { path: '/shop', name: 'Shop', key: 's' },
] as const;

/** Keys that work everywhere, for the list behind `?`. */
export const KEYS: readonly [keys: string, does: string][] = [
  ...PLACES.map(({ key, name }): [string, string] => [`g ${key}`, `go to ${name}`]),
  ['g d', 'go to the devices'],
  ['n', 'new order'],
  ['/', 'search the list'],
  ['Space', 'Floor: start or finish the step'],
  ['u', 'Floor: undo the last step'],
  ['x', 'Floor: say what was spoiled'],
  ['p', 'Floor: note a problem'],
  ['1 2 3', 'Floor: good, reprint, scrap'],
  ['c a r w h', 'Artwork: on the garment, file, ready, white, second white'],
  ['t b s e', 'Artwork: thin parts, gaps, solids, soft edges'],
  ['m n', 'Artwork: film from its printed side, through its back'],
  ['x o', 'Artwork: split before and now, outline of the garment'],
  ['+ − 0 1 8', 'Artwork: zoom in, out, fit, pixels 1 : 1 and 1 : 8'],
  ['Ctrl z, Ctrl y', 'Artwork: undo, redo'],
  ['?', 'this list'],
];
