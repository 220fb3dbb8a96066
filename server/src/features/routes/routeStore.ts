import { randomUUID } from 'node:crypto';
import { readCost, readRoute } from '@saltflat/contract';
import type { ProvenLine, RouteVersion } from '@saltflat/contract';
import type { Process } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';

const LATELY = 3000; // pieces looked back at: what a shop did years ago says little of today

export type RouteStore = ReturnType<typeof routeStore>;
export type NewRouteVersion = Pick<RouteVersion, 'lineId' | 'route' | 'cost' | 'overrides' | 'pieces'>;

interface RouteRow extends Omit<RouteVersion, 'createdAt'> {
  createdAt: Date;
}

const COLUMNS = `id, line_id as "lineId", number, created_at as "createdAt", document as route, cost, overrides, pieces`;
const toVersion = (row: RouteRow): RouteVersion => ({
  ...row,
  route: readRoute(row.route),
  cost: readCost(row.cost),
  createdAt: row.createdAt.toISOString(),
});

/** Versions of routes: written once, never changed. */
export function routeStore(db: Database) {
  const versions = async (lineId: string): Promise<RouteVersion[]> =>
    (
      await db.rows<RouteRow>(
        `select ${COLUMNS} from route_version where line_id = $1 order by number desc`,
        [lineId],
      )
    ).map(toVersion);
  return {
    versions,
    latest: async (lineId: string): Promise<RouteVersion | undefined> => {
      const row = await db.row<RouteRow>(
        `select ${COLUMNS} from route_version where line_id = $1 order by number desc limit 1`,
        [lineId],
      );
      return row && toVersion(row);
    },
    /** Lines whose route is a draft still: planned, or refused, but not on the floor. */
    draftLines: async (): Promise<string[]> =>
      (
        await db.rows<{ id: string }>(
          `select l.id from order_line l join customer_order o on o.id = l.order_id
           where l.state in ('ready', 'failed') and l.removed_at is null and o.cancelled_at is null and l.artwork_id is not null
           order by o.due_at, l.position`,
        )
      ).map(({ id }) => id),
    /** Lines run to the end by a process, with how they came out; the most pieces first. */
    provenLines: async (process: Process, exceptLineId: string): Promise<ProvenLine[]> =>
      db.rows<ProvenLine>(
        `select r.line_id as "lineId", max('K-' || o.number) as code, max(k.name) as customer, max(c.name || ' ' || s.name) as garment,
           max(s.id::text) as "styleId", count(*)::int as pieces, count(*) filter (where x.verdict = 'good')::int as good,
           max(v.number)::int as "routeNumber"
         from (select verdict, run_id from outcome order by at desc limit ${LATELY}) x
         join run r on r.id = x.run_id join route_version v on v.id = r.route_version_id join order_line l on l.id = r.line_id
         join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
         join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
         where v.document ->> 'process' = $1 and r.line_id <> $2 and r.finished_at is not null
         group by r.line_id order by count(*) filter (where x.verdict = 'good') desc, max(o.number) desc limit 30`,
        [process, exceptLineId],
      ),
    /** Of the pieces that came out last: how many by a process, and how many of them were not good. */
    spoilage: async (process: Process): Promise<{ inspected: number; spoiled: number }> =>
      (await db.row<{ inspected: number; spoiled: number }>(
        `select count(*)::int as inspected, count(*) filter (where x.verdict <> 'good')::int as spoiled
         from (select verdict, run_id from outcome order by at desc limit ${LATELY}) x
         join run r on r.id = x.run_id join route_version v on v.id = r.route_version_id
         where v.document ->> 'process' = $1`,
        [process],
      )) ?? { inspected: 0, spoiled: 0 },
    insert: async (
      { lineId, route, cost, overrides, pieces }: NewRouteVersion,
      tx: Database,
    ): Promise<void> => {
      await tx.rows(`select id from order_line where id = $1 for update`, [lineId]); // numbers are given out one at a time
      await tx.rows(
        `insert into route_version (id, line_id, number, document, cost, overrides, pieces)
         values ($1, $2, (select coalesce(max(number), 0) + 1 from route_version where line_id = $2), $3, $4, $5, $6) returning id`,
        [
          randomUUID(),
          lineId,
          JSON.stringify(route),
          JSON.stringify(cost),
          JSON.stringify(overrides),
          pieces,
        ],
      );
    },
  };
}
