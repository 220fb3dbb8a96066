import type { FilmPrinter, Problem, Run } from '@saltflat/contract';
import { compileSteps } from '@saltflat/core/run';
import { runPlanOf } from '@saltflat/contract';
import { expect } from 'chai';
import { countdownS } from '@saltflat/core/work';
import {
  chestOrder,
  discPng,
  event,
  directRun,
  startTestServer,
  until,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('printers', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  it('take a step’s film as its route reckons it, once, and not when it is printed', async () => {
    const { id: artworkId } = (await upload(server, await discPng(), 'buoy.png')).body as { id: string };
    const { lines } = await chestOrder(server, { artworkId, quantity: 3 });
    const run = (await server.api.post('/api/v1/runs').send({ lineIds: [lines[0]!.id], by: 'Ada' }).expect(201)).body as Run; // prettier-ignore
    const [ready, step] = compileSteps(runPlanOf(run))
      .filter(({ operation }) => operation.role === 'set-up' || operation.role === 'print')
      .map(({ id }) => id);
    const sendIt = (own: object = {}) =>
      server.api.post('/api/v1/printer-jobs').send({ runId: run.id, step, part: 'whole', ...own });

    const wrong = await sendIt({ step: ready });
    expect((wrong.body as Problem).detail).to.equal(
      'Only prints are sent to a printer, and this step is none.',
    );
    const sent = (await sendIt().expect(201)).body as FilmPrinter;
    const [job] = sent.jobs;
    const operation = run.lines[0]!.route.operations.find(({ role }) => role === 'print')!;
    const used = (end: string): number =>
      3 *
      operation.consumes
        .filter(({ what }) => what.endsWith(end))
        .reduce((sum, { amount }) => sum + amount, 0);
    expect(job).to.include({ runId: run.id, step, part: 'whole', state: 'printing' });
    expect(job?.name).to.equal(`${lines[0]!.code}, 3 transfers`);
    expect(job?.areaM2).to.be.closeTo(
      3 * operation.consumes.find(({ kind }) => kind === 'area')!.amount,
      1e-9,
    );
    expect(used(', white')).to.be.greaterThan(0.02); // ml: three marks of 70 mm
    expect(((await sendIt()).body as Problem).detail).to.contain('in the queue of');

    const knobs = `/api/v1/printers/${sent.machineId}/drive`;
    await server.api.post(knobs).send({ speed: 600 }).expect(200);
    const now = await until(async () => {
      const told = await server.get<FilmPrinter[]>('/printers');
      const own = told.find(({ machineId }) => machineId === sent.machineId);
      return own?.jobs[0]?.state === 'done' ? own : null;
    });
    expect(now.jobs[0]?.colourMl).to.be.closeTo(used(', colour'), 1e-6);
    expect(now.tankMl - now.whiteMl).to.be.closeTo(used(', white'), 1e-6);

    await server.api
      .post(`/api/v1/runs/${run.id}/events`)
      .send({ events: [ready, step].map((own) => event('step-completed', own!)) })
      .expect(200);
    expect(((await sendIt()).body as Problem).detail).to.equal('This is printed already.');
  });

  it('print a garment in one job, white first, whatever they do with film, and its ink falls by the estimate', async () => {
    const run = await directRun(server);
    const operation = run.lines[0]!.route.operations.find(({ role }) => role === 'print')!;
    const input = { runId: run.id, step: `${operation.id}/1.blank.1`, part: 'whole' };
    const sent = (await server.api.post('/api/v1/printer-jobs').send(input).expect(201)).body as FilmPrinter;
    expect([sent.name, sent.whiteJobs]).to.deep.equal(['Direct printer', 'two']);
    expect(sent.jobs[0]).to.include({ layer: 'white', state: 'printing' });
    // as long as the route's own countdown
    expect(sent.jobs[0]!.leftS).to.be.closeTo(countdownS(operation, 1), 1.5);
    await server.api.post(`/api/v1/printers/${sent.machineId}/drive`).send({ speed: 600 }).expect(200);
    const now = await until(async () => {
      const told = await server.get<FilmPrinter[]>('/printers');
      const own = told.find(({ machineId }) => machineId === sent.machineId);
      return own?.jobs[0]?.state === 'done' ? own : null;
    });
    const white = operation.consumes.find(({ what }) => what.endsWith(', white'))!.amount;
    expect(now.tankMl - now.whiteMl).to.be.closeTo(white, 1e-6);
  });
});
