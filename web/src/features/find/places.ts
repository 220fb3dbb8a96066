import type { Catalogue, Found, OrderSummary } from '@saltflat/contract';

/** Something that can be gone to or done, as the box lists it. */
export interface Findable {
  id: string;
  group: 'Do' | 'Places' | 'Orders' | 'Lines' | 'Artworks' | 'Blanks' | 'Materials' | 'Machines';
  label: string;
  says: string;
  /** Where it leads; an action without one is known by its id. */
  to?: string;
}

/** A place with the letter that follows `g`. */
export interface Reached {
  path: string;
  name: string;
  key: string;
}

/** Parts of the set-up that have a page and no key. */
const PARTS: readonly [path: string, name: string][] = [
  ['/shop/lots', 'Lots in use'],
  ['/shop/methods', 'House methods'],
  ['/shop/prices', 'Prices'],
  ['/shop/backups', 'Backups'],
];

/** What is always there: things to do and places to go. */
export const alwaysThere = (places: readonly Reached[]): Findable[] => [
  { id: 'do/new-order', group: 'Do', label: 'Take in an order', says: 'n', to: '/orders/new' },
  { id: 'do/units', group: 'Do', label: 'Change the units', says: '°C and mm, °F and in' },
  { id: 'do/keys', group: 'Do', label: 'Show the keys', says: '?' },
  { id: 'do/blank', group: 'Do', label: 'Add a blank', says: 'Shop', to: '/shop/blanks/new' },
  { id: 'do/material', group: 'Do', label: 'Add a material', says: 'Shop', to: '/shop/materials/new' },
  { id: 'do/machine', group: 'Do', label: 'Add a machine', says: 'Shop', to: '/shop/machines/new' },
  ...places.map(({ path, name, key }) => place(path, name, `g ${key}`)),
  ...PARTS.map(([path, name]) => place(path, name, 'Shop')),
];

const place = (to: string, label: string, says: string): Findable => ({
  id: `place${to}`,
  group: 'Places',
  label,
  says,
  to,
});

/** What the shop works with. */
export const inCatalogue = ({ styles, materials, machines }: Catalogue): Findable[] => [
  ...styles.map(({ id, name, maker }) => record('Blanks', { id, name, says: maker })),
  ...materials.map(({ id, name, kind }) => record('Materials', { id, name, says: kind })),
  ...machines.map(({ id, name, kind }) => record('Machines', { id, name, says: kind })),
];

const record = (
  group: 'Blanks' | 'Materials' | 'Machines',
  { id, name, says }: { id: string; name: string; says: string },
): Findable => ({
  id: `${group}/${id}`,
  group,
  label: name,
  says: says.replaceAll('-', ' '),
  to: `/shop/${group.toLowerCase()}/${id}`,
});

/** What the server found; a line that is the whole of its order is told as its order. */
export const onServer = (orders: readonly OrderSummary[], { lines, artworks }: Found): Findable[] => [
  ...orders.map(({ id, code, customer, garments }): Findable => ({
    id: `order/${id}`,
    group: 'Orders',
    label: `${code} ${customer}`,
    says: garments.join(', '),
    to: `/orders/${id}`,
  })),
  ...lines.flatMap(({ id, code, customer, garment }): Findable[] => [
    {
      id: `route/${id}`,
      group: 'Lines',
      label: `${code} ${customer}: route`,
      says: garment,
      to: `/route/${id}`,
    },
    {
      id: `artwork/${id}`,
      group: 'Lines',
      label: `${code} ${customer}: artwork`,
      says: garment,
      to: `/artwork/${id}`,
    },
  ]),
  ...artworks.map(({ id, name, lineId, print, code, customer }): Findable => ({
    id: `art/${id}`,
    group: 'Artworks',
    label: name,
    says: `${code} ${customer}`,
    to: `/artwork/${lineId}?print=${print}`,
  })),
];

/** Whether each word that is typed begins a word of what it is called or of what is said of it. */
export function matches({ label, says }: Pick<Findable, 'label' | 'says'>, typed: string): boolean {
  const words = `${label} ${says}`.toLowerCase().split(/[\s:,]+/);
  return typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
    .every((word) => words.some((own) => own.startsWith(word)));
}
