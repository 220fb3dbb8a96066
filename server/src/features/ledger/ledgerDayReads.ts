// SQL by hand: tens of thousands of pieces summed up by day in the database, by the index they are listed by; ink is read
// once a route version, out of its stored document.
import { DomainError } from '@saltflat/contract';
import type { LedgerDays, LedgerDaysQuery } from '@saltflat/contract';
import { isZone } from '@saltflat/core/units';
import type { Database } from '../../db/connection.ts';

const DAYS = 30;

interface DayRow {
  day: string;
  good: number;
  reprint: number;
  scrap: number;
  inks: LedgerDays['days'][number]['inks'];
}

/**
 * What came out day by day of somebody's own calendar, oldest first; days on which nothing was judged are left out.
 *
 * @param nowMs the last day is that of this instant
 * @throws DomainError for a time zone that is none
 */
export async function readLedgerDays(
  db: Database,
  { zone, days = DAYS }: LedgerDaysQuery,
  nowMs: number,
): Promise<LedgerDays> {
  if (!isZone(zone)) {
    const message = `Time zone: “${zone}” is none that this server knows: send one as Europe/Lisbon.`;
    throw new DomainError('invalid-input', message, { fields: [{ path: '/zone', message }] });
  }
  const rows = await db.readMany<DayRow>(SQL, [zone, days, new Date(nowMs).toISOString()]);
  return { days: rows };
}

const SQL = `
  with own as materialized (
    select (x.at at time zone $1)::date as day, r.route_version_id as version, x.verdict, count(*)::int as pieces
    from outcome x join run_line r on r.run_id = x.run_id and r.line_id = x.line_id
    where x.at >= ((($3::timestamptz at time zone $1)::date - ($2::integer - 1))::timestamp at time zone $1)
    group by 1, 2, 3),
  version as materialized (
    select v.id, c ->> 'what' as what, sum((c ->> 'amount')::float) as ml
    from route_version v cross join lateral jsonb_path_query(v.document, '$.operations[*].consumes[*] ? (@.kind == "volume")') c
    where v.id in (select version from own) and c ->> 'what' ~ ', (colour|white)$'
    group by 1, 2),
  ink as (
    select day, what, sum(ml * pieces) as ml from own join version on version.id = own.version group by 1, 2)
  select to_char(day, 'YYYY-MM-DD') as day,
    coalesce(sum(pieces) filter (where verdict = 'good'), 0)::int as good,
    coalesce(sum(pieces) filter (where verdict = 'reprint'), 0)::int as reprint,
    coalesce(sum(pieces) filter (where verdict = 'scrap'), 0)::int as scrap,
    coalesce((select json_agg(json_build_object('what', what, 'ml', ml) order by what) from ink where ink.day = own.day), '[]') as inks
  from own group by day order by day`;
