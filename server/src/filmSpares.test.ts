import type {
  FilmLayout,
  FilmLayoutInput,
  FilmWaiting,
  Problem,
  Run,
  ShelfPacketWhole,
  ShelfUses,
  WaitingTransfers,
} from '@saltflat/contract';
import { expect } from 'chai';
import {
  LAY_SETTINGS,
  chestOrder,
  discPng,
  doneEvents,
  event,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('transfers beyond what a line wants', function () {
  let server: TestServer;
  let artworkId: string;
  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await discPng(), 'tern.png')).body as { id: string });
  });
  after(() => server.stop());

  const waitingOf = async (lineId: string): Promise<WaitingTransfers> => {
    const { items } = await server.get<FilmWaiting>('/film/waiting');
    const found = items.find((own) => own.lineId === lineId);
    if (!found) throw new Error('it does not wait');
    return found;
  };
  /** A line’s transfers and more of them, in one row. */
  const layoutOf = (own: WaitingTransfers, more: number, laid: number): FilmLayoutInput => {
    const itemId = `${own.lineId}/${own.print}/0`;
    return {
      transfers: [
        {
          lineId: own.lineId,
          print: own.print,
          routeNumber: own.routeNumber,
          isFirst: false,
          isUpright: false,
          more,
        },
      ],
      settings: LAY_SETTINGS,
      marks: { isCoded: true, isHeaded: false, isTrimmed: false, isCutLined: false },
      masks: [],
      placements: Array.from({ length: laid }, (_, i) => ({
        key: `${itemId}#${i}`, itemId, sheet: 0, xMm: 10 + 80 * i, yMm: 10, turn: 0,
      })), // prettier-ignore
      by: 'Ines',
    };
  };
  const keep = (input: FilmLayoutInput) => server.api.post('/api/v1/film/layouts').send(input);
  const send = (run: Run, events: unknown[]) =>
    server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
  const putAway = (run: Run) => server.api.post(`/api/v1/runs/${run.id}/left-over`).send({ by: 'Ada' });
  const spoilage = async () => (await server.get<FilmWaiting>('/film/waiting')).spoilage;

  /** Two pieces on the floor with one transfer to spare. */
  async function begun(): Promise<Run> {
    const { lines } = await chestOrder(server, { artworkId, quantity: 2 });
    const own = await waitingOf(lines[0]!.id);
    const layout = (await keep(layoutOf(own, 1, 3)).expect(201)).body as FilmLayout;
    return (await server.api.post(`/api/v1/film/layouts/${layout.id}/runs`).send({ by: 'Ada' }).expect(201))
      .body as Run;
  }
  const transferLane = (run: Run) => run.lines[0]!.route.lanes.find(({ part }) => part === 'transfer')!;

  it('are laid out, each in its place, and are to spare on the floor', async () => {
    const { lines } = await chestOrder(server, { artworkId, quantity: 2 });
    const own = await waitingOf(lines[0]!.id);
    const short = (await keep(layoutOf(own, 2, 3)).expect(400)).body as Problem;
    expect(short.detail).to.equal('1 pieces are not on film yet. Lay it out again, then keep it.');
    expect((await keep(layoutOf(own, 0, 3)).expect(400)).body).to.have.property('detail');
    const run = await begun();
    expect([run.lines[0]!.pieces, transferLane(run).spares]).to.deep.equal([2, 1]);
    expect(run.sheets.map(({ parts }) => parts)).to.deep.equal([
      ['1.transfer-1.1', '1.transfer-1.2', '1.transfer-1.3'],
    ]);
    // read again, and by the server’s own memory, it is the same
    expect(transferLane(await server.get<Run>(`/runs/${run.id}`)).spares).to.equal(1);
  });

  it('go on the shelf where no piece needed them, once', async () => {
    const before = await spoilage();
    const run = await begun();
    await send(run, doneEvents(run, 0));
    const early = await putAway(run);
    expect([early.status, (early.body as Problem).detail]).to.deep.equal([
      409,
      'This run goes on: what is to spare may be needed yet.',
    ]);
    await send(run, [...doneEvents(run, 1), ...doneEvents(run, 2)]);
    const { leftOver } = (await putAway(run).expect(201)).body as ShelfUses;
    expect(leftOver.map(({ pieces }) => pieces)).to.deep.equal([1]);
    const { packet } = await server.get<ShelfPacketWhole>(`/shelf/packets/${leftOver[0]!.id}`);
    expect(packet).to.include({ artwork: 'tern.png', origin: 'made', pieces: 1, free: 1, runId: run.id });
    expect((await putAway(run)).status).to.equal(409);
    const after = await spoilage();
    expect([after.made - before.made, after.lost - before.lost]).to.deep.equal([3, 0]);
  });

  it('save printing again where one is lost, and what was lost is counted', async () => {
    const before = await spoilage();
    const run = await begun();
    await send(run, doneEvents(run, 0));
    const lost = { part: '1.transfer-1.1', isReplaced: true, faults: ['banding'] };
    await send(run, [event('part-lost', null, { lost })]);
    const { items } = await server.get<FilmWaiting>('/film/waiting');
    expect(items.some(({ again }) => again?.runId === run.id)).to.equal(false);
    await send(run, [...doneEvents(run, 1), ...doneEvents(run, 2)]);
    expect((await server.get<Run>(`/runs/${run.id}`)).finishedAt).to.not.equal(null);
    const none = await putAway(run);
    expect((none.body as Problem).detail).to.equal(
      'Nothing is left over of this run: every transfer is on its piece.',
    );
    const after = await spoilage();
    expect([after.made - before.made, after.lost - before.lost]).to.deep.equal([3, 1]);
  });

  it('leave on a roll that was begun what they did not take, for the next layout', async () => {
    const { lines } = await chestOrder(server, { artworkId, quantity: 2 });
    const own = await waitingOf(lines[0]!.id);
    const input = layoutOf(own, 0, 2);
    const rolls = async () => (await server.get<FilmWaiting>('/film/waiting')).rolls;
    expect(await rolls()).to.deep.equal([]);
    const settings = { ...input.settings, rollLeftMm: 9000 };
    const layout = (await keep({ ...input, settings }).expect(201)).body as FilmLayout;
    expect(await rolls(), 'kept is not printed').to.deep.equal([]);
    await server.api.post(`/api/v1/film/layouts/${layout.id}/runs`).send({ by: 'Ada' }).expect(201);
    expect(await rolls()).to.deep.equal([
      { filmId: own.film.id, leftMm: 9000 - layout.lengthMm, after: layout.code },
    ]);
  });
});
