// SQL by hand: one page of a list by keyset, with a count that stops at a thousand, on indexes made for it. Models cannot
// say a row comparison, nor keep the planner from counting all that matches.
import { MOST_COUNTED } from '@saltflat/contract';
import type { OrderPage, OrderQuery, OrderSummary } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { instant } from '../../db/connection.ts';
import {
  and,
  eachPage,
  isCount,
  isId,
  isText,
  isTime,
  readCursor,
  searchPatterns,
  writeCursor,
} from '../../http/keyset.ts';
import type { SparseSearches } from '../../http/keyset.ts';

/** What each sort compares, and how a cursor value is read back. */
const SORTS = {
  due: { column: 'due_at', type: 'timestamptz', isValue: isTime },
  code: { column: 'number', type: 'integer', isValue: isCount },
  customer: { column: 'customer_key', type: 'text', isValue: isText },
  created: { column: 'created_at', type: 'timestamptz', isValue: isTime },
} as const;

/** So much of a list is walked in its own order for a search that finds much; what that does not fill a page with is looked up. */
const WALK = 1000;

interface SummaryRow extends Omit<OrderSummary, 'spark'> {
  number: number;
  customerKey: string;
  spark: OrderSummary['spark'] | null;
}

/** A page of rows with how many there are in all; a page without any still has a row that counts. */
type CountedRow = Pick<OrderPage, 'total' | 'isMore'> & (SummaryRow | { id: null });

/** One page of orders. */
export async function readOrders(
  db: Database,
  sparse: SparseSearches,
  query: OrderQuery,
  limit: number,
): Promise<OrderPage> {
  const filter = filtered(query);
  const place = placed(query, filter);
  const read = async (sql: string): Promise<OrderPage> => {
    const rows = await db.readMany<CountedRow>(sql, place.bind);
    const { total = 0, isMore = false } = rows[0] ?? {};
    const found = rows.filter((row): row is CountedRow & SummaryRow => row.id !== null);
    return { ...cut(found, query, limit), total, isMore };
  };
  const walk = (): Promise<OrderPage> => read(walkedSql(filter, place, limit));
  const lookUp = (): Promise<OrderPage> => read(countedSql(filter, place, limit));
  return filter.words.length > 0 ? sparse.page(query, { walk, lookUp }) : lookUp();
}

/** All orders asked for, a page at a time. */
export const eachOrder = (
  db: Database,
  query: OrderQuery,
  pageSize: number,
): AsyncGenerator<OrderSummary[]> =>
  eachPage(async (cursor) => {
    const own: OrderQuery = cursor === undefined ? query : { ...query, cursor };
    const filter = filtered(own);
    const place = placed(own, filter);
    const rows = await db.readMany<SummaryRow>(plainSql(filter, place, pageSize), place.bind);
    return cut(rows, own, pageSize);
  });

interface Filter {
  /** Where an order stands. */
  states: string[];
  /** Words that are sought. */
  words: string[];
  bind: unknown[];
}

function filtered(query: OrderQuery): Filter {
  const bind: unknown[] = [];
  const words = searchPatterns(query.search ?? '').map(
    (pattern) => `o.search_text like $${bind.push(pattern)}`,
  );
  const states =
    query.state === 'open'
      ? [`o.state not in ('done', 'cancelled')`]
      : query.state
        ? [`o.state = $${bind.push(query.state)}`]
        : [];
  return { states, words, bind };
}

/** Where a page begins and how the list is sorted, as SQL, with all that is bound. */
interface Place {
  /** What a page is found by: read from an index alone. */
  keys: string;
  after: string;
  order: string;
  bind: unknown[];
}

function placed(query: OrderQuery, filter: Filter): Place {
  const bind = [...filter.bind];
  const { column, type, isValue } = SORTS[query.sort ?? 'due'];
  const isDown = query.direction === 'desc';
  const way = isDown ? 'desc' : 'asc';
  const keys = `o.id, o.${column}`;
  const order = `order by o.${column} ${way}, o.id ${way}`;
  if (!query.cursor) return { keys, after: 'true', order, bind };
  const [value, id] = readCursor<[string | number, string]>(query.cursor, [isValue, isId]);
  const after = `(o.${column}, o.id) ${isDown ? '<' : '>'} ($${bind.push(value)}::${type}, $${bind.push(id)}::uuid)`;
  return { keys, after, order, bind };
}

/** A page and one more, if there is one. */
const plainSql = ({ states, words }: Filter, { keys, after, order }: Place, limit: number): string =>
  `with page as (select ${keys} from customer_order o where ${and([...states, ...words, after])} ${order} limit ${limit + 1})
   select ${SUMMARY} from page ${NAMES} ${order}`;

/** The same of what a walk of some length meets, with how many it met; one that ends before the page is full says nothing of what lies beyond. */
const walkedSql = ({ states, words }: Filter, { keys, after, order }: Place, limit: number): string =>
  `with walk as materialized (select ${keys}, o.search_text from customer_order o where ${and([...states, after])} ${order} limit ${WALK}),
     match as materialized (select ${keys} from walk o where ${and(words)}),
     n as (select count(*)::int as total, (select count(*) from walk) = ${WALK} as "isMore" from match),
     page as (select ${keys} from match o ${order} limit ${limit + 1})
   select n.*, ${SUMMARY} from n left join page on true ${NAMES} ${order}`;

/** The same with how many there are: all that match a search, else as far as is counted. */
function countedSql({ states, words }: Filter, { keys, after, order }: Place, limit: number): string {
  const all = and([...states, ...words]);
  const isSearch = words.length > 0;
  const counted = isSearch
    ? 'match'
    : `(select 1 from customer_order o where ${all} limit ${MOST_COUNTED + 1})`;
  return `with ${isSearch ? `match as materialized (select ${keys} from customer_order o where ${all}),` : ''}
     n as (select least(count(*), ${MOST_COUNTED})::int as total, count(*) > ${MOST_COUNTED} as "isMore" from ${counted} n),
     page as (select ${keys} from ${isSearch ? 'match' : 'customer_order'} o where ${and([...(isSearch ? [] : states), after])} ${order} limit ${limit + 1})
   select n.*, ${SUMMARY} from n left join page on true ${NAMES} ${order}`;
}

const SUMMARY = `o.id, o.number, o.code, k.name as customer, o.customer_key as "customerKey", o.due_at as "dueAt", o.state, o.pieces,
  o.processes, o.garments, o.spark, o.created_at as "createdAt"`;
const NAMES = 'left join customer_order o on o.id = page.id left join customer k on k.id = o.customer_id';

/** So many of what was found, and where the next begin. */
function cut(
  found: readonly SummaryRow[],
  query: OrderQuery,
  limit: number,
): Pick<OrderPage, 'items' | 'nextCursor'> {
  const items = found.slice(0, limit);
  const last = items.at(-1);
  return {
    items: items.map(toSummary),
    nextCursor: found.length > limit && last ? writeCursor(placeOf(last, query)) : null,
  };
}

function placeOf(row: SummaryRow, { sort = 'due' }: OrderQuery): [string | number, string] {
  const value = { due: instant(row.dueAt), code: row.number, customer: row.customerKey, created: instant(row.createdAt) }; // prettier-ignore
  return [value[sort], row.id];
}

const toSummary = (row: SummaryRow): OrderSummary => ({
  id: row.id,
  code: row.code,
  customer: row.customer,
  dueAt: instant(row.dueAt),
  state: row.state,
  pieces: row.pieces,
  processes: row.processes,
  garments: row.garments,
  spark: row.spark ?? [],
  createdAt: instant(row.createdAt),
});
