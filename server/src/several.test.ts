import { spawn } from 'node:child_process';
import type { Catalogue, LiveMessage, Order, OrderPage, Run, RunReceipt } from '@saltflat/contract';
import { DEMO_BLANKS } from '@saltflat/demo';
import { expect } from 'chai';
import pg from 'pg';
import { MIGRATIONS } from './db/migrator.ts';
import { FEW_ORDERS, PROGRAM, kill, startProgram } from './testing/program.ts';
import type { Program } from './testing/program.ts';
import { createDatabase, discPng, doneEvents, until } from './testing/testServer.ts';

describe('several processes on one database', function () {
  this.timeout(300_000);
  let databaseUrl: string;
  const programs: Program[] = [];
  const start = async (role: 'server' | 'worker' | 'all'): Promise<Program> => {
    const program = await startProgram(databaseUrl, role);
    programs.push(program);
    return program;
  };
  before(async () => {
    databaseUrl = await createDatabase();
  });
  after(() => Promise.all(programs.map(({ child }) => kill(child, 'SIGTERM'))));

  const get = async <T>(base: string, path: string): Promise<T> => {
    const answer: unknown = await (await fetch(`${base}${path}`)).json();
    return answer as T;
  };
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- says what the answer is taken for
  const post = async <T>(base: string, path: string, body: unknown): Promise<{ status: number; body: T }> => {
    const headers = {
      'content-type': Buffer.isBuffer(body) ? 'application/octet-stream' : 'application/json',
    };
    const answer = await fetch(`${base}${path}`, {
      method: 'POST',
      headers,
      body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body),
    });
    return { status: answer.status, body: (await answer.json()) as T };
  };
  const takeIn = async (base: string, artworkId: string): Promise<Order> => {
    const { styles } = await get<Catalogue>(base, '/catalogue');
    const style = styles.find(({ name }) => name === 'Harbour tee')!;
    const line = {
      styleId: style.id,
      colourId: style.colours[0]!.id,
      prints: [{ artworkId, placement: 'full-front', dropMm: 75, widthMm: 180, process: 'dtf' }],
      sizes: [{ size: 'M', quantity: 2 }],
    };
    const input = { customer: 'Two Piers', dueAt: '2031-02-03T15:00:00.000Z', note: '', lines: [line] };
    const { status, body } = await post<Order>(base, '/orders', input);
    expect(status).to.equal(201);
    return body;
  };
  const ready = (base: string, id: string): Promise<Order> =>
    until(async () => {
      const order = await get<Order>(base, `/orders/${id}`);
      return order.state === 'ready' ? order : null;
    });
  /** What the live stream of a server says, until it is left. */
  function hear(base: string): { heard: LiveMessage[]; leave: () => void } {
    const heard: LiveMessage[] = [];
    const leaving = new AbortController();
    void (async () => {
      const { body } = await fetch(`${base}/live`, { signal: leaving.signal });
      const decoder = new TextDecoder();
      for await (const chunk of body!)
        for (const text of decoder
          .decode(chunk as Uint8Array)
          .split('\n')
          .filter((own) => own.startsWith('data: ')))
          heard.push(JSON.parse(text.slice(6)) as LiveMessage);
    })().catch(() => undefined);
    return { heard, leave: () => leaving.abort() };
  }

  it('start at once on an empty one, share the work, and lose and double nothing when one is killed', async () => {
    const [one, two, worker] = await Promise.all([start('server'), start('server'), start('worker')]);

    // the demo is there once, whoever came first
    const { styles } = await get<Catalogue>(two.url, '/catalogue');
    expect(styles).to.have.lengthOf(DEMO_BLANKS.length);
    const { items } = await get<OrderPage>(one.url, '/orders?limit=200');
    expect(items).to.have.lengthOf(FEW_ORDERS);
    expect(new Set(items.map(({ code }) => code)).size).to.equal(FEW_ORDERS);

    // taken in on one, planned by the worker, seen live on the other
    const { heard, leave } = hear(two.url);
    await until(() => Promise.resolve(heard.length > 0 ? true : null));
    const art = await post<{ id: string }>(one.url, '/artworks?name=disc.png', await discPng());
    const order = await takeIn(one.url, art.body.id);
    await until(() =>
      Promise.resolve(
        heard.some((own) => own.kind === 'changed' && own.noun === 'order' && own.id === order.id)
          ? true
          : null,
      ),
    );
    const lineId = (await ready(two.url, order.id)).lines[0]!.id;

    // started on one, worked on from both: every event once, in one order
    const run = (await post<Run>(one.url, '/runs', { lineIds: [lineId], by: 'Ada' })).body;
    const events = doneEvents(run, 0);
    const answers = await Promise.all(
      events.flatMap((own) =>
        [one, two].map(({ url }) => post<RunReceipt>(url, `/runs/${run.id}/events`, { events: [own] })),
      ),
    );
    expect(answers.map(({ status }) => status)).to.deep.equal(answers.map(() => 200));
    expect((await get<Run>(two.url, `/runs/${run.id}`)).events).to.have.lengthOf(events.length);

    // one server and the worker are killed while orders come in: what was acknowledged is there, once, and gets planned
    const coming = Array.from({ length: 12 }, async (_own, i) => {
      const { url } = i % 2 === 0 ? one : two;
      return takeIn(url, art.body.id).catch(() => null); // not acknowledged: may be there or not
    });
    await Promise.all([kill(worker.child, 'SIGKILL'), coming[0], coming[1]]);
    await kill(one.child, 'SIGKILL');
    const acknowledged = (await Promise.all(coming)).filter((own) => own !== null);
    expect(acknowledged.length).to.be.at.least(6);
    const again = await start('worker');
    for (const { id } of acknowledged) await ready(two.url, id);
    const page = await get<OrderPage>(two.url, '/orders?limit=200&search=two%20piers');
    expect(new Set(page.items.map(({ code }) => code)).size).to.equal(page.items.length);
    expect(page.items.length).to.be.within(acknowledged.length + 1, 13);
    const client = new pg.Client({ connectionString: databaseUrl });
    await client.connect();
    const twice = await client.query(
      `select line_id, number from route_version group by line_id, number having count(*) > 1
       union all select line_id, generation from route_version group by line_id, generation having count(*) > 1`,
    );
    await client.end();
    expect(twice.rows, 'no version was made twice').to.deep.equal([]);
    leave();
    expect(again.child.exitCode).to.equal(null);
  });

  it('begins a demo anew that was broken off, and fills nobody’s own shop', async () => {
    databaseUrl = await createDatabase();
    const first = startProgram(databaseUrl, 'all');
    first.catch(() => undefined);
    const client = new pg.Client({ connectionString: databaseUrl });
    await client.connect();
    await until(async () => {
      const { rows } = await client
        .query<{ count: number }>(`select count(*)::int as count from customer_order`)
        .catch(() => ({ rows: [] }));
      return (rows[0]?.count ?? 0) > 3 ? true : null;
    });
    const { rows } = await client.query<{ pid: number }>(
      `select pg_terminate_backend(pid), pid from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
    );
    expect(rows.length).to.be.above(0);
    await first.then(
      ({ child }) => kill(child, 'SIGKILL'),
      () => undefined,
    );
    const second = await start('all');
    const { items } = await get<OrderPage>(second.url, '/orders?limit=200');
    expect(items.map(({ code }) => code).sort()).to.deep.equal(
      Array.from({ length: FEW_ORDERS }, (_own, i) => `K-${201 + i}`),
    );
    expect((await get<Catalogue>(second.url, '/catalogue')).styles).to.have.lengthOf(DEMO_BLANKS.length);
    await client.end();
  });

  it('has one that only brings a database up to date, without a made-up shop, and ends', async () => {
    const empty = await createDatabase();
    const child = spawn(process.execPath, PROGRAM, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DATABASE_URL: empty, SALTFLAT_ROLE: 'migrator', LOG_LEVEL: 'silent' },
    });
    expect(await new Promise((resolve) => child.on('exit', resolve))).to.equal(0);
    const client = new pg.Client({ connectionString: empty });
    await client.connect();
    const { rows } = await client.query<{ orders: number; done: number }>(
      'select (select count(*)::int from customer_order) as orders, (select count(*)::int from migration) as done',
    );
    await client.end();
    expect(rows).to.deep.equal([{ orders: 0, done: MIGRATIONS.length }]);
  });
});
