import type {
  Care,
  LedgerPage,
  Order,
  PrintStart,
  Problem,
  Run,
  Upkeep,
  UpkeepDone,
  UpkeepRow,
} from '@saltflat/contract';
import { workedS } from '@saltflat/core/work';
import { expect } from 'chai';
import {
  discPng,
  doneEvents,
  event,
  lineInput,
  orderInput,
  planned,
  sql,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('what is looked at and done on machines', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const machine = (name: string): string => server.catalogue.machines.find((own) => own.name === name)!.id;
  const care = () => server.get<Care>('/care');
  const upkeep = () => server.get<Upkeep>('/upkeep');
  const row = async (name: string, task: string): Promise<UpkeepRow> =>
    (await upkeep()).tasks.find((own) => own.machineId === machine(name) && own.task === task)!;
  const note = (name: string, task: string, isSkipped = false) =>
    server.api.post(`/api/v1/machines/${machine(name)}/upkeep`).send({ task, isSkipped, by: 'Ada' });
  const start = (name: string, own: object = {}) =>
    server.api.post(`/api/v1/machines/${machine(name)}/print-starts`).send({
      isAgitated: true,
      missing: { white: [7, 16] },
      cleanings: 0,
      roomC: 21,
      humidity: 0.5,
      note: '',
      by: 'Ada',
      ...own,
    });

  /** Two tees printed directly, on the floor. */
  const directRun = async (): Promise<Run> => {
    const { body: artwork } = (await upload(server, await discPng(), 'care.png')) as { body: { id: string } };
    const lines = [lineInput(server, { artworkId: artwork.id, process: 'dtg' })];
    const { body } = (await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, null, { lines }))
      .expect(201)) as { body: Order };
    const order = await planned(server, body.id);
    return (
      await server.api
        .post('/api/v1/runs')
        .send({ lineIds: [order.lines[0]!.id], by: 'Ada' })
        .expect(201)
    ).body as Run;
  };

  it('keeps each check of a printer, tells the newest of each, and refuses a nozzle that there is not', async () => {
    await start('Direct printer', { missing: null }).expect(201);
    await start('Direct printer').expect(201);
    await start('Film printer', { missing: {} }).expect(201);
    const { starts } = await care();
    expect(starts.map(({ input }) => input.missing)).to.have.deep.members([{ white: [7, 16] }, {}]);
    const all = await server.get<PrintStart[]>(`/machines/${machine('Direct printer')}/print-starts`);
    expect(all.map(({ input }) => input.missing)).to.deep.equal([{ white: [7, 16] }, null]);
    const refusal = (await start('Direct printer', { missing: { white: [61] } }).expect(400)).body as Problem;
    expect(refusal.detail).to.match(/60/);
    expect(((await start('Press A').expect(404)).body as Problem).detail).to.contain('no printer');
    const change = await sql(server, `update machine_care set document = '{}'`).then(
      () => '',
      (error: unknown) => (error as Error).message,
    );
    expect(change).to.contain('only ever added to');
  });

  it('keeps a platen’s height for each kind of garment, over a pocket apart', async () => {
    const set = (step: number, own: object = {}) =>
      server.api
        .post(`/api/v1/machines/${machine('Direct printer')}/platen-heights`)
        .send({ garment: 'Harbour tee', isOverPocket: false, step, by: 'Ada', ...own });
    await set(24).expect(201);
    await set(26).expect(201);
    await set(20, { isOverPocket: true }).expect(201);
    await set(18, { garment: 'Breakwater hoodie' }).expect(201);
    const { platens } = await care();
    expect(platens.map(({ input }) => [input.garment, input.isOverPocket, input.step])).to.have.deep.members([
      ['Harbour tee', false, 26],
      ['Harbour tee', true, 20],
      ['Breakwater hoodie', false, 18],
    ]);
  });

  it('lists what is due, takes it as done or left out, and takes that back', async () => {
    expect((await row('Press A', 'wipe-plate')).standing).to.equal('never');
    const done = (await note('Press A', 'wipe-plate').expect(201)).body as UpkeepDone;
    expect(await row('Press A', 'wipe-plate')).to.deep.include({
      standing: 'kept',
      last: { id: done.id, at: done.at, by: 'Ada', isSkipped: false },
    });
    const skipped = (await note('Press A', 'hinges', true).expect(201)).body as UpkeepDone;
    expect((await row('Press A', 'hinges')).last?.isSkipped).to.equal(true);
    await server.api.post(`/api/v1/upkeep/${skipped.id}/withdrawal`).send({ isWithdrawn: true }).expect(200);
    expect((await row('Press A', 'hinges')).standing).to.equal('never');
    const refusal = (await note('Press A', 'rinse').expect(400)).body as Problem;
    expect(refusal.detail).to.contain('no task “rinse”');
  });

  it('counts what machines did on the floor, and pieces by what was noted before their print', async () => {
    const run = await directRun();
    const [line] = run.lines;
    const print = line!.route.operations.find(({ role }) => role === 'print')!;
    const dry = line!.route.operations.find(({ role }) => role === 'dry')!;
    const ready = { missed: ['nozzles' as const], nozzlesMissing: 2 };
    const events = [
      event('readied', `${print.id}/1.blank.1`, { ready }),
      ...doneEvents(run, 0),
      ...doneEvents(run, 1),
      ...doneEvents(run, 2, { verdict: 'scrap', faults: [] }),
    ];
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    const { printed, tasks } = await upkeep();
    expect(printed).to.deep.equal({
      right: { pieces: 0, spoiled: 0 },
      missed: { pieces: 2, spoiled: 1 },
      notNoted: { pieces: 0, spoiled: 0 },
    });
    const sheet = tasks.find(
      ({ machineId, task }) => machineId === dry.modes[0]!.machine!.id && task === `sheet-${dry.sheet!.id}`,
    )!;
    // each piece once dried in so many closings
    const bursts = dry.settings.find(({ sets }) => sets === 'bursts')!.value;
    expect([sheet.used, sheet.every]).to.deep.equal([2 * bursts, { count: 100, unit: 'presses' }]);
    expect((await row('Direct printer', 'waste')).used).to.equal(2);
    const printedH = (2 * workedS(print, 1)) / 3600;
    expect((await row('Direct printer', 'rail')).used).to.be.closeTo(printedH, 0.051);
    expect((await row('Direct printer', 'waste')).counts.notKept).to.deep.equal({ pieces: 2, spoiled: 1 });
    const { items } = await server.get<LedgerPage>(`/ledger?run=${run.id}`);
    expect(items.map(({ made }) => made.find(({ role }) => role === 'print')?.missed)).to.deep.equal([
      ['nozzles'],
      ['nozzles'],
    ]);
  });
});
