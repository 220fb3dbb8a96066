// SQL by hand: what each machine did stands in events and in the routes' stored documents; through models every event of
// the floor would come through the one thread that answers.
import type { Database } from '../../db/connection.ts';

/** Further back nothing is counted, days: tasks come round within that. */
const BACK_DAYS = 180;

/** A step that was done on a machine; instants as the database writes them. */
export interface WorkedStep {
  machineId: string;
  role: string;
  /** The cover sheet it was under; `null` for none. */
  sheetId: string | null;
  /** By its route's own reckoning, s: for the step, and more for each part in it. */
  onceS: number;
  eachS: number;
  /** Closings of a press in it. */
  closings: number;
  /** Its name: what was in it is in that. */
  step: string;
  at: string;
}

/** A piece that was judged, and a machine it was made on; once for each telling step there. */
export interface MadePiece {
  /** Names it. */
  piece: string;
  machineId: string;
  at: string;
  isSpoiled: boolean;
  role: string;
  /** Of a print: what was missed before it; `null` where nothing was noted. */
  missed: string[] | null;
}

const OPERATION = `select o as operation from jsonb_array_elements(v.document -> 'operations') o where o ->> 'id' = split_part(own.step, '/', 1) limit 1`;

const WORKED = `
  select o ->> 'machineId' as "machineId", o ->> 'role' as role, o ->> 'sheetId' as "sheetId", (o ->> 'closings')::int as closings,
    (o ->> 'onceS')::float as "onceS", (o ->> 'eachS')::float as "eachS", own.step, own.at
  from (
    select e.run_id, e.step, e.at, split_part(split_part(e.step, '/', 2), '.', 1) as line
    from run_event e
    where e.kind = 'step-completed' and e.step is not null and e.at >= now() - make_interval(days => $1)
      and e.id::text not in (select u.payload ->> 'eventId' from run_event u where u.kind = 'undone' and u.payload ->> 'eventId' is not null)) own
  join run_line l on l.run_id = own.run_id and l.key = own.line
  join route_version v on v.id = l.route_version_id
  cross join lateral (${OPERATION}) found
  cross join lateral (select jsonb_build_object(
    'machineId', found.operation -> 'modes' -> 0 -> 'machine' -> 'id', 'role', found.operation -> 'role',
    'sheetId', found.operation -> 'sheet' -> 'id',
    'onceS', (select sum((p ->> 'onceS')::float) from jsonb_array_elements(found.operation -> 'modes' -> 0 -> 'phases') p),
    'eachS', (select sum((p ->> 'eachS')::float) from jsonb_array_elements(found.operation -> 'modes' -> 0 -> 'phases') p),
    'closings', jsonb_array_length(jsonb_path_query_array(found.operation, '$.modes[0].phases[*] ? (@.heat.press.over == "platen")'))) as o) told
  where found.operation -> 'modes' -> 0 -> 'machine' ->> 'id' is not null
  order by own.at`;

const MADE = `
  select own.run_id || ' ' || own.piece as piece, found.operation -> 'modes' -> 0 -> 'machine' ->> 'id' as "machineId", own.at, own.verdict <> 'good' as "isSpoiled",
    own.role, own.missed
  from (
    select x.run_id, x.piece, x.at, x.verdict, m ->> 'step' as step, m ->> 'role' as role, m -> 'missed' as missed,
      split_part(split_part(m ->> 'step', '/', 2), '.', 1) as line
    from outcome x cross join lateral jsonb_array_elements(x.made) m
    where x.at >= now() - make_interval(days => $1)) own
  join run_line l on l.run_id = own.run_id and l.key = own.line
  join route_version v on v.id = l.route_version_id
  cross join lateral (${OPERATION}) found
  where found.operation -> 'modes' -> 0 -> 'machine' ->> 'id' is not null`;

/** Steps done on machines lately, oldest first; what was taken back is none. */
export const readWorked = (db: Database): Promise<WorkedStep[]> =>
  db.readMany<WorkedStep>(WORKED, [BACK_DAYS]);

/** Pieces judged lately, once for each telling step they went through on a machine. */
export const readMade = (db: Database): Promise<MadePiece[]> => db.readMany<MadePiece>(MADE, [BACK_DAYS]);
