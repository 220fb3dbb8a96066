import { runPlanOf } from '@saltflat/contract';
import type {
  FilmLayout,
  FilmLayoutInput,
  FilmWaiting,
  Order,
  Problem,
  Run,
  WaitingTransfers,
} from '@saltflat/contract';
import { compileSteps, deriveRun } from '@saltflat/core/run';
import type { RunState } from '@saltflat/core/run';
import { expect } from 'chai';
import { LAY_SETTINGS, chestOrder, discPng, event, startTestServer, upload } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

const FILM = ['set-up', 'print', 'powder', 'melt', 'cut'];

describe('a transfer that was spoiled', function () {
  let server: TestServer;
  let artworkId: string;
  let host: Order;
  let spoiled: Run;
  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await discPng(), 'buoy.png')).body as { id: string });
    spoiled = await start(await order(3));
    await send(
      spoiled,
      filmSteps(spoiled).map((step) => event('step-completed', step)),
    );
    const lost = { part: '1.transfer-1.2', isReplaced: true, faults: ['powder-on-film'] };
    await send(spoiled, [event('part-lost', null, { lost })]);
    host = await order(2);
  });
  after(() => server.stop());

  const order = (quantity: number): Promise<Order> => chestOrder(server, { artworkId, quantity });
  const start = async ({ lines }: Order): Promise<Run> =>
    (await server.api.post('/api/v1/runs').send({ lineIds: [lines[0]!.id], by: 'Ada' }).expect(201)).body as Run; // prettier-ignore
  const send = (run: Run, events: unknown[]) =>
    server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
  /** What is done to film in a run as it was begun, in order. */
  const filmSteps = (run: Run): string[] =>
    compileSteps(runPlanOf(run))
      .filter(({ operation, parts }) => FILM.includes(operation.role) && parts[0]?.lane === 'transfer-1')
      .map(({ id }) => id);
  const stateOf = async (run: Run): Promise<RunState> => {
    const { events } = await server.get<Run>(`/runs/${run.id}`);
    return deriveRun(runPlanOf(run), events);
  };
  const waiting = async (): Promise<WaitingTransfers[]> =>
    (await server.get<FilmWaiting>('/film/waiting')).items;
  const madeAgain = async (): Promise<WaitingTransfers | undefined> =>
    (await waiting()).find(({ again }) => again?.runId === spoiled.id);

  /** All of two lines on one sheet, side by side. */
  const layoutOf = (all: readonly WaitingTransfers[]): FilmLayoutInput => {
    const pieces = all.flatMap((own) =>
      own.sizes.flatMap(({ slots }, n) =>
        slots.map((_, i) => ({ itemId: `${own.lineId}/${own.print}/${n}`, i })),
      ),
    );
    return {
      transfers: all.map(({ lineId, print, routeNumber }) => ({
        lineId,
        print,
        routeNumber,
        isFirst: false,
        isUpright: false,
        more: 0,
      })),
      settings: LAY_SETTINGS,
      marks: { isCoded: false, isHeaded: false, isTrimmed: false, isCutLined: false },
      masks: [],
      placements: pieces.map(({ itemId, i }, k) => ({
        key: `${itemId}#${i}`, itemId, sheet: 0, xMm: 10 + 80 * k, yMm: 10, turn: 0,
      })), // prettier-ignore
      by: 'Ines',
    };
  };

  it('waits for the next film: exactly what is missing, with what it costs and why', async () => {
    const own = await madeAgain();
    expect(own).to.deep.include({ code: spoiled.lines[0]!.code, spares: 0, artworkId });
    expect(own?.sizes.map(({ slots }) => slots)).to.deep.equal([[2]]);
    expect(own?.again).to.deep.include({ parts: ['1.transfer-1.2~2'], faults: ['powder-on-film'] });
    const consumed = spoiled.lines[0]!.route.operations.filter(
      ({ lane, role }) => lane === 'transfer-1' && FILM.includes(role),
    ).flatMap(({ consumes }) => consumes.map(({ cents }) => cents));
    expect(own?.again?.cents).to.be.closeTo(
      consumed.reduce((sum, cents) => sum + cents, 0),
      1e-6,
    );
    expect(own?.again?.cents).to.be.greaterThan(1);
  });

  it('lies on another line’s film, and one tap is for all that is on it', async () => {
    const own = (await madeAgain())!;
    const other = (await waiting()).find(({ lineId }) => lineId === host.lines[0]!.id)!;
    const kept = (
      await server.api
        .post('/api/v1/film/layouts')
        .send(layoutOf([other, own]))
        .expect(201)
    ).body as FilmLayout;
    expect(kept.pieces).to.equal(3);
    const { body } = await server.api
      .post(`/api/v1/film/layouts/${kept.id}/runs`)
      .send({ by: 'Ada' })
      .expect(201);
    const run = body as Run;
    expect(run.lines.map(({ lineId }) => lineId)).to.deep.equal([host.lines[0]!.id]);
    expect(run.guests).to.deep.equal([
      { sheet: '1', runId: spoiled.id, part: '1.transfer-1.2~2', code: `${spoiled.lines[0]!.code} 2` },
    ]);
    expect(await madeAgain()).to.equal(undefined);

    const done = async (): Promise<number> => (await stateOf(spoiled)).parts['1.transfer-1.2~2']!.done;
    expect(await done()).to.equal(1); // its printer is ready already
    const [ready, print, ...rest] = filmSteps(run);
    await send(run, [event('step-completed', ready!)]);
    const printed = event('step-completed', print!);
    await send(run, [printed]);
    expect(await done()).to.equal(2);
    await send(run, [printed]); // sent again it counts once
    expect(await done()).to.equal(2);
    await send(run, [event('undone', null, { eventId: printed.id })]);
    expect(await done()).to.equal(1);
    await send(
      run,
      [print!, ...rest].map((step) => event('step-completed', step)),
    );
    const state = await stateOf(spoiled);
    const chain = spoiled.lines[0]!.route.operations.filter(({ lane }) => lane === 'transfer-1');
    expect(state.parts['1.transfer-1.2~2']!.done).to.equal(chain.length);
    expect(state.ignored).to.deep.equal([]);
    // the other line’s own pieces are where they would be without it
    const hosted = await stateOf(run);
    expect(Object.values(hosted.parts).filter(({ lane, done: own }) => lane === 'transfer-1' && own > 0)).to.have.length(2); // prettier-ignore
  });

  it('is lost with all of the film it lies on, and comes back with an undo', async () => {
    const lost = { part: '1.transfer-1.1', isReplaced: true, faults: ['banding'] };
    await send(spoiled, [event('part-lost', null, { lost })]);
    const again = '1.transfer-1.1~2';
    const other = await chestOrder(server, { artworkId, quantity: 2 });
    const own = (await madeAgain())!;
    expect(own.again?.parts).to.deep.equal([again]);
    const beside = (await waiting()).find(({ lineId }) => lineId === other.lines[0]!.id)!;
    const kept = (
      await server.api
        .post('/api/v1/film/layouts')
        .send(layoutOf([beside, own]))
        .expect(201)
    ).body as FilmLayout;
    const { body } = await server.api
      .post(`/api/v1/film/layouts/${kept.id}/runs`)
      .send({ by: 'Ada' })
      .expect(201);
    const run = body as Run;
    const [ready, print] = filmSteps(run);
    await send(run, [event('step-completed', ready!), event('step-completed', print!)]);
    const loss = (slot: number) =>
      event('part-lost', null, {
        lost: { part: `1.transfer-1.${slot}`, isReplaced: true, faults: ['powder-on-film'] },
      });
    const isLost = async (): Promise<boolean> => (await stateOf(spoiled)).parts[again]!.isLost;
    await send(run, [loss(1)]);
    expect(await isLost(), 'the other half is good').to.equal(false);
    const last = loss(2);
    await send(run, [last]);
    expect(await isLost()).to.equal(true);
    const { again: anew } = (await madeAgain())!;
    expect(anew).to.deep.include({ parts: ['1.transfer-1.1~3'], faults: ['banding', 'powder-on-film'] });
    await send(run, [event('undone', null, { eventId: last.id })]);
    expect(await isLost()).to.equal(false);
    // cut apart it is by itself: what is lost of the others then is no matter of its own
    await send(
      run,
      filmSteps(run)
        .slice(2)
        .map((step) => event('step-completed', step.replace('1.transfer-1.1-2', '1.transfer-1.2'))),
    );
    await send(run, [loss(2)]);
    expect(await isLost()).to.equal(false);
  });

  it('is no reason to begin a run by itself', async () => {
    const lost = { part: '1.transfer-1.3', isReplaced: true, faults: ['banding'] };
    await send(spoiled, [event('part-lost', null, { lost })]);
    const own = (await madeAgain())!;
    expect(own.sizes.map(({ slots }) => slots)).to.deep.equal([[3]]);
    const kept = (
      await server.api
        .post('/api/v1/film/layouts')
        .send(layoutOf([own]))
        .expect(201)
    ).body as FilmLayout;
    const answer = await server.api.post(`/api/v1/film/layouts/${kept.id}/runs`).send({ by: 'Ada' });
    expect(answer.status).to.equal(409);
    expect((answer.body as Problem).detail).to.contain('print it from there');
    // what was laid out and is printed meanwhile is not printed twice
    await send(spoiled, [event('step-completed', 'print-film/1.transfer-1.3~2')]);
    const late = await server.api.post('/api/v1/film/layouts').send(layoutOf([own]));
    expect((late.body as Problem).detail).to.contain('does not wait for film any more');
  });
});
