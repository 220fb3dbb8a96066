// SQL by hand: the floor asks for its runs all day, each named by five tables; through models that is four milliseconds of
// the one thread that answers everybody.
import type { RunHead, RunPage, RunQuery } from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';
import { and, isId, isTime, readCursor, writeCursor } from '../../http/keyset.ts';

const PAGE = 60;

interface HeadRow extends Omit<RunHead, 'createdAt' | 'finishedAt' | 'lines'> {
  createdAt: Date;
  finishedAt: Date | null;
  lines: RunHead['lines']; // instants as the database writes them
}

const LINE = `json_build_object('key', w.key, 'lineId', l.id, 'orderId', l.order_id, 'code', l.code, 'customer', k.name, 'dueAt', o.due_at,
  'garment', c.name || ' ' || s.name, 'style', s.name, 'colourHex', c.hex, 'routeNumber', v.number,
  'prints', (select json_agg(json_build_object('id', p.id, 'placement', p.placement, 'artworkId', p.artwork_id) order by p.position)
    from line_print p where p.line_id = l.id),
  'pieces', w.pieces, 'artOverrule', l.art_overrule, 'finishedAt', w.finished_at)`;

const headSql = (runs: string): string => `
  select r.id, r.started_by as "startedBy", r.created_at as "createdAt", r.finished_at as "finishedAt", r.event_count as "eventCount",
    (select json_build_object('id', f.id, 'code', 'F-' || f.number) from film_layout f where f.id = r.layout_id) as layout, own.lines
  from (${runs}) r cross join lateral (
    select json_agg(${LINE} order by w.key::int) as lines
    from run_line w join route_version v on v.id = w.route_version_id join order_line l on l.id = w.line_id
    join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
    join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id where w.run_id = r.id) own
  order by r.created_at desc, r.id`;

const STATE = {
  active: 'finished_at is null',
  finished: 'finished_at is not null',
  any: 'true',
} as const;

/** Runs, newest first, a stretch at a time. */
export async function readRunHeads(db: Database, { state, limit, cursor }: RunQuery): Promise<RunPage> {
  const most = limit ?? PAGE;
  const bind: unknown[] = [most + 1]; // one more than wanted tells whether there are more
  const conditions = [STATE[state ?? 'any'], afterOf(cursor, bind)];
  const rows = await db.read<HeadRow>(
    headSql(`select * from run where ${and(conditions)} order by created_at desc, id limit $1`),
    bind,
  );
  const items = rows.slice(0, most).map(toHead);
  const last = items[items.length - 1];
  return { items, nextCursor: rows.length > most && last ? writeCursor([last.createdAt, last.id]) : null };
}

function afterOf(cursor: string | undefined, bind: unknown[]): string {
  if (cursor === undefined) return 'true';
  const [at, id] = readCursor<[string, string]>(cursor, [isTime, isId]);
  return `created_at <= $${bind.push(at)}::timestamptz and (created_at < $${bind.length}::timestamptz or id > $${bind.push(id)}::uuid)`;
}

/** A run by its id. */
export async function readRunHead(db: Database, id: string, tx?: Tx): Promise<RunHead | undefined> {
  const [row] = await db.read<HeadRow>(headSql('select * from run where id = $1'), [id], tx);
  return row && toHead(row);
}

const toHead = ({ createdAt, finishedAt, lines, ...row }: HeadRow): RunHead => ({
  ...row,
  lines: lines.map((line) => ({
    ...line,
    dueAt: new Date(line.dueAt).toISOString(),
    finishedAt: line.finishedAt && new Date(line.finishedAt).toISOString(),
  })),
  createdAt: createdAt.toISOString(),
  finishedAt: finishedAt?.toISOString() ?? null,
});
