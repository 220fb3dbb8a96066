import type { OrderQuery } from '@saltflat/contract';

/** What each sort compares, as SQL over the order `o` and the customer `k`, and how a cursor value is read back. */
const SORT_KEYS = {
  due: { sql: 'o.due_at', type: 'timestamptz' },
  code: { sql: 'o.number', type: 'integer' },
  customer: { sql: 'lower(k.name)', type: 'text' },
  created: { sql: 'o.created_at', type: 'timestamptz' },
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
                 where l.order_id = o.id and l.removed_at is null and (s.name ilike ${like} or c.name ilike ${like})))`);
  }
  if (query.state === 'open') conditions.push(`o.state not in ('done', 'cancelled')`);
  else if (query.state) conditions.push(`o.state = ${put(query.state)}`);
  const countText = conditions.join(' and ');
  const countBind = [...bind];
  const { sql: sortKey, type } = SORT_KEYS[query.sort ?? 'due'];
  const isDown = query.direction === 'desc';
  const cursor = readCursor(query.cursor);
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

/** @returns `null` for no cursor or one that was never ours */
export function readCursor(cursor: string | undefined): { value: string; id: string } | null {
  if (!cursor) return null;
  try {
    const [value, id] = JSON.parse(Buffer.from(cursor, 'base64url').toString()) as [string, string];
    return { value, id };
  } catch {
    return null;
  }
}
