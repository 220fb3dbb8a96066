import { execFileSync, spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { Askers } from './askers.ts';
import { ORDERS, RUNS, loadShop } from './loadShop.ts';

/** What the scripts give: a throwaway cluster and the built server. */
interface Given {
  cluster: { url: string; bin: string };
  /** What Node.js is given to run it. */
  server: string[];
}

const CLIENTS = 8;
const ASKED = 400;
const WARMING = 100;
const BUDGET_MS = 50;
const APPEND_BUDGET_MS = 15;
const APPEND_BYTES = 4096;
const MEMORY_BUDGET_MB = 300;

const say = (line: object): void => void process.stdout.write(`${JSON.stringify(line)}\n`);
const tenth = (value: number): number => Math.round(10 * value) / 10;
const at = (sorted: readonly number[], share: number): number =>
  tenth(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0);

/** Reads and writes of a shop with a hundred thousand orders, by eight clients at once. */
export async function benchApi({ cluster, server }: Given): Promise<void> {
  const databaseUrl = makeDatabase(cluster);
  const seeded = await startServer(server, databaseUrl);
  await stopServer(seeded.child);
  const from = performance.now();
  await loadShop(databaseUrl);
  say({ name: 'load', orders: ORDERS, runs: RUNS, seconds: Math.round((performance.now() - from) / 1000) });
  const { child, url } = await startServer(server, databaseUrl);
  const askers = new Askers(url, CLIENTS);
  try {
    const cases = Object.entries(await readCases(databaseUrl, askers));
    for (const [, paths] of cases) if (paths.length < ASKED) await askers.times(paths, WARMING); // caches fill and code is compiled, as in any shop by nine
    for (const [name, paths] of cases) {
      const { sorted, bytes } = await askers.times(paths, ASKED);
      say({
        name,
        clients: CLIENTS,
        p50: at(sorted, 0.5),
        p95: at(sorted, 0.95),
        p99: at(sorted, 0.99),
        budgetP95: BUDGET_MS,
        bytes,
      });
    }
    await benchAppend(databaseUrl, askers);
    for (const path of ['/orders.csv', '/ledger.csv', '/ledger.json']) {
      const before = memoryMb(child);
      const { bytes, ms } = await askers.drain(path);
      say({
        name: `export ${path}`,
        seconds: tenth(ms / 1000),
        mb: tenth(bytes / 1e6),
        grewMb: memoryMb(child) - before,
      });
    }
    say({ name: 'memory of the server at its highest', mb: peakMb(child), budgetMb: MEMORY_BUDGET_MB });
  } finally {
    askers.stop();
    await stopServer(child);
  }
}

/** Searches and filters that need no row of this database. */
const SEARCHES = {
  'orders, search that finds thousands': [
    '/orders?search=navy',
    '/orders?search=harbour%20tee',
    '/orders?search=choir',
  ],
  'orders, search of two words': [
    '/orders?search=heron%20navy',
    '/orders?search=gull%20hoodie',
    '/orders?search=teal%20press',
  ],
  'orders, search of one letter and two': ['/orders?search=t', '/orders?search=he', '/orders?search=zz'],
  'orders, search that finds nothing': ['/orders?search=nothing%20of%20the%20kind', '/orders?search=qqq'],
  'ledger, by verdict and process': [
    '/ledger?verdict=scrap',
    '/ledger?process=dtg',
    '/ledger?verdict=reprint&process=dtf',
  ],
  'ledger, by fault': ['/ledger?fault=banding', '/ledger?fault=dull-white', '/ledger?fault=scorch'],
  'ledger, search': [
    '/ledger?search=choir',
    '/ledger?search=ines',
    '/ledger?search=K-9500',
    '/ledger?search=qqq',
  ],
};

/** Searches of two and three words that nobody asked before: each once. */
const NEW_SEARCHES = [
  'teal', 'navy', 'signal', 'brick', 'chalk', 'sand', 'rust', 'plum', 'moss', 'slate',
].flatMap((colour) =>
  ['heron', 'gull', 'choir', 'café', 'kite', 'harbour', 'rowing', 'bakery', 'school', 'club'].flatMap((who) =>
    ['tee', 'hoodie', 'cap', 'tote', 'polo'].map(
      (what) => `/orders?search=${encodeURIComponent(`${who} ${colour} ${what}`)}`,
    ),
  ),
); // prettier-ignore

/** What is read, each with a handful of addresses so that no single row is measured. */
async function readCases(databaseUrl: string, askers: Askers): Promise<Record<string, string[]>> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const column = async (text: string): Promise<string[]> =>
    (await client.query<{ own: string }>(text)).rows.map(({ own }) => own);
  const orders = await column(
    `select id as own from customer_order where number > 1000 order by random() limit 50`,
  );
  const lines = await column(
    `select id as own from order_line where route_number is not null order by random() limit 50`,
  );
  const numbers = await column(
    `select number as own from customer_order where number > 1000 order by random() limit 50`,
  );
  const runs = await column(`select id as own from run order by random() limit 50`);
  const open = await column(`select id as own from run where finished_at is null limit 5`);
  const deepDue = await client.query<{ due_at: Date; id: string }>(
    `select due_at, id from customer_order order by due_at, id offset 70000 limit 1`,
  );
  const deepOut = await client.query<{ at: Date; run_id: string; piece: number }>(
    `select at, run_id, piece from outcome order by at desc, run_id, piece offset 90000 limit 1`,
  );
  await client.end();
  const cursor = (values: unknown[]): string => Buffer.from(JSON.stringify(values)).toString('base64url');
  const due = deepDue.rows[0];
  const out = deepOut.rows[0];
  await askers.ask('/catalogue');
  return {
    'orders, open': ['/orders?state=open'],
    'orders, all by customer': ['/orders?sort=customer', '/orders?sort=customer&direction=desc'],
    'orders, done': ['/orders?state=done', '/orders?state=done&sort=code&direction=desc'],
    'orders, deep page': [`/orders?cursor=${cursor([due?.due_at.toISOString(), due?.id])}`],
    ...SEARCHES,
    'orders, search for a code': numbers.map((own) => `/orders?search=K-${own}`),
    'orders, searches asked once each': NEW_SEARCHES,
    order: orders.map((id) => `/orders/${id}`),
    'line with its ticket': lines.map((id) => `/lines/${id}`),
    'route of a line': lines.map((id) => `/lines/${id}/route`),
    'quotes of an order': orders.map((id) => `/orders/${id}/quotes`),
    'customers by their beginning': ['/customers?search=her', '/customers?search=t', '/customers?search='],
    ledger: ['/ledger'],
    'ledger, deep page': [`/ledger?cursor=${cursor([out?.at.toISOString(), out?.run_id, out?.piece])}`],
    catalogue: ['/catalogue'],
    'floor: runs on it': ['/runs?state=active'],
    'floor: lines that can start': ['/open-lines?state=ready'],
    'floor: a run whole': [...open, ...runs.slice(0, 20)].map((id) => `/runs/${id}`),
    'floor: what is new of a run': runs.map((id) => `/runs/${id}/events?after=18`),
  };
}

/** Events of a run that has fifteen hundred already, one after another as a device sends them. */
async function benchAppend(databaseUrl: string, askers: Askers): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query<{ id: string; created_at: Date }>(
    `select id, created_at from run where finished_at is null limit 1`,
  );
  await client.end();
  const id = rows[0]?.id ?? '';
  const clientId = randomUUID();
  let clientSeq = 0;
  const event = (): object => {
    clientSeq++;
    const now = new Date().toISOString();
    const isEven = clientSeq % 2 === 0;
    const payload = isEven ? {} : { problem: 'a made-up jam' };
    return {
      id: randomUUID(),
      clientId,
      clientSeq,
      kind: isEven ? 'problem-cleared' : 'problem-raised',
      step: null,
      at: now,
      deviceAt: now,
      by: 'Ines',
      payload,
    };
  };
  for (let i = 0; i < 15; i++)
    await askers.ask(`/runs/${id}/events`, { events: Array.from({ length: 100 }, event) });
  const times: number[] = [];
  let bytes = 0;
  for (let i = 0; i < 100; i++) {
    const answer = await askers.ask(`/runs/${id}/events`, { events: [event()] });
    if (answer.status !== 200) throw new Error(answer.body.toString());
    times.push(answer.ms);
    bytes = Math.max(bytes, answer.bytes);
  }
  times.sort((p, q) => p - q);
  say({
    name: 'an event more, at 1500 events',
    p50: at(times, 0.5),
    p95: at(times, 0.95),
    budgetP95: APPEND_BUDGET_MS,
    bytes,
    budgetBytes: APPEND_BYTES,
  });
}

function makeDatabase({ url, bin }: Given['cluster']): string {
  const name = `bench_${randomUUID().replaceAll('-', '')}`;
  execFileSync(join(bin, 'psql'), ['-X', '-q', '-d', url, '-c', `create database ${name}`]);
  return url.replace(/\/[^/]*$/, `/${name}`);
}

function startServer(args: string[], databaseUrl: string): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, args, {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      SALTFLAT_PORT: '0',
      LOG_LEVEL: 'warn',
    },
  });
  return new Promise((resolve, reject) => {
    child.on('message', ({ port, problem }: { port?: number; problem?: string }) =>
      port === undefined ? reject(new Error(problem)) : resolve({ child, url: `http://127.0.0.1:${port}` }),
    );
    child.on('exit', (code) => reject(new Error(`the server stopped with ${String(code)}`)));
  });
}

const stopServer = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.on('exit', () => resolve());
    child.kill('SIGTERM');
  });

const statusOf = ({ pid }: ChildProcess, key: string): number =>
  Math.round(
    Number(new RegExp(`${key}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid ?? 0}/status`, 'utf8'))?.[1] ?? 0) /
      1024,
  );
const memoryMb = (child: ChildProcess): number => statusOf(child, 'VmRSS');
const peakMb = (child: ChildProcess): number => statusOf(child, 'VmHWM');
