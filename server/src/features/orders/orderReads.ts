// SQL by hand: an order or a line as a page shows it, each in one statement. Through models it took seven, and eight
// milliseconds of the one thread that answers everybody; the lines waiting for the floor are found by an index that the
// planner passes over where all columns are asked for at once.
import type { LineOnOrder, OpenLine, OpenLines, OpenLinesQuery, Order, OrderLine } from '@saltflat/contract';
import { instant } from '../../db/connection.ts';
import type { Database } from '../../db/connection.ts';
import { isCount, isId, isTime, readCursor, writeCursor } from '../../http/keyset.ts';

interface LineSqlRow extends Omit<OrderLine, 'pieces'> {
  orderId: string;
}

const LINE = `
  select l.id, l.order_id as "orderId", l.position, l.code, s.id as "styleId", s.name as "styleName", s.kind as "styleKind",
    json_build_object('id', c.id, 'name', c.name, 'hex', c.hex, 'tone', c.tone, 'dye', c.dye) as colour,
    (select json_agg(json_build_object('id', w.id, 'placement', w.placement, 'dropMm', w.drop_mm, 'widthMm', w.width_mm, 'process', w.process,
        'grades', w.grades, 'findings', w.findings,
        'artwork', case when a.id is not null then json_build_object('id', a.id, 'name', a.name, 'sha256', a.sha256, 'format', a.format,
          'widthPx', a.width_px, 'heightPx', a.height_px, 'bytes', a.size_bytes, 'readingNotes', a.reading_notes, 'rights', a.rights,
          'rightsNote', a.rights_note, 'createdAt', a.created_at) end,
        'preparation', case when p.id is not null then json_build_object('id', p.id, 'artworkId', p.artwork_id, 'number', p.number,
          'steps', p.steps, 'white', p.white, 'byName', p.by_name, 'createdAt', p.created_at) end) order by w.position)
      from line_print w left join artwork a on a.id = w.artwork_id left join artwork_preparation p on p.id = w.preparation_id
      where w.line_id = l.id) as prints,
    (select json_build_object('id', w.id, 'lineId', w.line_id, 'routeNumber', v.number, 'verdict', w.verdict, 'customerName', w.customer_name,
        'note', w.note, 'byName', w.by_name, 'at', w.at)
      from proof_answer w left join route_version v on v.id = w.route_version_id where w.line_id = l.id order by w.at desc limit 1) as proof,
    (select json_agg(json_build_object('size', q.size, 'quantity', q.quantity) order by z.position nulls last, q.size)
      from order_line_size q left join garment_size z on z.style_id = c.style_id and z.size = q.size where q.line_id = l.id) as sizes,
    l.house, l.state, l.plan_problem as "planProblem", l.route_number as "routeNumber", l.art_overrule as "artOverrule",
    (select r.run_id from run_line r where r.line_id = l.id and r.finished_at is null) as "activeRunId"
  from order_line l join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id`;

interface HeadRow extends Omit<Order, 'lines' | 'dueAt' | 'createdAt' | 'cancelledAt'> {
  dueAt: Date;
  createdAt: Date;
  cancelledAt: Date | null;
}

const HEAD = `
  select o.id, o.code, k.name as customer, o.due_at as "dueAt", o.note, o.state, o.version, o.created_at as "createdAt", o.cancelled_at as "cancelledAt"
  from customer_order o join customer k on k.id = o.customer_id`;

/** An order with its lines in their order, but for those that were taken off it. */
export async function readOrder(db: Database, id: string): Promise<Order | undefined> {
  const [[head], lines] = await Promise.all([
    db.read<HeadRow>(`${HEAD} where o.id = $1`, [id]),
    db.read<LineSqlRow>(`${LINE} where l.order_id = $1 and l.removed_at is null order by l.position`, [id]),
  ]);
  return (
    head && {
      ...head,
      dueAt: head.dueAt.toISOString(),
      createdAt: head.createdAt.toISOString(),
      cancelledAt: head.cancelledAt?.toISOString() ?? null,
      lines: lines.map(toLine),
    }
  );
}

/** A line with what its page says of its order. */
export async function readLine(db: Database, lineId: string): Promise<LineOnOrder | undefined> {
  const [row] = await db.read<LineSqlRow & Pick<LineOnOrder, 'customer' | 'isCancelled'> & { dueAt: Date }>(
    `select l.*, k.name as customer, o.due_at as "dueAt", o.cancelled_at is not null as "isCancelled"
     from (${LINE} where l.id = $1 and l.removed_at is null) l
     join customer_order o on o.id = l."orderId" join customer k on k.id = o.customer_id`,
    [lineId],
  );
  if (!row) return undefined;
  const { customer, dueAt, isCancelled, ...line } = row;
  return { line: toLine(line), orderId: line.orderId, customer, dueAt: dueAt.toISOString(), isCancelled };
}

const OPEN_PAGE = 30;

/** Lines of open orders, of one state or all that are not done, soonest due first, a stretch at a time. */
export async function readOpenLines(
  db: Database,
  { state, limit, cursor }: OpenLinesQuery,
): Promise<OpenLines> {
  const most = limit ?? OPEN_PAGE;
  const bind: unknown[] = [most + 1]; // one more than wanted tells whether there are more
  const after = afterOf(cursor, bind);
  const inState = state === undefined ? `l.state <> 'done'` : `l.state = $${bind.push(state)}`;
  const rows = await db.read<Omit<OpenLine, 'dueAt'> & { dueAt: Date; position: number }>(
    `select l.id as "lineId", l.order_id as "orderId", l.state, l.code, k.name as customer, o.due_at as "dueAt", c.name || ' ' || s.name as garment, c.hex as "colourHex",
       (select array_agg(distinct p.process order by p.process) from line_print p where p.line_id = l.id) as processes,
       (select array_agg(p.artwork_id order by p.position) from line_print p where p.line_id = l.id) as "artworkIds",
       (select coalesce(sum(q.quantity), 0)::int from order_line_size q where q.line_id = l.id) as pieces, l.position
     from (
       select l.id, l.code, l.state, l.position, l.colour_id, l.order_id, o.due_at, o.customer_id
       from order_line l join customer_order o on o.id = l.order_id
       where ${inState} and l.removed_at is null and o.cancelled_at is null
         and o.state not in ('done', 'cancelled') -- what the index of open orders knows
         and ${after}
       order by o.due_at, l.position, l.id limit $1) l
     join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
     join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id order by o.due_at, l.position, l.id`,
    bind,
  );
  const shown = rows.slice(0, most);
  const last = shown[shown.length - 1];
  return {
    items: shown.map(({ dueAt, position: _position, ...row }) => ({ ...row, dueAt: dueAt.toISOString() })),
    nextCursor:
      rows.length > most && last ? writeCursor([last.dueAt.toISOString(), last.position, last.lineId]) : null,
  };
}

function afterOf(cursor: string | undefined, bind: unknown[]): string {
  if (cursor === undefined) return 'true';
  const [due, position, id] = readCursor<[string, number, string]>(cursor, [isTime, isCount, isId]);
  const at = `$${bind.push(due)}::timestamptz`;
  return `o.due_at >= ${at} and (o.due_at > ${at} or (l.position, l.id) > ($${bind.push(position)}::integer, $${bind.push(id)}::uuid))`;
}

function toLine({ orderId: _order, prints, proof, sizes, ...row }: LineSqlRow): OrderLine {
  return {
    ...row,
    prints: prints.map(({ artwork, preparation, ...print }) => ({
      ...print,
      artwork: artwork && { ...artwork, createdAt: instant(artwork.createdAt) },
      preparation: preparation && { ...preparation, createdAt: instant(preparation.createdAt) },
    })),
    proof: proof && { ...proof, at: instant(proof.at) },
    sizes,
    pieces: sizes.reduce((sum, { quantity }) => sum + quantity, 0),
  };
}
