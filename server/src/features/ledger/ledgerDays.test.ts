import type { LedgerDays, LedgerPage, Run } from '@saltflat/contract';
import { expect } from 'chai';
import { doneEvents, plannedOrder, startTestServer } from '../../testing/testServer.ts';
import type { TestServer } from '../../testing/testServer.ts';

describe('the ledger day by day', function () {
  let server: TestServer;
  let run: Run;
  const days = async (zone: string, count = 30): Promise<LedgerDays['days']> => {
    const { body } = await server.api.get('/api/v1/ledger/days').query({ zone, days: count }).expect(200);
    return (body as LedgerDays).days;
  };

  before(async () => {
    server = await startTestServer();
    const order = await plannedOrder(server);
    const lineIds = [order.lines[0]!.id];
    ({ body: run } = (await server.api.post('/api/v1/runs').send({ lineIds, by: 'Ada' }).expect(201)) as {
      body: Run;
    });
    const events = [
      ...doneEvents(run, 0),
      ...doneEvents(run, 1),
      ...doneEvents(run, 2, { verdict: 'scrap', faults: [] }),
    ];
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
  });
  after(() => server.stop());

  it('counts pieces by verdict, and the ink of their route for each of them', async () => {
    const [day, ...more] = await days('UTC');
    expect(more).to.deep.equal([]);
    expect([day!.good, day!.reprint, day!.scrap]).to.deep.equal([1, 0, 1]);
    const uses = run.lines[0]!.route.operations.flatMap(({ consumes }) => consumes);
    for (const { what, ml } of day!.inks) {
      const each = uses.filter((own) => own.what === what && own.kind === 'volume');
      expect(ml, what).to.be.closeTo(2 * each.reduce((sum, { amount }) => sum + amount, 0), 1e-9);
    }
    // navy wants white under the colour
    expect(day!.inks.map(({ what }) => what.replace(/^.*, /, ''))).to.have.members(['colour', 'white']);
  });

  it('goes by the calendar of who asks', async () => {
    const { items } = (await server.api.get('/api/v1/ledger').expect(200)).body as LedgerPage;
    for (const zone of ['Pacific/Kiritimati', 'Pacific/Pago_Pago']) {
      const own = new Set(
        items.map(({ at }) => new Date(at).toLocaleDateString('sv-SE', { timeZone: zone })),
      );
      expect((await days(zone)).map(({ day }) => day)).to.have.members([...own]);
    }
  });

  it('refuses a time zone that is none, and a stretch without end', async () => {
    const ask = (query: object) => server.api.get('/api/v1/ledger/days').query(query);
    const { status, body } = await ask({ zone: 'Europe/Atlantis' });
    expect([status, (body as { fields: { path: string }[] }).fields[0]?.path]).to.deep.equal([400, '/zone']);
    expect((await ask({ zone: 'UTC', days: 4000 })).status).to.equal(400);
  });
});
