// SQL by hand: the floor asks for its runs all day, each named by five tables; through models that is four milliseconds of
// the one thread that answers everybody.
import type { RunHead } from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';

interface HeadRow extends Omit<RunHead, 'createdAt' | 'finishedAt'> {
  createdAt: Date;
  finishedAt: Date | null;
}

const headSql = (runs: string): string => `
  select r.id, r.line_id as "lineId", l.order_id as "orderId", l.code, k.name as customer, c.name || ' ' || s.name as garment, c.hex as "colourHex",
    l.placement, l.artwork_id as "artworkId", v.number as "routeNumber", r.pieces, r.started_by as "startedBy", r.created_at as "createdAt",
    r.finished_at as "finishedAt", r.event_count as "eventCount"
  from (${runs}) r join route_version v on v.id = r.route_version_id join order_line l on l.id = r.line_id
  join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
  join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
  order by r.created_at desc, r.id`;

const STATE = {
  active: 'where finished_at is null',
  finished: 'where finished_at is not null',
  any: '',
} as const;

/** Runs, newest first. */
export async function readRunHeads(
  db: Database,
  state: keyof typeof STATE,
  most: number,
): Promise<RunHead[]> {
  const rows = await db.read<HeadRow>(
    headSql(`select * from run ${STATE[state]} order by created_at desc, id limit $1`),
    [most],
  );
  return rows.map(toHead);
}

/** A run by its id. */
export async function readRunHead(db: Database, id: string, tx?: Tx): Promise<RunHead | undefined> {
  const [row] = await db.read<HeadRow>(headSql('select * from run where id = $1'), [id], tx);
  return row && toHead(row);
}

const toHead = ({ createdAt, finishedAt, ...row }: HeadRow): RunHead => ({
  ...row,
  createdAt: createdAt.toISOString(),
  finishedAt: finishedAt?.toISOString() ?? null,
});
