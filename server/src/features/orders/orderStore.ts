import { randomUUID } from 'node:crypto';
import type {
  ArtworkUse,
  Order,
  OrderInput,
  OrderLine,
  OrderLineInput,
  OrderQuery,
  OrderSummary,
} from '@saltflat/contract';
import type { Operation } from '@saltflat/core/route';
import { traceHeat } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';
import { LINE_COLUMNS, LINE_TABLES, toLine } from './lineSql.ts';
import type { LineRow } from './lineSql.ts';
import { orderListSql, writeCursor } from './orderListSql.ts';

/** A line together with what is on its order's ticket. */
export interface LineOnOrder {
  line: OrderLine;
  orderId: string;
  customer: string;
  dueAt: string;
  isCancelled: boolean;
}

interface HeadRow {
  id: string;
  code: string;
  customer: string;
  dueAt: Date;
  note: string;
  state: Order['state'];
  version: number;
  createdAt: Date;
  cancelledAt: Date | null;
}

interface SummaryRow extends Omit<OrderSummary, 'spark' | 'dueAt' | 'createdAt'> {
  dueAt: Date;
  createdAt: Date;
  operations: Operation[] | null;
  sortValue: string;
}

const HEAD = `select o.id, 'K-' || o.number as code, k.name as customer, o.due_at as "dueAt", o.note, o.state, o.version,
  o.created_at as "createdAt", o.cancelled_at as "cancelledAt" from customer_order o join customer k on k.id = o.customer_id`;

export type OrderStore = ReturnType<typeof orderStore>;

/** Orders and their lines in the database. Methods given a `tx` join that transaction. */
export function orderStore(db: Database) {
  async function find(id: string, on: Database = db): Promise<Order | undefined> {
    const head = await on.row<HeadRow>(`${HEAD} where o.id = $1`, [id]);
    if (!head) return undefined;
    const lines = await on.rows<LineRow>(
      `select ${LINE_COLUMNS} from ${LINE_TABLES} where l.order_id = $1 and l.removed_at is null order by l.position`,
      [id],
    );
    return {
      ...head,
      dueAt: head.dueAt.toISOString(),
      createdAt: head.createdAt.toISOString(),
      cancelledAt: head.cancelledAt?.toISOString() ?? null,
      lines: lines.map(toLine),
    };
  }

  async function findLine(lineId: string): Promise<LineOnOrder | undefined> {
    const row = await db.row<LineRow & { customer: string; dueAt: Date; cancelledAt: Date | null }>(
      `select ${LINE_COLUMNS}, k.name as customer, o.due_at as "dueAt", o.cancelled_at as "cancelledAt"
       from ${LINE_TABLES} join customer k on k.id = o.customer_id where l.id = $1 and l.removed_at is null`,
      [lineId],
    );
    if (!row) return undefined;
    const { customer, dueAt, cancelledAt, ...line } = row;
    return {
      line: toLine(line),
      orderId: row.orderId,
      customer,
      dueAt: dueAt.toISOString(),
      isCancelled: cancelledAt !== null,
    };
  }

  /** Lines of orders that are not cancelled which are printed from an artwork, newest order first. */
  const linesOfArtwork = (artworkId: string): Promise<ArtworkUse[]> =>
    db.rows(
      `select l.id as "lineId", 'K-' || o.number as code, k.name as customer,
         (select number from artwork_preparation p where p.id = l.preparation_id) as preparation
       from order_line l join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
       where l.artwork_id = $1 and l.removed_at is null and o.state <> 'cancelled' order by o.number desc limit 100`,
      [artworkId],
    );

  async function list(query: OrderQuery, limit: number) {
    const sql = orderListSql(query, limit);
    const found = await db.rows<SummaryRow>(
      `select o.id, 'K-' || o.number as code, k.name as customer, o.due_at as "dueAt", o.state, o.created_at as "createdAt",
         ${sql.sortKey}::text as "sortValue", x.pieces, x.processes, x.garments,
         (select v.document -> 'operations' from route_version v join order_line l on l.id = v.line_id
           where l.order_id = o.id and l.removed_at is null order by l.position, v.number desc limit 1) as operations
       from customer_order o join customer k on k.id = o.customer_id
       cross join lateral (
         select coalesce(sum((select sum(z.quantity) from order_line_size z where z.line_id = l.id)), 0)::int as pieces,
           coalesce(json_agg(distinct l.process), '[]') as processes, coalesce(json_agg(distinct c.name || ' ' || s.name), '[]') as garments
         from order_line l join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
         where l.order_id = o.id and l.removed_at is null) x
       where ${sql.text}`,
      sql.bind,
    );
    const total = await db.row<{ total: number }>(
      `select count(*)::int as total from customer_order o join customer k on k.id = o.customer_id where ${sql.countText}`,
      sql.countBind,
    );
    const items = found.slice(0, limit);
    const last = items.at(-1);
    return {
      items: items.map(toSummary),
      nextCursor: found.length > limit && last ? writeCursor(last.sortValue, last.id) : null,
      total: total?.total ?? 0,
    };
  }

  async function customerId(name: string, tx: Database): Promise<string> {
    const inserted = await tx.row<{ id: string }>(
      `insert into customer (id, name) values ($1, $2) on conflict ((lower(name))) do update set name = customer.name returning id`,
      [randomUUID(), name.trim()],
    );
    return inserted?.id ?? '';
  }

  async function insert(input: OrderInput, tx: Database): Promise<string> {
    const id = randomUUID();
    await tx.rows(
      `insert into customer_order (id, customer_id, due_at, note, state) values ($1, $2, $3, $4, 'planning') returning id`,
      [id, await customerId(input.customer, tx), input.dueAt, input.note],
    );
    for (const [i, line] of input.lines.entries()) await writeLine(id, i + 1, line, tx);
    return id;
  }

  /** Writes the order's own fields if its version is still the one seen. */
  async function updateHead(id: string, version: number, input: OrderInput, tx: Database): Promise<boolean> {
    const changed = await tx.rows(
      `update customer_order set customer_id = $3, due_at = $4, note = $5, version = version + 1 where id = $1 and version = $2 returning id`,
      [id, version, await customerId(input.customer, tx), input.dueAt, input.note],
    );
    return changed.length === 1;
  }

  /** Cancels or restores if the version is still the one seen. Restoring leaves the state to {@link settleState}. */
  async function setCancelled(
    id: string,
    version: number,
    isCancelled: boolean,
    tx: Database,
  ): Promise<boolean> {
    const changed = await tx.rows(
      `update customer_order set state = $3, cancelled_at = case when $3 = 'cancelled' then now() end, version = version + 1
       where id = $1 and version = $2 returning id`,
      [id, version, isCancelled ? 'cancelled' : 'planning'],
    );
    return changed.length === 1;
  }

  async function writeLine(
    orderId: string,
    position: number,
    input: OrderLineInput,
    tx: Database,
  ): Promise<string> {
    const id = input.id ?? randomUUID();
    await tx.rows(
      `insert into order_line (id, order_id, position, colour_id, artwork_id, placement, drop_mm, width_mm, process, state, preparation_id, house, grades)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, coalesce($12::jsonb, '{}'), coalesce($13::jsonb, '[]'))
       on conflict (id) do update set position = $3, colour_id = $4, artwork_id = $5, placement = $6, drop_mm = $7, width_mm = $8, process = $9,
         state = $10, plan_problem = null, house = coalesce($12::jsonb, order_line.house), grades = coalesce($13::jsonb, order_line.grades),
         preparation_id = case when order_line.artwork_id = $5 then coalesce($11, order_line.preparation_id) else $11 end returning id`,
      [
        id,
        orderId,
        position,
        input.colourId,
        input.artworkId,
        input.placement,
        input.dropMm,
        input.widthMm,
        input.process,
        input.artworkId ? 'planning' : 'needs-art',
        input.preparationId ?? null,
        input.house ? JSON.stringify(input.house) : null,
        input.grades ? JSON.stringify(input.grades) : null,
      ],
    );
    await tx.rows(`delete from order_line_size where line_id = $1 returning size`, [id]);
    for (const { size, quantity } of input.sizes) {
      await tx.rows(
        `insert into order_line_size (line_id, size, quantity) values ($1, $2, $3) returning size`,
        [id, size, quantity],
      );
    }
    return id;
  }

  /** Has a line printed from a preparation of its artwork, at a width. */
  async function setPreparation(
    lineId: string,
    preparationId: string | null,
    widthMm: number,
    tx: Database,
  ): Promise<void> {
    await tx.rows(`update order_line set preparation_id = $2, width_mm = $3 where id = $1 returning id`, [
      lineId,
      preparationId,
      widthMm,
    ]);
  }

  async function removeLine(lineId: string, tx: Database): Promise<void> {
    await tx.rows(`update order_line set removed_at = now() where id = $1 returning id`, [lineId]);
  }

  async function setLineState(
    lineId: string,
    state: OrderLine['state'],
    planProblem: string | null,
    tx: Database,
  ): Promise<void> {
    await tx.rows(`update order_line set state = $2, plan_problem = $3 where id = $1 returning id`, [
      lineId,
      state,
      planProblem,
    ]);
    const line = await tx.row<{ orderId: string }>(
      `select order_id as "orderId" from order_line where id = $1`,
      [lineId],
    );
    if (line) await settleState(line.orderId, tx);
  }

  /** An order stands where its least advanced line stands; one line on the floor makes it running. */
  async function settleState(orderId: string, tx: Database): Promise<void> {
    await tx.rows(
      `update customer_order o set state = x.state from (
         select case when bool_or(state = 'running') then 'running' when bool_and(state = 'done') then 'done'
           when bool_or(state = 'failed') then 'failed' when bool_or(state = 'needs-art') then 'needs-art'
           when bool_or(state = 'planning') then 'planning' else 'ready' end as state
         from order_line where order_id = $1 and removed_at is null) x
       where o.id = $1 and o.state <> 'cancelled' and o.state <> x.state returning o.id`,
      [orderId],
    );
  }

  return {
    find,
    findLine,
    linesOfArtwork,
    list,
    insert,
    updateHead,
    setCancelled,
    writeLine,
    removeLine,
    setPreparation,
    setLineState,
    settleState,
  };
}

function toSummary({ operations, sortValue: _sort, dueAt, createdAt, ...row }: SummaryRow): OrderSummary {
  const spark = traceHeat(operations ?? []).map(({ fromS, toS, tempC, isHandsOn }) => ({
    durationS: toS - fromS,
    tempC,
    isHandsOn,
  }));
  return { ...row, dueAt: dueAt.toISOString(), createdAt: createdAt.toISOString(), spark };
}
