import type {
  LedgerPage,
  Order,
  OrderLineInput,
  Problem,
  RouteVersion,
  Run,
  ShopChanged,
} from '@saltflat/contract';
import { expect } from 'chai';
import {
  doneEvents,
  event,
  followed,
  lineInput,
  planned,
  plannedOrder,
  sql,
  startTestServer,
  until,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('a line', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const get = <T>(path: string): Promise<T> => server.get(path);
  const order = (id: string): Promise<Order> => get(`/orders/${id}`);
  const asInput = ({ id, sizes, prints: [print] }: Order['lines'][number], widthMm: number): OrderLineInput =>
    lineInput(server, { id, artworkId: print!.artwork?.id ?? null, sizes, widthMm });
  const widen = (own: Order, widthMm: number) =>
    server.api.put(`/api/v1/orders/${own.id}`).send({
      customer: own.customer,
      dueAt: own.dueAt,
      note: own.note,
      version: own.version,
      lines: own.lines.map((line) => asInput(line, widthMm)),
    });
  const start = (lineId: string) => server.api.post('/api/v1/runs').send({ lineIds: [lineId], by: 'Ada' });
  const done = (run: Run): ReturnType<typeof doneEvents> =>
    Array.from({ length: run.lines[0]!.pieces + 1 }, (_, piece) => doneEvents(run, piece)).flat();
  const setRates = async (marginShare: number): Promise<ShopChanged> => {
    const { rates } = await get<{ rates: { version: number; document: object } }>('/catalogue');
    const record = { ...rates.document, marginShare };
    return (await server.api.put('/api/v1/shop/rates').send({ version: rates.version, record }).expect(200))
      .body as ShopChanged;
  };

  it('edited while it is being planned ends with the route of the last edit, and none before is shown as its route', async () => {
    const before = await plannedOrder(server);
    const first = await get<RouteVersion>(`/lines/${before.lines[0]!.id}/route`);
    // two edits right after each other: the plan of the first is under way or waits when the second comes
    await widen(before, 111).expect(200);
    const between = await order(before.id);
    expect(between.lines[0]).to.include({ state: 'planning', routeNumber: null });
    const none = await server.api.get(`/api/v1/lines/${before.lines[0]!.id}/route`);
    expect([none.status, (none.body as Problem).detail]).to.deep.equal([
      404,
      `${before.code} has no route yet: it is being planned.`,
    ]);
    expect((await start(before.lines[0]!.id)).status).to.equal(409);
    await widen(between, 137).expect(200);
    const after = await planned(server, before.id);
    const route = await get<RouteVersion>(`/lines/${after.lines[0]!.id}/route`);
    expect(route.number).to.be.above(first.number);
    expect(route.route.prints[0]!.placement.sizes[0]?.widthMm, 'the disc is 0.7 of its file').to.be.closeTo(
      0.7 * 137,
      1,
    );
    expect(after.lines[0]!.routeNumber).to.equal(route.number);
  });

  it('throws a plan away that was made for an older generation', async () => {
    const own = await plannedOrder(server);
    const [line] = own.lines;
    const ticket = { lineId: line!.id, generation: 1, attempt: 1, changeId: null };
    await widen(own, 142).expect(200);
    const isTaken = await server.db.transaction((tx) =>
      server.services.lineStates.planned(ticket, { routeNumber: 1, judged: [] }, tx),
    );
    expect(isTaken).to.equal(false);
    const after = await planned(server, own.id);
    const { route } = await get<RouteVersion>(`/lines/${line!.id}/route`);
    expect(after.state).to.equal('ready');
    expect(route.prints[0]!.placement.sizes[0]?.widthMm).to.be.closeTo(0.7 * 142, 1);
  });

  it('on the floor never falls back, whatever is changed in the shop while runs are started', async () => {
    const orders = await Promise.all(Array.from({ length: 6 }, () => plannedOrder(server)));
    const ids = orders.map(({ lines }) => lines[0]!.id);
    const [, ...starts] = await Promise.all([setRates(0.31), ...ids.map(async (id) => start(id))]);
    const change = await setRates(0.37);
    await followed(server, change);
    await until(async () => {
      const now = await Promise.all(orders.map(({ id }) => order(id)));
      return now.every(({ lines }) => lines[0]!.state !== 'planning') ? true : null;
    });
    for (const [i, { status }] of starts.entries()) {
      const { lines, state } = await order(orders[i]!.id);
      if (status === 201) {
        expect([lines[0]!.state, state], 'started').to.deep.equal(['running', 'running']);
        expect(lines[0]!.activeRunId).to.be.a('string');
      } else expect([status, lines[0]!.state], 'its plan was asked for first').to.deep.equal([409, 'ready']);
    }
  });

  it('whose planning job was lost is planned all the same', async () => {
    const own = await plannedOrder(server);
    const [line] = own.lines;
    await sql(
      server,
      `update order_line set state = 'planning', route_number = null, generation = generation + 1,
      plan_asked_at = now() - interval '2 minutes' where id = '${line!.id}'`,
    );
    await server.services.sweep.sweep(60_000);
    expect((await planned(server, own.id)).lines[0]!.state).to.equal('ready');
  });

  it('that cannot be planned by a fault of ours says so with an id, and waits for nobody for ever', async () => {
    const own = await plannedOrder(server);
    const [line] = own.lines;
    await sql(
      server,
      `update artwork_figures set figures = '{"broken": true}' where artwork_id = '${line!.prints[0]!.artwork!.id}'`,
    );
    await sql(
      server,
      `update order_line set state = 'planning', route_number = null, generation = generation + 1, plan_attempts = 5
      where id = '${line!.id}'`,
    );
    await server.services.background.plan(line!.id);
    const { lines } = await order(own.id);
    expect(lines[0]!.state).to.equal('failed');
    expect(lines[0]!.planProblem).to.match(/went wrong on our side.*[0-9a-f-]{36}/);
    await sql(server, `delete from artwork_figures where artwork_id = '${line!.prints[0]!.artwork!.id}'`);
  });

  it('that was made cannot be cancelled, and with a second line open its last verdict stays once the order is cancelled', async () => {
    const one = await plannedOrder(server);
    const run = (await start(one.lines[0]!.id)).body as Run;
    const events = done(run);
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    const made = await order(one.id);
    expect(made.state).to.equal('done');
    const refused = await server.api.post(`/api/v1/orders/${one.id}/cancel`).send({ version: made.version });
    expect([refused.status, (refused.body as Problem).detail]).to.deep.equal([
      409,
      `${one.code} is done: it was made, so there is nothing left to cancel.`,
    ]);
    const artworkId = one.lines[0]!.prints[0]!.artwork!.id;
    const two = await plannedOrder(server, {
      lines: [lineInput(server, { artworkId }), lineInput(server, { artworkId })],
    });
    const first = (await start(two.lines[0]!.id)).body as Run;
    const all = done(first);
    await server.api.post(`/api/v1/runs/${first.id}/events`).send({ events: all }).expect(200);
    const half = await order(two.id);
    await server.api.post(`/api/v1/orders/${two.id}/cancel`).send({ version: half.version }).expect(200);
    const undone = event('undone', null, { eventId: all.at(-1)!.id });
    const late = await server.api.post(`/api/v1/runs/${first.id}/events`).send({ events: [undone] });
    expect([late.status, (late.body as Problem).code]).to.deep.equal([409, 'not-now']);
    const { counts } = await get<LedgerPage>(`/ledger?search=${two.lines[0]!.code}`);
    expect(counts.good).to.equal(first.lines[0]!.pieces);
    const cancelled = await order(two.id);
    expect([cancelled.state, cancelled.lines[0]!.activeRunId]).to.deep.equal(['cancelled', null]);
    await server.api
      .post(`/api/v1/orders/${two.id}/restore`)
      .send({ version: cancelled.version })
      .expect(200);
    await server.api
      .post(`/api/v1/runs/${first.id}/events`)
      .send({ events: [undone] })
      .expect(200);
    expect((await order(two.id)).state).to.equal('running');
  });

  it('of a cancelled order follows a change of the set-up when it is restored', async () => {
    const own = await plannedOrder(server);
    await server.api.post(`/api/v1/orders/${own.id}/cancel`).send({ version: own.version }).expect(200);
    await followed(server, await setRates(0.44));
    const { version } = await order(own.id);
    await server.api.post(`/api/v1/orders/${own.id}/restore`).send({ version }).expect(200);
    await planned(server, own.id);
    const quote = await get<{ marginShare: number }>(`/lines/${own.lines[0]!.id}/quote`);
    expect(quote.marginShare).to.equal(0.44);
  });
});
