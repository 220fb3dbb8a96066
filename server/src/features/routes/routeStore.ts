import { randomUUID } from 'node:crypto';
import type { RouteVersion } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

export type RouteStore = ReturnType<typeof routeStore>;
export type NewRouteVersion = Pick<RouteVersion, 'lineId' | 'route' | 'cost' | 'overrides' | 'pieces'>;

interface RouteRow extends Omit<RouteVersion, 'createdAt'> {
  createdAt: Date;
}

const COLUMNS = `id, line_id as "lineId", number, created_at as "createdAt", document as route, cost, overrides, pieces`;
const toVersion = (row: RouteRow): RouteVersion => ({ ...row, createdAt: row.createdAt.toISOString() });

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
