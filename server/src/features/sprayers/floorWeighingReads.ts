// SQL by hand: readings stand in the floor's events, what was to be set in the routes' stored documents.
import type { Database } from '../../db/connection.ts';

/** Both weighings of a garment on the floor, with the operation its route planned; instants as the database writes them. */
export interface FloorReading {
  runId: string;
  step: string;
  code: string;
  by: string;
  beforeG: number;
  afterG: number;
  beforeAt: string;
  afterAt: string;
  operation: unknown;
}

const MOST = 500;

const SQL = `
  with reading as (
    select distinct on (e.run_id, e.step, what) e.run_id, e.step, e.payload -> 'reading' ->> 'what' as what,
      (e.payload -> 'reading' ->> 'massG')::float as g, e.at, e.by_name
    from run_event e
    where e.kind = 'reading-taken' and e.id::text not in (
      select u.payload ->> 'eventId' from run_event u where u.kind = 'undone' and u.payload ->> 'eventId' is not null)
    order by e.run_id, e.step, what, e.at desc)
  select b.run_id as "runId", b.step, l.code, a.by_name as by, b.g as "beforeG", a.g as "afterG", b.at as "beforeAt", a.at as "afterAt",
    found.operation
  from reading b join reading a on a.run_id = b.run_id and a.step = b.step and a.what = 'after'
  join run_line w on w.run_id = b.run_id and w.key = split_part(split_part(b.step, '/', 2), '.', 1)
  join order_line l on l.id = w.line_id
  join route_version v on v.id = w.route_version_id
  cross join lateral (
    select o as operation from jsonb_array_elements(v.document -> 'operations') o
    where o ->> 'id' = split_part(b.step, '/', 1) and o ->> 'role' = 'spray' and o -> 'modes' -> 0 -> 'machine' ->> 'id' = $1
    limit 1) found
  where b.what = 'before'
  order by a.at desc limit ${MOST}`;

/** Garments weighed in on the floor after one sprayer, newest first. */
export const readFloorWeighings = (db: Database, machineId: string): Promise<FloorReading[]> =>
  db.readMany<FloorReading>(SQL, [machineId]);
