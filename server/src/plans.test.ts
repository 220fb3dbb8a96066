import type { DayPlan, Order, PlanGround, ShopCalendar } from '@saltflat/contract';
import { shopNow } from '@saltflat/contract/shopNow';
import { Planning, checkPlan, planPicture, problemOf, shopInstance } from '@saltflat/core/plan';
import { partsIn, workedS } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { DEMO_ORDERS } from '@saltflat/demo';
import { expect } from 'chai';
import { pino } from 'pino';
import { buildServer } from './buildServer.ts';
import { createDatabase, lineInput, plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('what days are planned from', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const ground = () => server.get<PlanGround>('/plan/ground');
  const takeIn = async (): Promise<Order> =>
    plannedOrder(server, {
      lines: [lineInput(server, { artworkId: await artworkId(), sizes: [{ size: 'M', quantity: 6 }] })],
    });
  let art: string | null = null;
  const artworkId = async (): Promise<string> =>
    (art ??= (await plannedOrder(server)).lines[0]!.prints[0]!.artwork!.id);

  it('is every open line with its route, by itself until it is on the floor, and then as it stands there', async () => {
    const line = (await takeIn()).lines[0]!;
    const before = (await ground()).jobs.find(({ key }) => key === line.id)!;
    expect(before).to.include({ runId: null, stands: null });
    expect(before.lines[0]).to.include({ code: line.code, pieces: 6, isForShelf: false });
    expect(JSON.stringify(before.lines[0]!.operations)).to.not.include('stack'); // what lies under a plate is no business of it

    const { body: run } = await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [line.id], by: 'Ines' })
      .expect(201);
    const after = (await ground()).jobs.filter(({ lines }) => lines.some(({ lineId }) => lineId === line.id));
    expect(after.map(({ key, runId }) => [key, runId])).to.deep.equal([
      [line.id, (run as { id: string }).id],
    ]);
    expect(after[0]!.stands!.steps.every(({ status }) => status === 'idle')).to.equal(true);
    expect(after[0]!.lines[0]!.operations).to.deep.equal(before.lines[0]!.operations);
  });

  it('names what cannot be planned yet, and why', async () => {
    const { body } = await server.api
      .post('/api/v1/orders')
      .send({ customer: 'Terns', dueAt: '2032-03-01T10:00:00.000Z', note: '', lines: [lineInput(server)] })
      .expect(201);
    const [line] = (body as Order).lines;
    const { waiting, jobs } = await ground();
    expect(waiting.find(({ lineId }) => lineId === line!.id)).to.include({
      code: line!.code,
      state: 'needs-art',
    });
    expect(jobs.some(({ lines }) => lines.some(({ lineId }) => lineId === line!.id))).to.equal(false);
  });

  it('has hours that are assumed until somebody says them, each change over the one that was seen', async () => {
    const assumed = await server.get<ShopCalendar>('/plan/calendar');
    expect(assumed).to.include({ version: 1, isAssumed: true });
    const record = {
      ...assumed.document,
      people: [{ name: 'Ines', week: null, breaks: null, machines: null }],
    };
    const put = (version: number, own: object = record) =>
      server.api.put('/api/v1/plan/calendar').send({ version, record: own });
    const { body } = await put(1).expect(200);
    expect(body).to.deep.equal({ document: record, version: 2, isAssumed: false });
    const { body: stale } = await put(1).expect(409);
    expect((stale as { current: ShopCalendar }).current.version).to.equal(2);
    const backwards = { ...record, week: [{ fromMin: 900, toMin: 600 }, ...record.week.slice(1)] };
    const { body: refused } = await put(2, backwards).expect(400);
    expect(JSON.stringify(refused)).to.include('Monday: the shift ends at 10:00, before it begins at 15:00.');
  });

  it('keeps a plan for everybody, made from the one that was looked at, and refuses one that was overtaken', async () => {
    await takeIn();
    const { kept: none } = await ground();
    expect(none).to.equal(null);
    const shop = shopNow(await ground(), server.catalogue.machines, Date.now());
    const own = shopInstance(shop);
    const { best } = new Planning({ instance: own.instance, seed: 1 }).answer;
    const document = {
      epoch: new Date(shop.epochMs).toISOString(),
      zone: 'Etc/UTC',
      ...planPicture(own, best.ops),
    };
    const keep = (basedOn: number, by: string) =>
      server.api.post('/api/v1/plan/kept').send({ basedOn, document, by });
    const { body } = await keep(0, 'Ines').expect(201);
    expect(body).to.include({ number: 1, by: 'Ines' });
    expect(((await ground()).kept as DayPlan).document).to.deep.equal(JSON.parse(JSON.stringify(document)));
    const { body: stale } = await keep(0, 'Tomasz').expect(409);
    expect((stale as { detail: string }).detail).to.equal(
      'Ines kept another plan meanwhile. Look at it, then keep yours.',
    );
    const [first, second] = await Promise.all([keep(1, 'Ines'), keep(1, 'Tomasz')]);
    expect([first.status, second.status].sort()).to.deep.equal([201, 409]);
  });
});

/** What only gets warm is no work of a plan’s: the plan warms it. */
const isWarmUp = ({ role, modes: [mode] }: Operation): boolean =>
  role === 'set-up' && mode?.stateC != null && mode.phases.every(({ people }) => people === 0);

describe('the made-up shop’s days', function () {
  it('have for every line the hands and machine minutes its route says, and a plan that holds', async () => {
    const made = await buildServer({
      databaseUrl: await createDatabase(),
      webFolder: null,
      log: pino({ level: 'silent' }),
      now: Date.now,
      isDemo: true,
      // what happened weeks ago is no part of its days
      demoOrders: DEMO_ORDERS.filter(({ fate }) => fate.kind === 'open' || fate.kind === 'running'),
    });
    try {
      const { plans, catalogue, routes } = made.services;
      const ground = await plans.ground();
      const shop = shopNow(ground, (await catalogue.read()).machines, Date.now());
      expect(ground.jobs.length).to.be.above(8);
      const fresh = shop.jobs.map((job) => ({ ...job, state: null }));
      const { instance } = shopInstance({ ...shop, jobs: fresh });
      for (const line of ground.jobs.flatMap((job) => job.lines)) {
        const [{ route, pieces } = {}] = await routes.versions(line.lineId);
        if (!route || pieces === undefined) throw new Error(`${line.code} has no route`);
        const own = instance.ops.filter(({ orders }) => orders.includes(line.lineId));
        const phases = own.flatMap(({ modes }) => modes[0]!.phases);
        const hands = phases.reduce((sum, { d, ops }) => sum + (d * ops) / 100, 0);
        const elapsed = phases.reduce((sum, { d }) => sum + d, 0);
        const parts = (operation: Operation): number => partsIn(route.lanes, operation.lane, pieces);
        const work = route.operations.filter((operation) => !isWarmUp(operation));
        const worked = work.reduce((sum, operation) => sum + workedS(operation, parts(operation)) / 60, 0);
        const rests = work.reduce(
          (sum, operation) => sum + parts(operation) * Math.ceil((operation.waitAfter?.minS ?? 0) / 60),
          0,
        );
        // each phase is rounded up to a minute, and a stream’s share of hands to the next five in a hundred
        const rounding = phases.reduce((sum, { d, brk }) => sum + 1 + (brk ? 0.05 * d : 0), 0);
        const handsMin = route.totals.handsS / 60;
        expect(hands, `${line.code}: hands`).to.be.within(handsMin - 1e-6, handsMin + rounding);
        expect(elapsed, `${line.code}: machines`).to.be.within(worked - 1e-6, worked + phases.length + rests);
      }
      expect(
        checkPlan(problemOf(instance), new Planning({ instance, seed: 1 }).answer.best.ops).breaches,
      ).to.deep.equal([]);
      expect(ground.kept?.by).to.equal('Ines');
    } finally {
      await made.stop();
    }
  });
});
