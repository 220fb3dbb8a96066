import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type {
  LedgerPage,
  Order,
  Problem,
  Run,
  RunEventInput,
  RunNews,
  RunReceipt,
  RunPage,
} from '@saltflat/contract';
import { runPlanOf } from '@saltflat/contract';
import { deriveRun, nextActions } from '@saltflat/core/run';
import type { FloorAction } from '@saltflat/core/run';
import { expect } from 'chai';
import { doneEvents, event, plannedOrder, sql, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('runs', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  async function started(): Promise<{ order: Order; run: Run }> {
    const order = await plannedOrder(server);
    const { body, status } = (await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [order.lines[0]?.id], by: 'Ada' })) as { body: Run; status: number };
    expect(status).to.equal(201);
    return { order, run: body };
  }
  const send = async (
    run: Run,
    events: RunEventInput[],
  ): Promise<{ status: number; body: RunReceipt & Problem }> =>
    server.api.post(`/api/v1/runs/${run.id}/events`).send({ events });
  const done = (run: Run, piece: number): RunEventInput[] =>
    doneEvents(run, piece, {
      verdict: piece === 1 ? 'good' : 'scrap',
      faults: piece === 1 ? [] : ['white-rim'],
    });
  const ledger = async (code: string): Promise<LedgerPage> =>
    ((await server.api.get('/api/v1/ledger').query({ search: code })) as { body: LedgerPage }).body;

  it('goes from started to logged, and the ledger shows settings and verdicts', async () => {
    const { order, run } = await started();
    for (const piece of [0, 1, 2]) expect((await send(run, done(run, piece))).status).to.equal(200);
    const { body: after } = (await server.api.get(`/api/v1/orders/${order.id}`)) as { body: Order };
    expect([after.state, after.lines[0]?.activeRunId]).to.deep.equal(['done', null]);
    const { items, counts } = await ledger(order.code);
    expect(counts).to.deep.equal({ good: 1, reprint: 0, scrap: 1 });
    expect(items.find(({ piece }) => piece === 2)).to.include({ verdict: 'scrap', plateC: 157, dwellS: 15 });
    const { text } = await server.api.get('/api/v1/ledger.csv').query({ search: order.code });
    expect(text.split('\r\n')).to.have.lengthOf(4);
  });

  it('counts an event once however often it is sent, two senders at once included', async () => {
    const { run } = await started();
    const [first] = done(run, 0);
    const answers = await Promise.all([
      send(run, [first!]),
      send(run, [first!]),
      send(run, [first!, first!]),
    ]);
    expect(answers.map(({ status }) => status)).to.deep.equal([200, 200, 200]);
    const { body } = (await server.api.get(`/api/v1/runs/${run.id}`)) as { body: Run };
    expect(body.events).to.have.lengthOf(1);
  });

  it('serves several lines with film they share: made once, each order finished by itself, a lost transfer made again alone', async () => {
    const [one, two] = [await plannedOrder(server), await plannedOrder(server)];
    const lineIds = [one, two].map(({ lines }) => lines[0]!.id);
    const sheet = lineIds.map((lineId) => ({ lineId, print: '1', pieces: [1, 2] }));
    const start = (own: object): Promise<{ status: number; body: Run & Problem }> =>
      server.api.post('/api/v1/runs').send({ lineIds, by: 'Ada', ...own });
    const wrong = await start({ sheets: [[{ ...sheet[0]!, pieces: [3] }]] });
    expect([wrong.status, wrong.body.detail]).to.deep.equal([
      400,
      `${one.code} has 2 pieces; there is no piece 3.`,
    ]);
    const twice = await start({ sheets: [sheet, [sheet[1]!]] });
    expect(twice.body.detail).to.equal(`The transfer for piece 1 of ${two.code} is on two sheets.`);

    const { body: run, status } = await start({ sheets: [sheet] });
    expect(status).to.equal(201);
    const plan = runPlanOf(run);
    const sent: RunEventInput[] = [];
    /** Whatever comes next, until something is to be judged. */
    const goOn = (until: (title: string) => boolean = () => false): FloorAction | undefined => {
      for (;;) {
        const [action] = nextActions(plan, deriveRun(plan, sent), Date.now());
        if (!action || action.operation.role === 'inspect' || until(action.operation.id)) return action;
        sent.push(event('step-completed', action.step.id));
      }
    };
    goOn((id) => id.startsWith('pre-press'));
    const film = sent.map(({ step }) => step).filter((step) => step?.includes('+'));
    expect(film, 'ready, print, powder, melt, cut: once for both').to.have.lengthOf(5);
    sent.push(
      event('part-lost', null, {
        lost: { part: '2.transfer-1.2', isReplaced: true, faults: ['ink puddles'] },
      }),
    );
    const judge = (): void => {
      const step = goOn()?.step.id ?? '';
      sent.push(event('piece-inspected', step, { inspection: { verdict: 'good', faults: [] } }));
    };
    [1, 2, 3].forEach(judge);
    await send(run, sent);
    const state = async ({ id }: Order): Promise<string> =>
      ((await server.api.get(`/api/v1/orders/${id}`)).body as Order).state;
    expect([await state(one), await state(two)]).to.deep.equal(['done', 'running']);
    const before = sent.length;
    judge();
    const again = sent
      .slice(before)
      .map(({ step }) => step)
      .filter((step) => step?.includes('~'));
    expect(again.map((step) => step!.split('/')[1])).to.deep.equal(
      Array(again.length).fill('2.transfer-1.2~2'),
    );
    await send(run, sent.slice(before));
    expect([await state(one), await state(two)]).to.deep.equal(['done', 'done']);
    const pieces = async (code: string): Promise<number[]> =>
      (await ledger(code)).items.map(({ piece }) => piece).sort((p, q) => p - q);
    expect([await pieces(one.code), await pieces(two.code)]).to.deep.equal([
      [1, 2],
      [3, 4],
    ]);
    // by the sheet they came from, over both orders; the one that was made again came from another
    const sheetOf = film.find((step) => step!.startsWith('print-film/'))!;
    const found = (await server.api.get('/api/v1/ledger').query({ run: run.id, step: sheetOf }))
      .body as LedgerPage;
    expect(found.items.map(({ piece }) => piece).sort((p, q) => p - q)).to.deep.equal([1, 2, 3]);
    expect(found.counts.good).to.equal(3);
    const lost = (await ledger(two.code)).items.find(({ piece }) => piece === 4);
    expect(lost?.made.map(({ role }) => role)).to.deep.equal(['print', 'melt', 'bond']);
    expect(lost?.made[0]?.step).to.equal('print-film/2.transfer-1.2~2');
  });

  it('opens again when the last verdict is taken back', async () => {
    const { order, run } = await started();
    const events = [0, 1, 2].flatMap((piece) => done(run, piece));
    await send(run, events);
    await send(run, [event('undone', null, { eventId: events.at(-1)!.id })]);
    const { body } = (await server.api.get(`/api/v1/orders/${order.id}`)) as { body: Order };
    expect(body.state).to.equal('running');
    expect((await ledger(order.code)).counts).to.deep.equal({ good: 1, reprint: 0, scrap: 0 });
  });

  it('puts a line on the floor once, and keeps its route and its order as they are', async () => {
    const { order, run } = await started();
    const again = await server.api.post('/api/v1/runs').send({ lineIds: [run.lines[0]!.lineId], by: 'Bo' });
    expect([again.status, (again.body as Problem).detail]).to.deep.equal([
      409,
      `${order.code} cannot start: it is on the floor already.`,
    ]);
    const replan = await server.api
      .post(`/api/v1/lines/${run.lines[0]!.lineId}/routes`)
      .send({ basedOn: 1, overrides: [] });
    expect(replan.status).to.equal(409);
    const cancel = await server.api
      .post(`/api/v1/orders/${order.id}/cancel`)
      .send({ version: order.version });
    expect(cancel.status).to.equal(409);
  });

  it('refuses an event without the facts its kind needs, and keeps none of its batch', async () => {
    const { run } = await started();
    const hollow = await send(run, [...done(run, 0), event('reading-taken', '1/peel/1')]);
    expect([hollow.status, hollow.body.fields]).to.deep.equal([
      400,
      [{ path: '/payload/reading', message: 'An event “reading-taken” needs its reading.' }],
    ]);
    const { body } = (await server.api.get(`/api/v1/runs/${run.id}`)) as { body: Run };
    expect(body.events).to.deep.equal([]);
  });

  it('takes no event that is dated ahead or long before, says so, and lets the others go on', async () => {
    const { run } = await started();
    const [first, second] = done(run, 0);
    const ahead = { ...first!, at: '2071-01-01T00:00:00.000Z' };
    const refused = await send(run, [ahead]);
    expect([refused.status, refused.body.fields?.[0]?.path]).to.deep.equal([400, '/at']);
    expect(refused.body.detail).to.contain('ahead of the server’s clock');
    const before = await send(run, [{ ...first!, at: '2019-01-01T00:00:00.000Z' }]);
    expect(before.status).to.equal(400);
    expect((await send(run, [first!, second!])).body.eventCount).to.equal(2);
  });

  it('is answered in a few words, however much has happened, and tells the rest to whoever asks', async () => {
    const { run } = await started();
    const many = Array.from({ length: 450 }, (_own, i) =>
      event(
        i % 2 === 0 ? 'problem-raised' : 'problem-cleared',
        null,
        i % 2 === 0 ? { problem: `jam ${i}` } : {},
      ),
    );
    const { status, text } = await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events: many });
    expect([status, text.length < 4096]).to.deep.equal([200, true]);
    const news = async (after: number): Promise<RunNews> =>
      (await server.api.get(`/api/v1/runs/${run.id}/events`).query({ after }).expect(200)).body as RunNews;
    expect((await news(440)).events.map(({ id }) => id)).to.deep.equal(many.slice(440).map(({ id }) => id));
    expect(await news(450)).to.deep.equal({ runId: run.id, eventCount: 450, finishedAt: null, events: [] });
    const { items: heads } = (await server.api.get('/api/v1/runs').query({ state: 'active' }))
      .body as RunPage;
    expect(heads[0]).to.not.have.any.keys('events', 'route');
  });

  it('refuses a second event under a number its device has used, and an event of another run', async () => {
    const [{ run }, { run: other }] = [await started(), await started()];
    const [first] = done(run, 0);
    await send(run, [first!]);
    const twin = await send(run, [{ ...event('step-completed', first!.step), clientSeq: first!.clientSeq }]);
    expect([twin.status, twin.body.detail]).to.deep.equal([
      400,
      `This device has already sent another event as its number ${first!.clientSeq}. Reload the page to go on.`,
    ]);
    const foreign = await send(other, [{ ...first!, clientSeq: 900_000 }]);
    expect(foreign.status).to.equal(400);
    expect(foreign.body.detail).to.equal(
      `Event ${first!.id.slice(0, 8)} is ${run.lines[0]!.code}’s already, and stays there. Reload the page to go on.`,
    );
  });

  it('refuses an event that was sent before and says something else now, by name, and keeps the first', async () => {
    const { run } = await started();
    const [first, second] = done(run, 0);
    await send(run, [first!]);
    for (const other of [
      { by: 'Somebody' },
      { kind: 'problem-raised' as const, payload: { problem: 'x' } },
      { clientSeq: 800_000 },
    ]) {
      const { status, body } = await send(run, [second!, { ...first!, ...other }]);
      expect([status, body.detail]).to.satisfy(
        ([code, detail]: [number, string]) =>
          code === 400 &&
          detail.startsWith(`Event ${first!.id.slice(0, 8)} (`) &&
          detail.includes('said something else'),
      );
    }
    const { body } = (await server.api.get(`/api/v1/runs/${run.id}`).expect(200)) as { body: Run };
    expect(body.events.map(({ id, by }) => [id, by])).to.deep.equal([[first!.id, first!.by]]);
    const again = await send(run, [{ ...first!, payload: { ...first!.payload } }, second!]);
    expect(again.status, 'the same once more is harmless').to.equal(200);
  });

  it('lists what is on the floor and what can go there whole, a stretch at a time', async () => {
    const runs = [await started(), await started(), await started()].map(({ run }) => run.id);
    const ready = [];
    for (let i = 0; i < 3; i++) ready.push((await plannedOrder(server)).lines[0]!.id);
    const all = async (path: string, key: 'id' | 'lineId'): Promise<string[]> => {
      const ids: string[] = [];
      for (let cursor: string | null = ''; cursor !== null;) {
        const query: object = { limit: 2, ...(cursor === '' ? {} : { cursor }) };
        const { body } = await server.api.get(`/api/v1${path}`).query(query).expect(200);
        const { items, nextCursor } = body as {
          items: Record<typeof key, string>[];
          nextCursor: string | null;
        };
        expect(items.length).to.be.at.most(2);
        ids.push(...items.map((item) => item[key]));
        cursor = nextCursor;
      }
      expect(new Set(ids).size, 'each once').to.equal(ids.length);
      return ids;
    };
    expect(await all('/runs', 'id')).to.include.members(runs);
    expect(await all('/open-lines?state=ready', 'lineId')).to.include.members(ready);
  });

  it('never changes or loses an event that is written', async () => {
    const { run } = await started();
    await send(run, done(run, 0));
    for (const text of [`update run_event set step = 'x'`, `delete from run_event`]) {
      let refusal = '';
      await sql(server, text).catch((error: unknown) => (refusal = String(error)));
      expect(refusal).to.contain('append-only');
    }
  });

  it('tells open pages of a change, through the database', async () => {
    const http = createServer(server.app);
    await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve));
    const { port } = http.address() as AddressInfo;
    const stream = await fetch(`http://127.0.0.1:${port}/api/v1/live`);
    const reader = stream.body!.getReader();
    const { run } = await started();
    let heard = '';
    while (
      !heard.includes(`"noun" : "run", "id" : "${run.id}"`) &&
      !heard.includes(`"noun":"run","id":"${run.id}"`)
    ) {
      const { value, done: isOver } = await reader.read();
      expect(isOver).to.equal(false);
      heard += Buffer.from(value).toString();
    }
    await reader.cancel();
    http.closeAllConnections();
    http.close();
    expect(heard).to.contain('"kind":"clock"');
  });

  describe('simulated devices', () => {
    it('settle with a lag, then fail in words', async () => {
      const drive = async (knobs: object) => server.api.post('/api/v1/devices/scale/drive').send(knobs);
      const { body: moving } = await drive({ target: 190 });
      expect((moving as { isStable: boolean }).isStable).to.equal(false);
      await new Promise((resolve) => setTimeout(resolve, 4000));
      const { body: list } = (await server.api.get('/api/v1/devices')) as {
        body: { id: string; value: number; isStable: boolean }[];
      };
      expect(list[0]).to.include({ id: 'scale', isStable: true });
      expect(list[0]!.value).to.be.closeTo(190, 0.5);
      const { body: broken } = await drive({ hasFault: true });
      expect(broken).to.include({
        value: null,
        fault: 'The scale sends nothing: check its cable and power.',
      });
      expect((await drive({ target: -5 })).status).to.equal(400);
    });
  });
});
