import type { Order, OrderChange, PreparationInput, Problem, Run, RouteVersion } from '@saltflat/contract';
import { expect } from 'chai';
import {
  doneEvents,
  lineInput,
  orderInput,
  plannedOrder,
  planned,
  sql,
  startTestServer,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

const ROUNDS = 8;

interface Answer<T = unknown> {
  status: number;
  body: T & Problem;
}

describe('two at once', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const post = async <T = unknown>(path: string, body: object): Promise<Answer<T>> => {
    const answer = await server.api.post(`/api/v1${path}`).send(body);
    return { status: answer.status, body: answer.body as T & Problem };
  };
  const put = async <T = unknown>(path: string, body: object): Promise<Answer<T>> => {
    const answer = await server.api.put(`/api/v1${path}`).send(body);
    return { status: answer.status, body: answer.body as T & Problem };
  };
  const get = <T>(path: string): Promise<T> => server.get(path);
  const start = (order: Order, line = 0): Promise<Answer<Run>> =>
    post<Run>('/runs', { lineIds: [order.lines[line]!.id], by: 'Ada' });
  const edit = (order: Order, own: Partial<OrderChange> = {}): Promise<Answer<Order>> => {
    const { customer, dueAt, version, lines } = order;
    const [line] = lines;
    const { sizes, styleId, prints } = line!;
    const { artwork, placement, dropMm, process } = prints[0]!;
    const changed = {
      id: line!.id,
      ...lineInput(server, {
        artworkId: artwork!.id,
        placement,
        dropMm,
        process,
        sizes,
        styleId,
        widthMm: 180,
      }),
    };
    return put<Order>(`/orders/${order.id}`, {
      customer,
      dueAt,
      version,
      note: '',
      lines: [changed],
      ...own,
    });
  };
  const was = (answers: readonly Answer[], status: number): number =>
    answers.filter((own) => own.status === status).length;

  it('cannot both put a line on the floor and change, cancel or plan it: one is refused in words', async () => {
    for (let round = 0; round < ROUNDS; round++) {
      const order = await plannedOrder(server);
      const [line] = order.lines;
      const others: (() => Promise<Answer>)[] = [
        () => edit(order),
        () => post(`/orders/${order.id}/cancel`, { version: order.version }),
        () => post(`/lines/${line!.id}/routes`, { overrides: [], basedOn: line!.routeNumber }),
        () => put(`/lines/${line!.id}/artwork`, { print: '1', artworkId: line!.prints[0]!.artwork!.id }),
      ];
      const other = others[round % others.length]!;
      const [started, done] = await Promise.all([start(order), other()]);
      expect(
        [started.status, done.status].every((own) => own < 500),
        'no fault of ours',
      ).to.equal(true);
      for (const { status, body } of [started, done])
        if (status >= 400) expect(body.detail).to.match(/[.?!]$/);
      const now = await planned(server, order.id);
      const runs = await sql(
        server,
        `select count(*)::int as count from run_line where line_id = '${line!.id}'`,
      );
      const isRunning = now.lines[0]!.state === 'running';
      expect((runs as [{ count: number }[]])[0][0]!.count, 'a run where it is on the floor').to.equal(
        isRunning ? 1 : 0,
      );
      expect(started.status === 201).to.equal(isRunning);
      expect(now.state === 'cancelled' && isRunning, 'never both').to.equal(false);
      if (isRunning) expect(started.body.lines[0]!.routeNumber).to.equal(now.lines[0]!.routeNumber);
    }
  });

  it('cannot both start a line, change an order from one version, or give a line its next route', async () => {
    const order = await plannedOrder(server);
    const starts = await Promise.all([start(order), start(order), start(order)]);
    expect([was(starts, 201), was(starts, 409)]).to.deep.equal([1, 2]);

    const edited = await plannedOrder(server);
    const edits = await Promise.all(
      Array.from({ length: 4 }, (_own, i) => edit(edited, { note: `by ${i}` })),
    );
    expect([was(edits, 200), was(edits, 409)]).to.deep.equal([1, 3]);

    const routed = await plannedOrder(server);
    const [line] = routed.lines;
    const own = { operation: 'press-transfer', setting: 'dwellS', who: 'Ines', why: 'thick seam' };
    const routes = await Promise.all(
      [16, 17, 18].map((value) =>
        post<RouteVersion>(`/lines/${line!.id}/routes`, {
          overrides: [{ ...own, value }],
          basedOn: line!.routeNumber,
        }),
      ),
    );
    expect([was(routes, 201), was(routes, 409)]).to.deep.equal([1, 2]);
    expect(await get<RouteVersion[]>(`/lines/${line!.id}/routes`)).to.have.length(2);
  });

  it('cannot both make an artwork ready for one line, and number what they keep one after the other', async () => {
    const order = await plannedOrder(server);
    const [line] = order.lines;
    const preparation = (tol: number): PreparationInput => ({
      steps: [{ kind: 'knock-out', hex: '#040404', tol, soft: 5, mode: 'global' }],
      white: {},
      print: '1',
      widthMm: line!.prints[0]!.widthMm,
      overrides: [],
      basedOn: line!.routeNumber,
      by: 'Ada',
    });
    const answers = await Promise.all(
      [4, 8, 12].map((tol) => post(`/lines/${line!.id}/preparations`, preparation(tol))),
    );
    expect([was(answers, 201), was(answers, 409)]).to.deep.equal([1, 2]);
    const kept = await get<{ number: number }[]>(`/artworks/${line!.prints[0]!.artwork!.id}/preparations`);
    expect(new Set(kept.map(({ number }) => number)).size).to.equal(kept.length);
  });

  it('finish two lines of one order: the order is done, whoever is first', async () => {
    for (let round = 0; round < 4; round++) {
      const first = await plannedOrder(server);
      const artworkId = first.lines[0]!.prints[0]!.artwork!.id;
      const lines = [lineInput(server, { artworkId }), lineInput(server, { artworkId, widthMm: 150 })];
      const { body } = await post<Order>('/orders', orderInput(server, artworkId, { lines }));
      const order = await planned(server, body.id);
      const runs = [(await start(order, 0)).body, (await start(order, 1)).body];
      const finish = async (run: Run): Promise<Answer> =>
        post(`/runs/${run.id}/events`, { events: [0, 1, 2].flatMap((piece) => doneEvents(run, piece)) });
      const answers = await Promise.all(runs.map(finish));
      expect(answers.map(({ status }) => status)).to.deep.equal([200, 200]);
      const now = await get<Order>(`/orders/${order.id}`);
      const isAll = now.lines.every(({ state }) => state === 'done');
      expect(now.state).to.equal(isAll ? 'done' : 'running');
      expect(isAll, 'both were inspected').to.equal(true);
    }
  });
});
