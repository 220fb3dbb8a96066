import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { parseBlank, parseMachine, parseMaterial, runPlanOf } from '@saltflat/contract';
import type {
  Catalogue,
  LedgerPage,
  Order,
  OrderPage,
  OrderQuotes,
  Problem,
  RouteVersion,
  Run,
  RunPage,
} from '@saltflat/contract';
import { countdownS, deriveRun } from '@saltflat/core/run';
import { expect } from 'chai';
import pg from 'pg';
import { pino } from 'pino';
import supertest from 'supertest';
import { buildServer } from './buildServer.ts';
import { createDatabase, until } from './testing/testServer.ts';

interface Before {
  orders: number;
  lines: { id: string; state: string; position: number }[];
  prints: object[];
  versions: string;
  events: string;
  outcomes: { run_id: string; piece: number; verdict: string; faults: string[]; note: string | null }[];
}

/** A shop as the former version's demo left it, with faults of that version in it as they were found. */
async function formerShop(): Promise<{ url: string; before: Before }> {
  const url = await createDatabase();
  const dump = gunzipSync(readFileSync(new URL('./testing/fixtures/former-shop.sql.gz', import.meta.url)));
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(dump.toString('utf8'));
  await client.query(`set search_path to public`);
  const rows = async <T extends object>(text: string): Promise<T[]> => (await client.query<T>(text)).rows;
  await spoil(rows);
  const before: Before = {
    orders: (await rows(`select id from customer_order`)).length,
    lines: await rows(`select id, state, position from order_line order by id`),
    prints: await rows(`select id as line_id, ${PRINT} from order_line order by id`),
    versions: JSON.stringify(
      await rows(`select id, document, cost, overrides, pieces from route_version order by id`),
    ),
    events: JSON.stringify(
      await rows(`select id, run_id, kind, step, at, payload from run_event order by id`),
    ),
    outcomes: await rows(`select run_id, piece, verdict, faults, note from outcome order by run_id, piece`),
  };
  await client.end();
  return { url, before };
}

/** What a line said of its one print. */
const PRINT = 'artwork_id, preparation_id, placement, drop_mm, width_mm, process, grades';

/** What was found wrong in shops of the former version. */
async function spoil(rows: <T extends object>(text: string) => Promise<T[]>): Promise<void> {
  const golden = JSON.parse(
    readFileSync(new URL('../../contract/src/formats/golden/route-2-dtf.json', import.meta.url), 'utf8'),
  ) as { route: object; cost: object };
  const [ready] = await rows<{ id: string; order_id: string }>(
    `select id, order_id from order_line where state = 'ready' and process = 'dtf' order by id limit 1`,
  );
  // two lines of one order under one code, a third taken off
  await rows(
    `insert into order_line select (jsonb_populate_record(l, jsonb_build_object('id', gen_random_uuid()))).* from order_line l where id = '${ready!.id}'`,
  );
  await rows(`insert into order_line select (jsonb_populate_record(l, jsonb_build_object('id', gen_random_uuid(), 'removed_at', now()))).*
    from order_line l where id = '${ready!.id}'`);
  await rows(`insert into order_line_size select l.id, 'M', 3 from order_line l where l.order_id = '${ready!.order_id}'
    and not exists (select 1 from order_line_size z where z.line_id = l.id)`);
  // a line left in planning for ever
  await rows(
    `update order_line set state = 'planning' where id = (select id from order_line where state = 'ready' and process = 'dtg' order by id limit 1)`,
  );
  // a line on the floor put back to ready by a change of rates, its route from before loads were known
  const [running] = await rows<{ id: string; route_version_id: string }>(
    `select l.id, r.route_version_id from order_line l join run r on r.line_id = l.id where r.finished_at is null`,
  );
  await rows(`update order_line set state = 'ready' where id = '${running!.id}'`);
  await rows(`alter table route_version disable trigger route_version_append_only`);
  await rows(`update route_version set document = '${JSON.stringify(golden.route).replaceAll("'", "''")}', cost = '${JSON.stringify(golden.cost)}'
    where id = '${running!.route_version_id}'`);
  await rows(`alter table route_version enable trigger route_version_append_only`);
  // a cancelled order with an active run
  await rows(`update customer_order set state = 'cancelled', cancelled_at = now()
    where id = (select order_id from order_line where id = '${running!.id}')`);
}

describe('a database of the former version', function () {
  let api: ReturnType<typeof supertest>;
  let stop: () => Promise<void>;
  let was: Before;
  let url: string;
  before(async () => {
    ({ url, before: was } = await formerShop());
    const server = await buildServer({
      databaseUrl: url,
      webFolder: null,
      log: pino({ level: 'silent' }),
      now: Date.now,
      isDemo: true,
    });
    ({ stop } = server);
    api = supertest(server.app);
    // an order may be further than one of its lines: the lines are what is waited for
    await until(async () => {
      const planning = await rows(
        `select id from order_line where removed_at is null and state = 'planning'`,
      );
      return planning.length > 0 ? null : true;
    });
    await server.services.sweep.sweep(60_000);
  });
  after(() => stop());
  const get = async <T>(path: string): Promise<T> => (await api.get(`/api/v1${path}`).expect(200)).body as T;
  const rows = async <T extends object>(text: string): Promise<T[]> => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    const found = await client.query<T>(text);
    await client.end();
    return found.rows;
  };

  it('keeps its orders, routes, runs and outcomes whole', async () => {
    const { items } = await get<OrderPage>('/orders?limit=200');
    expect(items).to.have.lengthOf(was.orders);
    const versions = await rows(
      `select id, document, cost, overrides, pieces from route_version where input is null order by id`,
    );
    expect(JSON.stringify(versions), 'a version is never rewritten').to.equal(was.versions);
    expect(
      JSON.stringify(await rows(`select id, run_id, kind, step, at, payload from run_event order by id`)),
    ).to.equal(was.events);
    expect(
      await rows(`select run_id, piece, verdict, faults, note from outcome order by run_id, piece`),
    ).to.deep.equal(was.outcomes);
    const { total, counts } = await get<LedgerPage>('/ledger?limit=500');
    expect(total).to.equal(was.outcomes.length);
    expect(counts.good).to.equal(was.outcomes.filter(({ verdict }) => verdict === 'good').length);
    const code = items[0]?.code ?? '';
    expect((await get<OrderPage>(`/orders?search=${code}`)).items.map((own) => own.code)).to.include(code);
    expect(
      items.every(({ spark, state }) => state === 'needs-art' || state === 'cancelled' || spark.length > 0),
    ).to.equal(true);
  });

  it('gives every line one code that no other has', async () => {
    const codes = await rows<{ code: string; id: string }>(`select code, id from order_line`);
    expect(new Set(codes.map(({ code }) => code)).size).to.equal(codes.length);
    for (const { code } of codes) expect(code).to.match(/^K-\d+(\/\d+)?$/);
  });

  it('has its lines where they belong: lost plans made, and what is on the floor on the floor', async () => {
    const { items: runs } = await get<RunPage>('/runs?state=active');
    expect(runs).to.have.lengthOf(1);
    const order = await get<Order>(`/orders/${runs[0]!.lines[0]!.orderId}`);
    expect([order.state, order.cancelledAt, order.lines[0]!.state]).to.deep.equal([
      'running',
      null,
      'running',
    ]);
    const states = await rows<{ state: string }>(`select state from order_line where removed_at is null`);
    expect(states.filter(({ state }) => state === 'planning')).to.deep.equal([]);
    expect(states.filter(({ state }) => state === 'ready').length).to.be.above(10);
  });

  it('gives every line the print it had, taken-off lines too', async () => {
    expect(await rows(`select line_id, ${PRINT} from line_print order by line_id`)).to.deep.equal(was.prints);
    const { items } = await get<OrderPage>('/orders?limit=200&state=ready');
    const order = await get<Order>(`/orders/${items[0]!.id}`);
    const [line] = order.lines;
    expect(line!.prints.map(({ id }) => id)).to.deep.equal(['1']);
    const { route } = await get<RouteVersion>(`/lines/${line!.id}/route`);
    expect(route.prints.map(({ id, process }) => [id, process])).to.deep.equal([
      ['1', line!.prints[0]!.process],
    ]);
  });

  it('lets the floor go on with a route from before loads were known', async () => {
    const [head] = (await get<RunPage>('/runs?state=active')).items;
    const run = await get<Run>(`/runs/${head!.id}`);
    const { steps, ignored } = deriveRun(runPlanOf(run), run.events);
    expect(ignored).to.deep.equal([]);
    expect(steps[0]?.operation).to.equal('print-film');
    expect(steps[0]?.parts).to.have.length(run.lines[0]!.pieces);
    for (const step of steps)
      expect(Number.isFinite(countdownS(run.lines[0]!.route.operations[step.index]!, step))).to.equal(true);
  });

  it('offers nothing at today’s prices for a route that kept none, and says so', async () => {
    const [head] = (await get<RunPage>('/runs?state=active')).items;
    const { body, status } = await api.get(`/api/v1/lines/${head!.lines[0]!.lineId}/quote`);
    expect([status, (body as Problem).detail]).to.deep.equal([
      409,
      `Version ${head!.lines[0]!.routeNumber} is from before prices were kept with a route: it has no quote.`,
    ]);
    const { draft } = await get<OrderQuotes>(`/orders/${head!.lines[0]!.orderId}/quotes`);
    expect(draft.unpriced.map(({ code }) => code)).to.include(head!.lines[0]!.code);
    const old = await api
      .get(`/api/v1/lines/${head!.lines[0]!.lineId}/picture?version=${head!.lines[0]!.routeNumber}`)
      .expect(200);
    expect(old.headers['cache-control'], 'drawn as near as can be told').to.equal('no-store');
  });

  it('plans its drafts once more with their input kept, each still at what it was', async () => {
    const [line] = await rows<{ id: string }>(
      `select l.id from order_line l where l.state = 'ready' and l.removed_at is null and exists
         (select 1 from route_version v where v.line_id = l.id and v.input is null) order by l.code limit 1`,
    );
    const versions = await get<RouteVersion[]>(`/lines/${line!.id}/routes`);
    expect(versions.map(({ isCurrent, hasInput }) => [isCurrent, hasInput])).to.deep.equal([
      [true, true],
      [false, false],
    ]);
    const doneTo = ({ route }: RouteVersion): string[] =>
      route.operations.filter(({ role }) => role !== 'set-up').map(({ id }) => id);
    expect(doneTo(versions[0]!), 'but for the printer, which is readied once since').to.deep.equal(
      doneTo(versions[1]!),
    );
    await get(`/lines/${line!.id}/quote`);
  });

  it('brings its set-up along, every record sound', async () => {
    const { materials, machines, styles } = await get<Catalogue>('/catalogue');
    for (const { id: _id, version: _version, learnt: _learnt, ...record } of materials) parseMaterial(record);
    for (const { id: _id, version: _version, ...record } of machines) parseMachine(record);
    for (const { id: _id, version: _version, ...record } of styles) parseBlank(record);
    expect([materials.length, machines.length, styles.length].every((count) => count > 5)).to.equal(true);
  });
});
