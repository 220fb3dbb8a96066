import { DomainError } from '@saltflat/contract';
import type { OrderQuery } from '@saltflat/contract';
import { UUID } from '../../http/endpoint.ts';

const isTime = (text: string): boolean => !Number.isNaN(Date.parse(text));

/** What each sort compares, as SQL over the order `o` and the customer `k`, and how a cursor value is read back. */
const SORT_KEYS = {
  due: { sql: 'o.due_at', type: 'timestamptz', isValue: isTime },
  code: { sql: 'o.number', type: 'integer', isValue: (text: string) => /^\d{1,9}$/.test(text) },
  customer: { sql: 'lower(k.name)', type: 'text', isValue: () => true },
  created: { sql: 'o.created_at', type: 'timestamptz', isValue: isTime },
} as const;

export interface ListSql {
  /** Conditions and order of one page. */
  text: string;
  /** The same without cursor and limit, to count. */
  countText: string;
  bind: unknown[];
  countBind: unknown[];
  sortKey: string;
}

/** Builds one page of the order list: filter, keyset cursor, one row more than asked for. */
export function orderListSql(query: OrderQuery, limit: number): ListSql {
  const bind: unknown[] = [];
  const put = (value: unknown): string => `$${bind.push(value)}`;
  const conditions = ['true'];
  if (query.search) {
    const like = put(`%${query.search.replace(/[\\%_]/g, '\\$&')}%`);
    conditions.push(`(('K-' || o.number) ilike ${like} or k.name ilike ${like} or o.note ilike ${like}
      or exists (select 1 from order_line l join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
                 where l.order_id = o.id and l.removed_at is null
                   and (s.name ilike ${like} or c.name ilike ${like} or ('K-' || o.number || '/' || l.position) ilike ${like})))`);
  }
  if (query.state === 'open') conditions.push(`o.state not in ('done', 'cancelled')`);
  else if (query.state) conditions.push(`o.state = ${put(query.state)}`);
  const countText = conditions.join(' and ');
  const countBind = [...bind];
  const { sql: sortKey, type, isValue } = SORT_KEYS[query.sort ?? 'due'];
  const isDown = query.direction === 'desc';
  const cursor = query.cursor ? readCursor(query.cursor, isValue) : null;
  if (cursor)
    conditions.push(
      `(${sortKey}, o.id) ${isDown ? '<' : '>'} (${put(cursor.value)}::${type}, ${put(cursor.id)}::uuid)`,
    );
  const way = isDown ? 'desc' : 'asc';
  const text = `${conditions.join(' and ')} order by ${sortKey} ${way}, o.id ${way} limit ${put(limit + 1)}`;
  return { text, countText, bind, countBind, sortKey };
}

/** A place in a sorted list, opaque to clients. */
export const writeCursor = (value: string, id: string): string =>
  Buffer.from(JSON.stringify([value, id])).toString('base64url');

/** @throws DomainError for one that is no place in this list as it is sorted now */
function readCursor(cursor: string, isValue: (text: string) => boolean): { value: string; id: string } {
  try {
    const [value, id] = JSON.parse(Buffer.from(cursor, 'base64url').toString()) as [string, string];
    if (isValue(value) && UUID.test(id)) return { value, id };
  } catch {
    // said below, like any other that was never ours
  }
  const message = '“Cursor” is no place in this list: leave it out to begin at the start.';
  throw new DomainError('invalid-input', message, { fields: [{ path: '/cursor', message }] });
}
