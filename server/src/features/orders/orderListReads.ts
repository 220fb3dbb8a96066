// SQL by hand: one page of a list by keyset, with a count that stops at a thousand, on indexes made for it. Models cannot
// say a row comparison, nor keep the planner from counting all that matches.
import { MOST_COUNTED } from '@saltflat/contract';
import type { OrderPage, OrderQuery, OrderSummary } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { instant } from '../../db/connection.ts';
import {
  and,
  isCount,
  isId,
  isRare,
  isText,
  isTime,
  readCursor,
  searchPatterns,
  writeCursor,
} from '../../http/keyset.ts';

/** What each sort compares, and how a cursor value is read back. */
const SORTS = {
  due: { column: 'due_at', type: 'timestamptz', isValue: isTime },
  code: { column: 'number', type: 'integer', isValue: isCount },
  customer: { column: 'customer_key', type: 'text', isValue: isText },
  created: { column: 'created_at', type: 'timestamptz', isValue: isTime },
} as const;

/** So much of a list is walked in its own order for a search that finds much; what that does not fill a page with is looked up. */
const WALK = 2000;

interface SummaryRow extends Omit<OrderSummary, 'spark'> {
  number: number;
  customerKey: string;
  spark: OrderSummary['spark'] | null;
}

interface Count {
  count: number;
  /** There are or may be more. */
  isMore: boolean;
}

/** One page of orders. */
export async function readOrders(db: Database, query: OrderQuery, limit: number): Promise<OrderPage> {
  const { count, isMore, found } = await findPage(db, query, limit);
  const items = found.slice(0, limit);
  const last = items.at(-1);
  return {
    items: items.map(toSummary),
    nextCursor: found.length > limit && last ? writeCursor(placeOf(last, query)) : null,
    total: Math.min(count, MOST_COUNTED),
    isMore: isMore || count > MOST_COUNTED,
  };
}

/** All orders asked for, a page at a time. */
export async function* eachOrder(
  db: Database,
  query: OrderQuery,
  pageSize: number,
): AsyncGenerator<OrderSummary[]> {
  let cursor: string | null = null;
  do {
    const page: OrderPage = await readOrders(
      db,
      { ...query, ...(cursor === null ? {} : { cursor }) },
      pageSize,
    );
    yield page.items;
    cursor = page.nextCursor;
  } while (cursor !== null);
}

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

const allOf = ({ states, words }: Filter): string => and([...states, ...words]);

/** The orders of a page and one more, if there is one, with how many there are in all. */
async function findPage(
  db: Database,
  query: OrderQuery,
  limit: number,
): Promise<Count & { found: SummaryRow[] }> {
  const filter = filtered(query);
  const { column, after, order, bind } = placed(query, filter.bind);
  const most = `${order} limit ${limit + 1}`;
  const keys = `o.id, o.${column}`;
  const states = and([...filter.states, after]);
  const read = async (sql: string): Promise<Count & { found: SummaryRow[] }> => {
    const rows = await db.readMany<Counted>(sql, bind);
    const { count, isMore } = rows[0] ?? { count: 0, isMore: false };
    return { count, isMore, found: rows.filter((row): row is SummaryRow & Count => row.id !== null) };
  };
  if (filter.words.length === 0)
    return read(`with n as (select count(*)::int as count, false as "isMore"
        from (select 1 from customer_order o where ${allOf(filter)} limit ${MOST_COUNTED + 1}) n),
      page as (select ${keys} from customer_order o where ${states} ${most}) ${summarySql(order)}`);
  const page = `page as (select ${keys} from match o where ${after} ${most})`;
  if (!isRare(query.search)) {
    const walked =
      await read(`with walk as materialized (select ${keys}, o.search_text from customer_order o where ${states} ${order} limit ${WALK}),
      match as materialized (select ${keys} from walk o where ${and(filter.words)}),
      n as (select count(*)::int as count, (select count(*) from walk) = ${WALK} as "isMore" from match), ${page} ${summarySql(order)}`);
    if (walked.found.length > limit) return walked;
  }
  return read(`with match as materialized (select ${keys} from customer_order o where ${allOf(filter)}),
      n as (select count(*)::int as count, false as "isMore" from match), ${page} ${summarySql(order)}`);
}

type Counted = Count & (SummaryRow | { id: null });

/** Where a page begins and how the list is sorted. */
function placed(
  query: OrderQuery,
  own: readonly unknown[],
): { column: string; after: string; order: string; bind: unknown[] } {
  const bind = [...own];
  const { column, type, isValue } = SORTS[query.sort ?? 'due'];
  const isDown = query.direction === 'desc';
  const way = isDown ? 'desc' : 'asc';
  const order = `order by o.${column} ${way}, o.id ${way}`;
  if (!query.cursor) return { column, after: 'true', order, bind };
  const [value, id] = readCursor<[string | number, string]>(query.cursor, [isValue, isId]);
  const after = `(o.${column}, o.id) ${isDown ? '<' : '>'} ($${bind.push(value)}::${type}, $${bind.push(id)}::uuid)`;
  return { column, after, order, bind };
}

/** A page beside its count: where the page is empty the count still comes. */
const summarySql = (order: string): string =>
  `select n.*, o.id, o.number, o.code, k.name as customer, o.customer_key as "customerKey", o.due_at as "dueAt", o.state, o.pieces, o.processes,
     o.garments, o.spark, o.created_at as "createdAt"
   from n left join page on true left join customer_order o on o.id = page.id left join customer k on k.id = o.customer_id ${order}`;

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
