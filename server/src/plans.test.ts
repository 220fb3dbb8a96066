import { runPlanOf } from '@saltflat/contract';
import type {
  DayPlan,
  Order,
  PlanGround,
  Run,
  RunEventInput,
  ShopCalendar,
  WantedAnswer,
  WorkTimes,
} from '@saltflat/contract';
import { shopNow } from '@saltflat/contract/shopNow';
import { Planning, checkPlan, planPicture, problemOf, shopInstance } from '@saltflat/core/plan';
import type { ShopLine } from '@saltflat/core/plan';
import type { Process } from '@saltflat/core/route';
import { compileSteps, deriveRun } from '@saltflat/core/run';
import type { RunPlan } from '@saltflat/core/run';
import { handsS, partsIn, workedS } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { DEMO_ORDERS } from '@saltflat/demo';
import { expect } from 'chai';
import { pino } from 'pino';
import { buildServer } from './buildServer.ts';
import { createDatabase, event, lineInput, plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';
import { eventsAsPlanned, waitsBroken } from './testing/floorAsPlanned.ts';

describe('what days are planned from', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const ground = () => server.get<PlanGround>('/plan/ground');
  const takeIn = async (pieces = 6): Promise<Order> =>
    plannedOrder(server, {
      lines: [lineInput(server, { artworkId: await artworkId(), sizes: [{ size: 'M', quantity: pieces }] })],
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

  it('plans what is not taken in yet together with what is: bought-in transfers wait for their day', async () => {
    const artwork = await artworkId();
    const { id: _own, ...line } = lineInput(server, {
      artworkId: artwork,
      sizes: [{ size: 'M', quantity: 30 }],
    });
    const written = (process: Process) => ({
      ...line,
      prints: line.prints.map((print) => ({ ...print, id: '1', artworkId: artwork, process })),
    });
    const ask = async (...lines: object[]): Promise<WantedAnswer> => {
      const body = { dueAt: '2032-03-01T10:00:00.000Z', lines };
      return (await server.api.post('/api/v1/plan/wanted').send(body).expect(200)).body as WantedAnswer;
    };
    const before = (await ground()).jobs.length;
    const { jobs, refused } = await ask(written('dtf'), written('bought-in'), written('patch-cap'));
    expect(jobs.map(({ lines }) => [lines[0]!.code, lines[0]!.pieces])).to.deep.equal([
      ['1', 30],
      ['2', 30],
    ]);
    expect(refused.map(({ line: own }) => own)).to.deep.equal([2]); // a tee is no cap
    expect(refused[0]!.why).to.match(/cap/);
    const supplier = server.catalogue.materials.find(({ kind }) => kind === 'bought-in')!;
    const days = (supplier.properties as { leadDays: number }).leadDays;
    expect(jobs[0]!.lines[0]!.materialsAt).to.equal(null);
    const here = (Date.parse(jobs[1]!.lines[0]!.materialsAt!) - Date.now()) / 86_400_000;
    expect(here).to.be.closeTo(days, 0.1);
    // a line that is in is taken to have had its transfers ordered with its order
    const order = await plannedOrder(server, {
      lines: [{ ...line, prints: written('bought-in').prints.map(({ id, ...print }) => print) }],
    });
    const taken = (await ground()).jobs.find(({ key }) => key === order.lines[0]!.id)!;
    expect((Date.parse(taken.lines[0]!.materialsAt!) - Date.parse(order.createdAt)) / 86_400_000).to.equal(
      days,
    );
    expect((await ground()).jobs.length).to.equal(before + 1); // what was only asked about is nowhere
  });

  it('goes by the times of the floor once a kind of work was timed ten times, and no more where it is taken back', async () => {
    const line = (await takeIn(10)).lines[0]!;
    const { body } = await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [line.id], by: 'Ines' })
      .expect(201);
    const run = body as Run;
    const send = (events: RunEventInput[]) =>
      server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    // every peel takes half as long again as its route says, every look what it says
    let atMs = Date.now() - 3_000_000;
    const next = (own: RunEventInput, afterS: number): RunEventInput => {
      const at = new Date((atMs += 1000 * afterS)).toISOString();
      return { ...own, at, deviceAt: at };
    };
    const events = compileSteps(runPlanOf(run)).flatMap(({ id, operation, parts }) => {
      const lasts = handsS(operation, parts.length) * (operation.role === 'peel' ? 1.5 : 1);
      return [
        next(event('step-started', id), 2),
        operation.role === 'inspect'
          ? next(event('piece-inspected', id, { inspection: { verdict: 'good', faults: [] } }), lasts)
          : next(event('step-completed', id), lasts),
      ];
    });
    await send(events);

    const times = () => server.get<WorkTimes>('/plan/times');
    const of = ({ kinds }: WorkTimes, title: string) => kinds.find(({ titles }) => titles.includes(title));
    const known = await times();
    const peel = of(known, 'Peel cold')!;
    expect(peel.hands).to.deep.include({ count: 10, leftOut: 0 });
    expect(peel.hands.factor).to.be.closeTo(1.5, 1e-9);
    expect(of(known, 'Inspect the piece')!.hands.factor).to.be.closeTo(1, 1e-9);
    expect(of(known, 'Cut the transfers apart')!.hands, 'two sheets at most').to.include({ factor: null });

    const other = (await takeIn()).lines[0]!;
    const workOf = async (title: string) =>
      (await ground()).jobs
        .find(({ key }) => key === other.id)!
        .lines[0]!.operations.find((operation) => operation.title === title)!;
    const planned = await workOf('Peel cold');
    expect(planned.pace).to.include({ count: 10, machine: 1 });
    expect(handsS(planned, 1)).to.be.closeTo(12, 1e-9); // eight seconds by its route
    expect((await workOf('Press the transfer')).pace, 'two seconds from tap to tap are no loading').to.equal(
      null,
    );

    await send([event('undone', null, { eventId: events.at(-1)!.id })]);
    expect((await times()).kinds).to.deep.equal([]);
    expect(handsS(await workOf('Peel cold'), 1)).to.equal(8);
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
    // a busy fortnight has more operations than anything else that is sent has values
    const many = Array.from({ length: 1500 }, (_, i) => ({
      ...document.ops[i % document.ops.length],
      id: `op ${i}`,
    }));
    await server.api
      .post('/api/v1/plan/kept')
      .send({ basedOn: 1, document: { ...document, ops: many }, by: 'Ines' })
      .expect(201);
    const [first, second] = await Promise.all([keep(2, 'Ines'), keep(2, 'Tomasz')]);
    expect([first.status, second.status].sort()).to.deep.equal([201, 409]);
  });
});

/** What only gets warm is no work of a plan’s: the plan warms it. */
const isWarmUp = ({ role, modes: [mode] }: Pick<Operation, 'role' | 'modes'>): boolean =>
  role === 'set-up' && mode?.stateC != null && mode.phases.every(({ people }) => people === 0);
const isWarming = ({ lines }: RunPlan, operation: string): boolean =>
  lines.some(({ operations }) => operations.some((own) => own.id === operation && isWarmUp(own)));

describe('the made-up shop’s days', function () {
  let made: Awaited<ReturnType<typeof buildServer>>;
  before(async () => {
    made = await buildServer({
      databaseUrl: await createDatabase(),
      webFolder: null,
      log: pino({ level: 'silent' }),
      now: Date.now,
      isDemo: true,
      // what happened weeks ago is no part of its days
      demoOrders: DEMO_ORDERS.filter(({ fate }) => fate.kind === 'open' || fate.kind === 'running'),
    });
  });
  after(() => made.stop());

  /** All lines as if nothing had begun. */
  const freshShop = async () => {
    const ground = await made.services.plans.ground();
    const { machines } = await made.services.catalogue.read();
    const shop = shopNow(ground, machines, Date.now());
    const jobs = shop.jobs.map((job) => ({ ...job, state: null }));
    return { ground, jobs, shop, instance: shopInstance({ ...shop, jobs }).instance };
  };

  it('have for every line the hands and machine minutes its route says, and a plan that holds', async () => {
    const { ground, instance } = await freshShop();
    expect(ground.jobs.length).to.be.above(8);
    for (const line of ground.jobs.flatMap((job) => job.lines)) {
      const [{ route, pieces } = {}] = await made.services.routes.versions(line.lineId);
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
      const { tail } = instance.orders.find(({ id }) => id === line.lineId)!;
      expect(tail, `${line.code}: rest`).to.equal(Math.ceil(route.restBeforeDispatchS / 60));
      expect(hands, `${line.code}: hands`).to.be.within(handsMin - 1e-6, handsMin + rounding);
      expect(elapsed, `${line.code}: machines`).to.be.within(worked - 1e-6, worked + phases.length + rests);
    }
    expect(
      checkPlan(problemOf(instance), new Planning({ instance, seed: 1 }).answer.best.ops).breaches,
    ).to.deep.equal([]);
    expect(Math.max(...instance.orders.map(({ tail }) => tail)), 'a patched cap').to.equal(1440);
    expect(ground.kept?.by).to.equal('Ines');
  });

  it('can be worked on the floor as they are planned: every step is taken, and nothing stands longer than it may', async () => {
    const { jobs, shop, instance } = await freshShop();
    const { ops } = new Planning({ instance, seed: 1 }).within(40);
    for (const job of jobs) {
      const [{ code }] = job.lines as [ShopLine];
      const events = eventsAsPlanned(job, ops, { instance, epochMs: shop.epochMs });
      const state = deriveRun(job.plan, events);
      expect(state.ignored, `${code}: refused`).to.deep.equal([]);
      const undone = state.steps.filter(
        ({ status, operation }) => status !== 'done' && !isWarming(job.plan, operation),
      );
      expect(
        undone.map(({ id }) => id),
        `${code}: not done`,
      ).to.deep.equal([]);
      // a plan tells whole minutes
      const broken = waitsBroken(job.plan.lines, state).filter(({ byS }) => byS > 60);
      expect(broken, `${code}: stood too long, or not long enough`).to.deep.equal([]);
    }
    // the same day with the powder an hour late is seen to be none
    const powderLate = ops.map((own) => ({
      ...own,
      start: own.id.includes('/powder') ? own.start.map((minute) => minute + 60) : own.start,
    }));
    const [printed] = jobs.filter(({ plan }) =>
      plan.lines.some(({ operations }) => operations.some(({ role }) => role === 'powder')),
    );
    const late = deriveRun(
      printed!.plan,
      eventsAsPlanned(printed!, powderLate, { instance, epochMs: shop.epochMs }),
    );
    expect(waitsBroken(printed!.plan.lines, late).some(({ byS }) => byS > 60)).to.equal(true);
  });
});
