import type {
  Catalogue,
  Device,
  FloorWeighing,
  Machine,
  Problem,
  RouteVersion,
  SprayWeighing,
  SprayWeighingInput,
  SprayerDevice,
} from '@saltflat/contract';
import { expect } from 'chai';
import {
  discPng,
  event,
  directRun,
  orderInput,
  planned,
  startTestServer,
  until,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('what is weighed of sprayers', function () {
  let server: TestServer;
  let boxId = '';
  let fluidId = '';
  before(async () => {
    server = await startTestServer();
    boxId = server.catalogue.machines.find(({ name }) => name === 'Spray box')!.id;
    fluidId = server.catalogue.materials.find(({ name }) => name === 'Fen Primer')!.id;
  });
  after(() => server.stop());

  /** 0.14 m² that gets 2 g/m² a mark, weighed at once. */
  const weighing = (setting: number, own: Partial<SprayWeighingInput> = {}): SprayWeighingInput => ({
    fluidId,
    nozzle: 'brass 0.4',
    setting,
    passes: 1,
    widthMm: 350,
    heightMm: 400,
    beforeG: 150,
    afterG: 150 + Math.round(10 * 0.14 * 2 * setting) / 10,
    elapsedS: 0,
    roomC: null,
    humidity: null,
    by: 'Ada',
    ...own,
  });
  const send = (input: object, machineId = boxId) =>
    server.api.post(`/api/v1/machines/${machineId}/spray-weighings`).send(input);
  const box = async (): Promise<Machine> =>
    (await server.get<Catalogue>('/catalogue')).machines.find(({ id }) => id === boxId)!;

  it('is kept with what was on the garment, and makes a fit from the second on', async () => {
    const first = (await send(weighing(30, { elapsedS: 60 })).expect(201)).body as SprayWeighing;
    // 8.4 g over 0.14 m², and what dried off in a minute: 0.0214 g/m² a second
    expect(first.gm2).to.be.closeTo(60 + 60 * 0.0214, 0.02);
    expect((await box()).fits).to.equal(undefined);
    await send(weighing(60)).expect(201);
    const [fit, ...more] = (await box()).fits ?? [];
    expect(more).to.deep.equal([]);
    expect([fit?.fluidId, fit?.nozzle, fit?.n, fit?.range]).to.deep.equal([
      fluidId,
      'brass 0.4',
      2,
      { least: 10, most: 100, sense: 'up' },
    ]);
    await send(weighing(45, { nozzle: 'steel 0.3' })).expect(201);
    expect((await box()).fits).to.have.length(1);
    const all = await server.get<SprayWeighing[]>(`/machines/${boxId}/spray-weighings`);
    expect(all.map(({ input }) => input.setting)).to.deep.equal([45, 60, 30]);
  });

  it('moves the dial of a route that nobody has begun', async () => {
    const { body: artwork } = (await upload(server, await discPng(5), 'weighed.png')) as {
      body: { id: string };
    };
    const input = orderInput(server, artwork.id);
    const [line] = input.lines;
    if (line === undefined) throw new Error('an order has a line');
    const direct = {
      ...line,
      prints: line.prints.map((print) => ({ ...print, process: 'dtg' as const })),
    };
    const { body } = (await server.api
      .post('/api/v1/orders')
      .send({ ...input, lines: [direct] })
      .expect(201)) as { body: { id: string } };
    const order = await planned(server, body.id);
    const lineId = order.lines[0]!.id;
    const dial = async (): Promise<{ value: number; source: string }> => {
      const { route } = await server.get<RouteVersion>(`/lines/${lineId}/route`);
      const pretreat = route.operations.find(({ role }) => role === 'spray');
      const { value, reasons } = pretreat!.settings.find(({ sets }) => sets === 'dial')!;
      return { value, source: reasons[0]!.source };
    };
    // 130 g/m² at 2 a mark
    expect(await dial()).to.deep.equal({ value: 65, source: 'proven' });
    // the pump got weaker: 1.5 a mark by four more
    const worn = (setting: number) => weighing(setting, { afterG: 150 + 0.14 * 1.5 * setting });
    for (const setting of [50, 65, 80, 90]) await send(worn(setting)).expect(201);
    for (const { id, input: own } of await server.get<SprayWeighing[]>(`/machines/${boxId}/spray-weighings`))
      if (own.setting < 50 || own.setting === 60)
        await server.api
          .post(`/api/v1/spray-weighings/${id}/withdrawal`)
          .send({ isWithdrawn: true })
          .expect(200);
    await planned(server, body.id);
    const moved = await until(async () => {
      const { value } = await dial();
      return value === 65 ? null : value;
    });
    expect(moved).to.be.within(85, 90);
  });

  it('cannot be changed once it is kept, only taken back and given again', async () => {
    const change = await server.db.models.sprayWeighings
      .update({ afterG: 900 }, { where: { setting: 65 } })
      .then(
        () => null,
        (error: unknown) => error as Error,
      );
    expect(change?.message).to.match(/spray_weighing/);
    const [newest] = await server.get<SprayWeighing[]>(`/machines/${boxId}/spray-weighings`);
    const taken = (isWithdrawn: boolean) =>
      server.api.post(`/api/v1/spray-weighings/${newest!.id}/withdrawal`).send({ isWithdrawn }).expect(200);
    const n = async (): Promise<number> =>
      (await box()).fits?.find(({ nozzle }) => nozzle === 'brass 0.4')?.n ?? 0;
    const before = await n();
    await taken(true);
    expect(await n()).to.equal(before - 1);
    await taken(false);
    expect(await n()).to.equal(before);
  });

  const refused: [string, Partial<SprayWeighingInput>, string, RegExp][] = [
    ['after below before', { afterG: 149.2 }, '/afterG', /must weigh more than before, 150 g, but 149\.2 g/],
    ['a dial below nothing', { setting: -3 }, '/setting', /“Setting” must be above 0, but -3/],
    ['a dial beyond its end', { setting: 140 }, '/setting', /goes from 10 to 100, but 140/],
    ['three passes', { passes: 3 }, '/passes', /at most 2/],
    ['humidity in per cent', { humidity: 55 }, '/humidity', /at most 0\.99/],
    ['an ink', { fluidId: '00000000-0000-4000-8000-000000000000' }, '/fluidId', /no such pretreatment/],
  ];
  for (const [what, own, path, sentence] of refused)
    it(`is refused in words: ${what}`, async () => {
      const answer = await send(weighing(40, own));
      expect(answer.status).to.equal(400);
      const { detail, fields } = answer.body as { detail: string; fields: { path: string }[] };
      expect(detail).to.match(sentence);
      expect(fields.map((field) => field.path)).to.deep.equal([path]);
    });

  it('is of sprayers that have something to set', async () => {
    const gun = server.catalogue.machines.find(({ name }) => name === 'Hand gun')!;
    const answer = await send(weighing(40), gun.id);
    expect(answer.status).to.equal(409);
    expect((answer.body as { detail: string }).detail).to.match(/what is set on Hand gun/);
    const oven = server.catalogue.machines.find(({ kind }) => kind === 'oven')!;
    expect((await send(weighing(40), oven.id)).status).to.equal(404);
  });

  it('knows a nozzle that is only written otherwise: it gets no second fit', async () => {
    const refusal = (await send(weighing(50, { nozzle: 'Brass  0.4' })).expect(400)).body as Problem;
    expect(refusal.detail).to.contain('a second fit of one nozzle');
    expect(refusal.fields?.[0]?.path).to.equal('/nozzle');
  });

  it('comes of a stand-in as the route wants it, onto what lies on the scale, and nothing else is sprayed', async () => {
    const run = await directRun(server, 8);
    const operations = run.lines[0]!.route.operations;
    const stepOf = (role: string): string => `${operations.find((own) => own.role === role)!.id}/1.blank.1`;
    const onScale = async (): Promise<number> =>
      (await server.get<Device[]>('/devices')).find(({ id }) => id === 'scale')!.drive.target;
    const spray = (role: string, machineId = boxId) =>
      server.api.post(`/api/v1/sprayers/${machineId}/sprays`).send({ runId: run.id, step: stepOf(role) });
    await spray('spray').expect(201);
    expect(await onScale(), 'nothing lay on it').to.equal(0);
    await server.api.post('/api/v1/devices/scale/drive').send({ target: 150 }).expect(200);
    const said = (await spray('spray').expect(201)).body as SprayerDevice;
    const { weighIn } = operations.find(({ role }) => role === 'spray')!;
    expect((await onScale()) - 150).to.be.closeTo(weighIn!.targetG, 0.031 * weighIn!.targetG);
    // 65 in 100 land on it; 1.03 g a ml; two sprays, each three in a hundred off at most
    const ml = weighIn!.targetG / 0.65 / 1.03;
    expect(said.bottleSizeMl - said.bottleMl).to.be.closeTo(2 * ml, 0.062 * ml);
    expect(((await spray('print').expect(409)).body as Problem).detail).to.contain('this step is none');
    const gun = server.catalogue.machines.find(({ name }) => name === 'Hand gun')!;
    expect(((await spray('spray', gun.id).expect(409)).body as Problem).detail).to.contain('another sprayer');
    const oven = server.catalogue.machines.find(({ kind }) => kind === 'oven')!;
    await server.api.post(`/api/v1/sprayers/${oven.id}/refill`).expect(404);
    await server.api.post(`/api/v1/sprayers/${boxId}/drive`).send({ openShare: 1.2 }).expect(400);
  });

  it('takes a garment that the floor weighed in among the weighings, once', async () => {
    const run = await directRun(server, 6);
    const operations = run.lines[0]!.route.operations;
    const spray = operations.find(({ role }) => role === 'spray')!;
    const step = `${spray.id}/1.blank.1`;
    const before = operations
      .slice(0, operations.indexOf(spray))
      .map(({ id }) => event('step-completed', `${id}/1.blank.1`));
    const reading = (what: 'before' | 'after', massG: number) =>
      event('reading-taken', step, { reading: { what, massG } });
    const events = [...before, reading('before', 150), reading('after', 150 + spray.weighIn!.targetG)];
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    const path = `/machines/${boxId}/floor-weighings`;
    const [own, ...more] = await server.get<FloorWeighing[]>(path);
    expect(more).to.deep.equal([]);
    const value = (sets: string): number => spray.settings.find((setting) => setting.sets === sets)!.value;
    expect(own).to.include({ step, beforeG: 150, setting: value('dial'), isTaken: false, waitedS: 0 });
    const take = () => server.api.post(`/api/v1${path}`).send({ runId: run.id, step, by: 'Ada' });
    const taken = (await take().expect(201)).body as SprayWeighing;
    // what it was to get is what it got
    expect(taken.gm2).to.be.closeTo(value('fluid'), 0.02 * value('fluid'));
    expect(taken.input).to.include({
      setting: value('dial'),
      passes: value('spray-passes'),
      nozzle: 'brass 0.4',
    });
    expect(((await take().expect(409)).body as Problem).detail).to.contain('already');
    expect((await server.get<FloorWeighing[]>(path))[0]?.isTaken).to.equal(true);
  });
});
