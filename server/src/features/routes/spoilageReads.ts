// SQL by hand: shares over the pieces that came out last, by an index that ends where the looking back ends. Models would
// bring every piece here to be counted.
import type { ProvenLine } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

const LATELY = 3000; // pieces looked back at: what a shop did years ago says little of today
const MOST_LINES = 30;

export interface Spoilage {
  inspected: number;
  /** Of those, the ones that were made again or lost. */
  spoiled: number;
}

/** Of the pieces that came out last by just these processes: how many, and how many of them were not good. */
export async function readSpoilage(db: Database, processes: string): Promise<Spoilage> {
  const [row] = await db.read<Spoilage>(
    `select count(*)::int as inspected, count(*) filter (where verdict <> 'good')::int as spoiled
     from (select verdict from outcome where processes = $1 order by at desc, run_id, piece limit ${LATELY}) x`,
    [processes],
  );
  return row ?? { inspected: 0, spoiled: 0 };
}

/** Lines run to the end by just these processes lately, with how they came out; the most good pieces first. */
export function readProvenLines(
  db: Database,
  processes: string,
  exceptLineId: string,
): Promise<ProvenLine[]> {
  return db.read<ProvenLine>(
    `select r.line_id as "lineId", max(l.code) as code, max(k.name) as customer, max(c.name || ' ' || s.name) as garment,
       max(s.id::text) as "styleId", count(*)::int as pieces, count(*) filter (where x.verdict = 'good')::int as good,
       max(v.number)::int as "routeNumber"
     from (select verdict, run_id, line_id from outcome where processes = $1 order by at desc, run_id, piece limit ${LATELY}) x
     join run_line r on r.run_id = x.run_id and r.line_id = x.line_id join route_version v on v.id = r.route_version_id join order_line l on l.id = r.line_id
     join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
     join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
     where r.line_id <> $2 and r.finished_at is not null
     group by r.line_id order by count(*) filter (where x.verdict = 'good') desc, max(o.number) desc limit ${MOST_LINES}`,
    [processes, exceptLineId],
  );
}
