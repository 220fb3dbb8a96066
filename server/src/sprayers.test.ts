import type { Catalogue, Machine, RouteVersion, SprayWeighing, SprayWeighingInput } from '@saltflat/contract';
import { expect } from 'chai';
import { discPng, orderInput, planned, startTestServer, upload } from './testing/testServer.ts';
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
    const until = Date.now() + 10_000;
    while ((await dial()).value === 65 && Date.now() < until)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await dial()).value).to.be.within(85, 90);
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
});
