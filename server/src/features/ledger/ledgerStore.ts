import type { LedgerPage, LedgerQuery, LedgerRow } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

const ROW = `
  select x.run_id as "runId", l.order_id as "orderId", r.line_id as "lineId",
    'K-' || o.number || case when (select count(*) from order_line m where m.order_id = l.order_id and m.removed_at is null) > 1 then '/' || l.position else '' end as code,
    k.name as customer, c.name || ' ' || s.name as garment, v.document ->> 'process' as process, v.number as "routeNumber", x.piece, x.verdict, x.faults, x.note, x.photo,
    x.by_name as by, x.at, x.plate_c as "plateC", x.dwell_s as "dwellS", x.actual_dwell_s as "actualDwellS",
    x.pretreatment_g as "pretreatmentG", x.pretreatment_target_g as "pretreatmentTargetG"`;
const TABLES = `
  from outcome x join run r on r.id = x.run_id join route_version v on v.id = r.route_version_id join order_line l on l.id = r.line_id
  join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
  join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id`;

interface Row extends Omit<LedgerRow, 'at'> {
  at: Date;
}

/** Reads what came out, piece by piece, newest first. */
export function ledgerStore(db: Database) {
  return {
    page: async (query: LedgerQuery, limit: number): Promise<LedgerPage> => {
      const { conditions, bind } = filters(query);
      const where = `where ${conditions.join(' and ')}`;
      const counts = await db.row<LedgerPage['counts']>(
        `select count(*) filter (where x.verdict = 'good')::int as good, count(*) filter (where x.verdict = 'reprint')::int as reprint,
           count(*) filter (where x.verdict = 'scrap')::int as scrap ${TABLES} ${where}`,
        bind,
      );
      const offset = query.cursor ?? 0; // a past that only grows at its new end: an offset is steady enough
      const found = await db.rows<Row>(
        `${ROW} ${TABLES} ${where} order by x.at desc, x.run_id, x.piece limit ${limit + 1} offset ${offset}`,
        bind,
      );
      const { good, reprint, scrap } = counts ?? { good: 0, reprint: 0, scrap: 0 };
      return {
        items: found.slice(0, limit).map((row) => ({ ...row, at: row.at.toISOString() })),
        nextCursor: found.length > limit ? String(offset + limit) : null,
        total: good + reprint + scrap,
        counts: { good, reprint, scrap },
      };
    },
  };
}

export type LedgerStore = ReturnType<typeof ledgerStore>;

function filters(query: LedgerQuery): { conditions: string[]; bind: unknown[] } {
  const bind: unknown[] = [];
  const put = (value: unknown): string => `$${bind.push(value)}`;
  const conditions = ['true'];
  if (query.verdict) conditions.push(`x.verdict = ${put(query.verdict)}`);
  if (query.fault) conditions.push(`${put(query.fault)} = any(x.faults)`);
  if (query.process) conditions.push(`v.document ->> 'process' = ${put(query.process)}`);
  if (query.search) {
    const like = put(`%${query.search.replace(/[\\%_]/g, '\\$&')}%`);
    conditions.push(
      `(('K-' || o.number) ilike ${like} or ('K-' || o.number || '/' || l.position) ilike ${like} or k.name ilike ${like} or s.name ilike ${like} or c.name ilike ${like} or x.by_name ilike ${like} or x.note ilike ${like})`,
    );
  }
  return { conditions, bind };
}
