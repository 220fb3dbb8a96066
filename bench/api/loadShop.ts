// SQL by hand: a shop of a hundred thousand orders is made by the database itself, set by set, out of what the demo holds.
import pg from 'pg';

export const ORDERS = 100_000;
export const RUNS = 20_000;
const CUSTOMERS = 4000;
const PIECES = 5;

/** Fills a demo database up: years of orders, most of them done, a few hundred open, a hundred thousand judged pieces. */
export async function loadShop(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  // the load tells nobody and checks nothing row by row; what it makes is whole all the same
  await client.query(`set session_replication_role = replica`);
  for (const step of STEPS) await client.query(step);
  await client.query(`set session_replication_role = default`);
  await client.query(`vacuum analyze`);
  await client.end();
}

const WORDS = (list: string, seed: string): string =>
  `(string_to_array('${list}', ' '))[1 + (${seed}) % array_length(string_to_array('${list}', ' '), 1)]`;
const FIRST =
  'Gull Heron Lantern Harbour Bittern Avocet Curlew Dunlin Fulmar Gannet Kestrel Lapwing Merlin Osprey Plover Redshank Sanderling Teal Whimbrel Widgeon';
const SECOND =
  'Rowing Choir Press Sailing Cafe Books Anglers Academy Runners Bakers Cyclists Climbers Players Works Union Guild';

const STEPS = [
  `create temp table who as select i, gen_random_uuid() as id,
     ${WORDS(FIRST, 'i')} || ' ' || ${WORDS(SECOND, 'i / 20')} || ' ' || i as name from generate_series(1, ${CUSTOMERS}) i`,
  `insert into customer (id, name, created_at) select id, name, now() - interval '4 years' from who`,
  // garments of the demo in their colours, one route version of each process, the demo's art
  `create temp table garb as select row_number() over () - 1 as i, count(*) over () as n, c.id as colour_id, c.name || ' ' || s.name as garment
     from garment_colour c join garment_style s on s.id = c.style_id where s.kind in ('tee', 'hoodie', 'tote', 'bib')`,
  `create temp table way as select row_number() over () - 1 as i, count(*) over () as n, v.*, t.artwork_id, t.placement, t.drop_mm, t.width_mm
     from route_version v join order_line l on l.id = v.line_id join line_print t on t.line_id = l.id
     where v.input is not null and l.state in ('done', 'ready') and v.processes in ('dtf', 'dtg')`,
  `create temp table made as select i, gen_random_uuid() as order_id, gen_random_uuid() as line_id, 1000 + i as number,
     (select id from who w where w.i = 1 + (s.i * 7919) % ${CUSTOMERS}) as customer_id,
     case when i > ${ORDERS - 300} then 'ready' when i > ${ORDERS - 400} then 'needs-art' when i % 50 = 7 then 'cancelled' else 'done' end as state,
     now() - (${ORDERS} - i) * interval '18 minutes' as came
   from generate_series(1, ${ORDERS}) s(i)`,
  `create index on made (i)`,
  `insert into customer_order (id, number, customer_id, due_at, note, state, version, created_at, cancelled_at, code, customer_key, lines_given, pieces,
       processes, garments, search_text, spark)
     select m.order_id, m.number, m.customer_id, date_trunc('milliseconds', m.came + interval '9 days'), case when m.i % 9 = 0 then 'fold in three' else '' end, m.state, 1,
       date_trunc('milliseconds', m.came), case when m.state = 'cancelled' then m.came end, 'K-' || m.number, lower(w.name), 1, ${PIECES}, array[v.processes],
       array[g.garment], lower(concat_ws(' ', '', 'K-' || m.number, w.name, case when m.i % 9 = 0 then 'fold in three' end, 'K-' || m.number, g.garment)),
       (select spark from customer_order where spark is not null limit 1)
     from made m join who w on w.id = m.customer_id join garb g on g.i = m.i % g.n join way v on v.i = m.i % v.n`,
  `insert into order_line (id, order_id, position, colour_id, state, house, code, generation, route_number, prints_given)
     select m.line_id, m.order_id, 1, g.colour_id, case m.state when 'cancelled' then 'ready' else m.state end, '{}', 'K-' || m.number, 1,
       case when m.state <> 'needs-art' then 1 end, 1
     from made m join garb g on g.i = m.i % g.n`,
  `insert into line_print (line_id, id, position, artwork_id, placement, drop_mm, width_mm, process, grades)
     select m.line_id, '1', 1, case when m.state = 'needs-art' then null else v.artwork_id end, v.placement, v.drop_mm, v.width_mm, v.processes, '[]'
     from made m join way v on v.i = m.i % v.n`,
  `insert into order_line_size (line_id, size, quantity) select line_id, 'M', 3 from made union all select line_id, 'L', ${PIECES - 3} from made`,
  `insert into route_version (id, line_id, number, document, cost, overrides, sources, pieces, created_at, generation, format, processes, input, facts_sha256)
     select gen_random_uuid(), m.line_id, 1, v.document, v.cost, '[]', '[]', ${PIECES}, m.came, 1, v.format, v.processes, v.input, v.facts_sha256
     from made m join way v on v.i = m.i % v.n where m.state <> 'needs-art'`,
  `create temp table ran as select row_number() over (order by m.i) as i, gen_random_uuid() as run_id, m.line_id, m.came + interval '2 days' as began, m.number,
       m.customer_id, m.i as made_i, v.id as version_id, v.processes
     from made m join route_version v on v.line_id = m.line_id where m.state = 'done' order by m.i desc limit ${RUNS}`,
  `insert into run (id, started_by, created_at, finished_at, event_count)
     select run_id, 'Ines', date_trunc('milliseconds', began), date_trunc('milliseconds', began + interval '3 hours'), 20 from ran`,
  `insert into run_line (run_id, key, line_id, route_version_id, processes, pieces, finished_at)
     select run_id, '1', line_id, version_id, processes, ${PIECES}, date_trunc('milliseconds', began + interval '3 hours') from ran`,
  `insert into outcome (run_id, line_id, piece, verdict, faults, note, by_name, at, plate_c, dwell_s, actual_dwell_s, processes, search_text)
     select r.run_id, r.line_id, p, x.verdict, case x.verdict when 'good' then '{}'::text[] when 'scrap' then array['banding'] else array['dull-white'] end,
       null, x.who, date_trunc('milliseconds', r.began + p * interval '9 minutes'), 157, 15, 15.4, r.processes,
       lower(concat_ws(' ', '', 'K-' || r.number, w.name, g.garment, x.who))
     from ran r join who w on w.id = r.customer_id join garb g on g.i = r.made_i % g.n cross join generate_series(1, ${PIECES}) p
     cross join lateral (select case when p = 1 and r.i % 11 = 0 then 'reprint' when p = 2 and r.i % 17 = 0 then 'scrap' else 'good' end as verdict,
       (array['Ines', 'Tomasz', 'Wanjiru'])[1 + r.i % 3] as who) x`,
  `delete from outcome_tally`,
  `insert into outcome_tally (processes, verdict, pieces) select processes, verdict, count(*) from outcome group by processes, verdict`,
  `insert into run_event (id, run_id, client_id, client_seq, kind, step, at, device_at, server_at, by_name, payload, place)
     select gen_random_uuid(), r.run_id, gen_random_uuid(), e, 'step-completed', '1/press-transfer/' || e, r.began + e * interval '5 minutes', r.began, r.began, 'Ines', '{}', e
     from ran r cross join generate_series(1, 20) e`,
  `select setval('order_number', ${1000 + ORDERS})`,
];
