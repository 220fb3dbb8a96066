import { randomUUID } from 'node:crypto';
import type { LedgerPage, Lot, Problem, Run } from '@saltflat/contract';
import { expect } from 'chai';
import { doneEvents, event, plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('lots of materials', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const HOUR = 3_600_000;
  const material = (kind: string): { id: string; name: string } =>
    server.catalogue.materials.find((own) => own.kind === kind)!;
  const open = (id: string, lot: string) =>
    server.api.post(`/api/v1/materials/${id}/lots`).send({ lot, by: 'Ada' });
  const openedBefore = (id: string, lot: string, hours: number) =>
    server.db.models.lots.create({
      id: randomUUID(),
      materialId: id,
      lot,
      byName: 'Ada',
      openedAt: new Date(Date.now() - hours * HOUR),
    });
  const ledger = async (query: string): Promise<LedgerPage> =>
    (await server.api.get(`/api/v1/ledger?${query}`).expect(200)).body as LedgerPage;

  it('are written down once, with the one in use first', async () => {
    const { id, name } = material('powder');
    await open(id, ' P-1 ').expect(201);
    const { body } = await open(id, 'P-2').expect(201);
    const own = (body as Lot[]).filter(({ materialId }) => materialId === id);
    expect(own.map(({ lot }) => lot)).to.deep.equal(['P-2', 'P-1']);
    const again = await open(id, 'P-2');
    expect([again.status, (again.body as Problem).detail]).to.deep.equal([
      409,
      `Lot P-2 of “${name}” is in use already.`,
    ]);
    expect((await open(randomUUID(), 'X')).status).to.equal(404);
    expect((await open(id, '  ')).status).to.equal(400);
  });

  it('are known of each piece that was made while they were in use, and pieces are found by them', async () => {
    const order = await plannedOrder(server);
    const [line] = order.lines;
    const run = (
      await server.api
        .post('/api/v1/runs')
        .send({ lineIds: [line!.id], by: 'Ada' })
        .expect(201)
    ).body as Run;
    const used = run.lines[0]!.route.operations.flatMap(({ consumes }) => consumes.map(({ id }) => id));
    const film = server.catalogue.materials.find(({ id, kind }) => kind === 'film' && used.includes(id))!;
    await openedBefore(film.id, 'ROLL-7', 9);
    await openedBefore(film.id, 'ROLL-8', 5); // what happens in tests happened an hour ago
    await open(film.id, 'ROLL-9').expect(201);
    const events = [0, 1, 2].flatMap((piece) => doneEvents(run, piece));
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    const { items } = await ledger(`run=${run.id}`);
    expect(items).to.have.length(2);
    for (const { lots } of items) {
      expect(lots.filter((own) => own.material === film.name)).to.deep.equal([
        { material: film.name, lot: 'ROLL-8' },
      ]);
    }
    expect((await ledger('search=roll-8')).total).to.equal(2);
    expect((await ledger('search=roll-9')).total).to.equal(0);
    const csv = await server.api.get(`/api/v1/ledger.csv?run=${run.id}`).expect(200);
    expect(csv.text).to.contain(`${film.name} ROLL-8`);
    // what goes on after changes nothing of what came out
    await server.api
      .post(`/api/v1/runs/${run.id}/events`)
      .send({ events: [event('problem-raised', null, { problem: 'dust' })] })
      .expect(200);
    expect((await ledger(`run=${run.id}`)).items).to.deep.equal(items);
  });
});
