import { createRequire } from 'node:module';
import { pause } from './target.mjs';

const pg = createRequire(new URL('../../server/package.json', import.meta.url))('pg');
const DRAIN_MS = 60_000;

/** Holds what was acknowledged against what is stored, and what is stored against the rules. */
export async function checkShop(cluster, target, ledgers) {
  const { hostname, port, username, pathname } = new URL(cluster.url);
  const client = new pg.Client({
    host: hostname,
    port: Number(port),
    user: username,
    database: pathname.slice(1),
    password: cluster.env.PGPASSWORD,
  });
  await client.connect();
  const rows = async (sql, values = []) => (await client.query(sql, values)).rows;
  const lines = [];
  let count = 0;
  const report = (what, total, faults) => {
    count += faults.length;
    lines.push(
      `${faults.length === 0 ? 'ok' : 'FAULT'}  ${what}: ${total}${faults.length > 0 ? ` — ${faults.slice(0, 3).join('; ')}` : ''}`,
    );
  };
  const all = (name) => ledgers.flatMap((ledger) => ledger[name] ?? []);

  const began = Date.now();
  let waiting = 1;
  while (waiting > 0 && Date.now() - began < DRAIN_MS) {
    waiting = Number(
      (
        await rows(`select count(*) as count from order_line where state = 'planning' and removed_at is null`)
      )[0].count,
    );
    if (waiting > 0) await pause(200);
  }
  report(
    `queue drained in ${((Date.now() - began) / 1000).toFixed(1)} s, lines left waiting`,
    waiting,
    waiting > 0 ? [`${waiting} lines`] : [],
  );

  const orders = await rows(
    `select k.name as tag, o.id, o.note from customer_order o join customer k on k.id = o.customer_id where k.name like 'Torture %'`,
  );
  const byTag = group(orders);
  const asked = all('orders');
  report(
    'orders acknowledged and stored',
    asked.filter(({ id }) => id !== null).length,
    asked.flatMap(({ tag, id }) => {
      const stored = byTag.get(tag) ?? [];
      if (stored.length > 1) return [`${tag} is there ${stored.length} times`];
      return id !== null && stored[0]?.id !== id ? [`${tag} is lost`] : [];
    }),
  );
  const notes = new Map(orders.map(({ id, note }) => [id, note]));
  const lastEdits = new Map();
  for (const own of all('edits'))
    if (own.isDone || !own.isKnown)
      lastEdits.set(own.id, [...(own.isDone ? [] : (lastEdits.get(own.id) ?? [''])), own.note]);
  report(
    'orders whose last edit stands',
    lastEdits.size,
    [...lastEdits]
      .filter(([id, allowed]) => !allowed.includes(notes.get(id)))
      .map(([id]) => `${id} has another note`),
  );
  const there = async (table, ids) =>
    new Set((await rows(`select id from ${table} where id = any($1)`, [ids])).map(({ id }) => id));
  for (const [what, table, ids] of [
    ['runs', 'run', all('runs').map(({ id }) => id)],
    ['events', 'run_event', all('events').map(({ id }) => id)],
    ['pictures', 'artwork', all('pictures')],
  ]) {
    const stored = await there(table, ids);
    report(
      `${what} acknowledged and stored`,
      ids.length,
      ids.filter((id) => !stored.has(id)).map((id) => `${id} is lost`),
    );
  }
  const RULES = {
    'lines on the floor have one run, others none': `select l.code from order_line l left join run_line r on r.line_id = l.id and r.finished_at is null
       where l.removed_at is null group by l.id having (l.state = 'running') <> (count(r.run_id) = 1)`,
    'lines have a route where they are ready, running or done': `select code from order_line
       where state in ('ready', 'running', 'done') and route_number is null and removed_at is null`,
    'route versions are there once': `select line_id::text as code from route_version group by line_id, number having count(*) > 1`,
    'events have a place each, and runs count them': `select r.id::text as code from run r left join run_event e on e.run_id = r.id
       group by r.id having r.event_count <> count(e.id) or count(distinct e.place) <> count(e.id)`,
    'orders stand where their lines stand': `select o.code from customer_order o join order_line l on l.order_id = o.id and l.removed_at is null
       group by o.id having (o.state = 'running') <> (bool_or(l.state = 'running') or (bool_or(l.state = 'done') and not bool_and(l.state = 'done')))`,
    'changes have their keys: what was answered was written': `select key as code from request_key where status is not null and result is null`,
  };
  for (const [rule, sql] of Object.entries(RULES)) {
    const broken = await rows(sql);
    report(
      rule,
      broken.length === 0 ? 'all' : broken.length,
      broken.map(({ code }) => code),
    );
  }
  const faults = all('faults');
  report('faults of ours (500)', faults.length, faults);
  await client.end();
  return { lines, count };
}

function group(orders) {
  const groups = new Map();
  for (const order of orders) groups.set(order.tag, [...(groups.get(order.tag) ?? []), order]);
  return groups;
}
