import type { Beginnings, LedgerPage, OrderPage } from '@saltflat/contract';
import { DEMO_BLANKS, DEMO_MACHINES, DEMO_MATERIALS, DEMO_ORDERS } from '@saltflat/demo';
import { expect } from 'chai';
import { pino } from 'pino';
import supertest from 'supertest';
import { buildServer } from '../../buildServer.ts';
import { createDatabase, until } from '../../testing/testServer.ts';

/** Of the weeks before: enough to be looked for in the ledger. */
const ORDERS = DEMO_ORDERS.slice(0, 9);

describe('what a shop begins with', function () {
  this.timeout(300_000);
  let server: Awaited<ReturnType<typeof buildServer>>;
  let api: ReturnType<typeof supertest>;
  const read = async (): Promise<Beginnings> =>
    (await api.get('/api/v1/beginnings').expect(200)).body as Beginnings;

  before(async () => {
    const databaseUrl = await createDatabase();
    server = await buildServer({
      databaseUrl,
      isDemo: false,
      demoOrders: ORDERS,
      log: pino({ level: process.env.TEST_LOG ?? 'silent' }),
      now: Date.now,
      webFolder: null,
    });
    api = supertest(server.app);
  });
  after(() => server.stop());

  it('is nothing, with nothing to clear', async () => {
    const demo = { state: 'none', share: null, ownOrders: 0 };
    expect(await read()).to.deep.equal({ blanks: 0, materials: 0, machines: 0, orders: 0, demo });
    await api.post('/api/v1/demo/cleared').expect(409);
  });

  it('is the made-up shop where that is wanted, taken in once while the shop is open', async () => {
    const begun = await Promise.all([api.post('/api/v1/demo'), api.post('/api/v1/demo')]);
    expect(begun.map(({ status }) => status)).to.deep.equal([202, 202]);
    expect((begun[0]?.body as Beginnings).demo.state).to.equal('filling');
    await until(async () => ((await read()).demo.state === 'filled' ? true : null));
    const filled = await read();
    expect(filled).to.deep.include({
      blanks: DEMO_BLANKS.length,
      materials: DEMO_MATERIALS.length,
      machines: DEMO_MACHINES.length,
      orders: ORDERS.length,
    });
    const { counts } = (await api.get('/api/v1/ledger').expect(200)).body as LedgerPage;
    expect(counts.good).to.be.above(50);
    // what happened in it happened before, though the shop was open meanwhile
    const orders = (await api.get('/api/v1/orders?limit=100').expect(200)).body as OrderPage;
    expect(
      orders.items.some(({ createdAt }) => Date.parse(createdAt) < Date.now() - 5 * 86_400_000),
    ).to.equal(true);
    await api.post('/api/v1/demo').expect(409);
    expect((await read()).orders).to.equal(ORDERS.length);
  });

  it('loses what was made in it when that is cleared, and keeps what was set up', async () => {
    const before = await read();
    expect(before.demo.ownOrders).to.equal(0);
    const [first] = ((await api.get('/api/v1/orders').expect(200)).body as OrderPage).items;
    await api.post(`/api/v1/orders/${first!.id}/duplicate`).expect(201);
    expect((await read()).demo.ownOrders, 'one of one’s own would go too').to.equal(1);

    const { body } = await api.post('/api/v1/demo/cleared').expect(200);
    const { blanks, materials, machines } = before;
    const demo = { state: 'cleared', share: null, ownOrders: 0 };
    expect(body).to.deep.equal({ blanks, materials, machines, orders: 0, demo });
    const ledger = (await api.get('/api/v1/ledger').expect(200)).body as LedgerPage;
    expect([ledger.items, ledger.total]).to.deep.equal([[], 0]);
    await api.post('/api/v1/demo/cleared').expect(409);
    // and it does not come back by itself, nor into a shop that is set up
    await api.post('/api/v1/demo').expect(409);
  });
});
