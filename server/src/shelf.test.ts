import { randomUUID } from 'node:crypto';
import type {
  Catalogue,
  FilmWaiting,
  Material,
  Order,
  Problem,
  Run,
  Shelf,
  ShelfMoveInput,
  ShelfPacketWhole,
  ShelfUses,
  ShelfWishes,
} from '@saltflat/contract';
import { expect } from 'chai';
import {
  chestOrder,
  discPng,
  doneEvents,
  event,
  lineInput,
  orderInput,
  planned,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

const DAY_MS = 86_400_000;
const ago = (days: number): string => new Date(Date.now() - days * DAY_MS).toISOString();
const came = { cure: 'full', lot: '', note: '', by: 'Ines' } as const;

describe('transfers on the shelf', function () {
  let server: TestServer;
  let artworkId: string;
  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await discPng(), 'buoy.png')).body as { id: string });
  });
  after(() => server.stop());

  const order = (process: 'dtf' | 'shelf', quantity: number, house = {}): Promise<Order> =>
    chestOrder(server, { artworkId, process, quantity, house });
  const lineOf = ({ lines }: Order): Order['lines'][number] => lines[0]!;
  const start = (own: Order) =>
    server.api.post('/api/v1/runs').send({ lineIds: [lineOf(own).id], by: 'Ada' });
  const send = (run: Run, events: unknown[]) =>
    server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
  const move = (packetId: string, own: Partial<ShelfMoveInput>) =>
    server.api
      .post(`/api/v1/shelf/packets/${packetId}/moves`)
      .send({ kind: 'reserved', pieces: 1, lineId: null, why: '', by: 'Ines', ...own });
  const kinds = async (): Promise<Material[]> =>
    (await server.get<Catalogue>('/catalogue')).materials.filter(({ kind }) => kind === 'shelf-transfer');
  const packetsOf = async (materialId: string, all = false): Promise<Shelf['packets']> =>
    (await server.get<Shelf>(`/shelf${all ? '?all=true' : ''}`)).packets.filter(
      (own) => own.materialId === materialId,
    );

  it('are what a line for stock made: counted as they come out good, dated, with their instructions', async () => {
    const own = await order('dtf', 3, { filmUse: 'stock', powderCure: 'full' });
    const run = (await start(own).expect(201)).body as Run;
    const before = new Set((await kinds()).map(({ id }) => id));
    await send(
      run,
      [0, 1].flatMap((piece) => doneEvents(run, piece)),
    );
    await send(run, doneEvents(run, 2, { verdict: 'scrap', faults: ['stray-powder'] }));
    const last = doneEvents(run, 3);
    await send(run, last);
    const kind = (await kinds()).find(({ id }) => !before.has(id))!;
    const film = run.lines[0]!.route.prints[0]!.sources.find(({ role }) => role === 'film')!;
    const sheet = server.catalogue.materials.find(({ id }) => id === film.id)!.properties;
    expect(kind.properties).to.include({ artwork: 'buoy.png', peel: sheet.peel, keepsDays: 180 });
    expect(kind.properties).to.deep.include({ pressC: sheet.pressC, dwellS: sheet.dwellS });
    const [packet] = await packetsOf(kind.id);
    expect(packet).to.include({
      origin: 'made',
      cure: 'full',
      pieces: 2,
      left: 2,
      free: 2,
      runId: run.id,
      artworkId,
    });
    expect(kind.stock).to.equal(2);
    // a verdict that is taken back takes its transfer back
    await send(run, [event('undone', null, { eventId: last.at(-1)!.id })]);
    expect((await packetsOf(kind.id))[0]).to.include({ pieces: 1, left: 1 });
    await send(run, doneEvents(run, 3));
    expect(await packetsOf(kind.id)).to.have.length(1);
  });

  describe('are taken in place of printing', () => {
    let kind: Material;
    let old: ShelfPacketWhole;
    let young: ShelfPacketWhole;
    before(async () => {
      [kind] = (await kinds()).filter(({ properties }) => properties.artwork === 'buoy.png') as [Material];
      const enter = async (pieces: number, days: number): Promise<ShelfPacketWhole> =>
        (
          await server.api
            .post('/api/v1/shelf/packets')
            .send({ materialId: kind.id, pieces, madeAt: ago(days), ...came })
            .expect(201)
        ).body as ShelfPacketWhole;
      young = await enter(10, 5);
      old = await enter(4, 90);
    });

    it('the oldest first, held from the start of the run, off the count when they are taken', async () => {
      const own = await order('shelf', 6);
      expect(lineOf(own).state).to.equal('ready');
      const run = (await start(own).expect(201)).body as Run;
      const uses = async () =>
        (await server.get<ShelfUses>(`/runs/${run.id}/shelf`)).uses.map(({ code, pieces, taken }) => [code, pieces, taken]); // prettier-ignore
      expect(await uses()).to.deep.equal([
        [old.packet.code, 4, 0],
        [young.packet.code, 2, 0],
      ]);
      const stands = async (id: string) => {
        const { left, onFloor, free } = (await server.get<ShelfPacketWhole>(`/shelf/packets/${id}`)).packet;
        return { left, onFloor, free };
      };
      expect(await stands(old.packet.id)).to.deep.equal({ left: 4, onFloor: 4, free: 0 });
      const take = run.lines[0]!.route.operations.find(({ role }) => role === 'cut')!;
      const taking = doneEvents(run, 0).filter(({ step }) => step?.startsWith(`${take.id}/`));
      await send(run, taking);
      expect(await uses()).to.deep.equal([
        [old.packet.code, 4, 4],
        [young.packet.code, 2, 2],
      ]);
      expect(await stands(young.packet.id)).to.deep.equal({ left: 8, onFloor: 0, free: 8 });
      expect((await packetsOf(kind.id)).map(({ id }) => id)).to.not.include(old.packet.id);
      const gone = (await packetsOf(kind.id, true)).find(({ id }) => id === old.packet.id);
      expect(gone).to.include({ left: 0, onFloor: 0, free: 0 });
      await send(run, [event('undone', null, { eventId: taking.at(-1)!.id })]);
      expect(await stands(old.packet.id)).to.deep.equal({ left: 4, onFloor: 4, free: 0 });
      await send(
        run,
        [0, 1, 2, 3, 4, 5, 6].flatMap((piece) => doneEvents(run, piece)),
      );
      expect(await stands(young.packet.id)).to.deep.equal({ left: 8, onFloor: 0, free: 8 });
    });

    it('and those that are kept for another line are not there for this one', async () => {
      const printed = await order('dtf', 7);
      await move(young.packet.id, { pieces: 7, lineId: lineOf(printed).id }).expect(201);
      const wanted = lineOf(await order('shelf', 9));
      expect(wanted.state).to.equal('failed');
      expect(wanted.planProblem).to.contain('lies there 3 times, and this line has 9 pieces');
      // the line they are kept for may be planned with them
      const { packet, lines } = await server.get<ShelfPacketWhole>(`/shelf/packets/${young.packet.id}`);
      expect(packet.reserved.map(({ code, pieces }) => [code, pieces])).to.deep.equal([
        [lineOf(printed).code, 7],
      ]);
      expect(lines.map(({ code }) => code)).to.include(lineOf(printed).code);
      const whole = await server.get<Order>(`/orders/${printed.id}`);
      const { prints, ...line } = lineInput(server);
      const change = {
        ...orderInput(server, null),
        version: whole.version,
        lines: [
          {
            ...line,
            id: lineOf(printed).id,
            sizes: [{ size: 'M', quantity: 7 }],
            prints: [
              {
                ...prints[0]!,
                id: '1',
                placement: 'left-chest',
                dropMm: 75,
                widthMm: 70,
                process: 'shelf',
                artworkId,
              },
            ],
          },
        ],
      };
      await server.api.put(`/api/v1/orders/${printed.id}`).send(change).expect(200);
      const changed = await planned(server, printed.id);
      expect(lineOf(changed).state).to.equal('ready');
      await start(changed).expect(201);
      const { uses } = await server.get<ShelfUses>(
        `/runs/${((await server.get<{ items: { id: string; lines: { lineId: string }[] }[] }>('/runs?state=active')).items.find(({ lines: own }) => own[0]!.lineId === lineOf(printed).id))!.id}/shelf`,
      ); // prettier-ignore
      expect(uses.map(({ code, pieces }) => [code, pieces])).to.deep.equal([[young.packet.code, 7]]);
    });

    it('what is kept for a line that is cancelled is free, until its order is restored', async () => {
      const [packet] = (await packetsOf(kind.id)).filter(({ free }) => free > 0);
      if (!packet) throw new Error('nothing is free');
      const wanting = await order('dtf', 1);
      await move(packet.id, { pieces: 1, lineId: lineOf(wanting).id }).expect(201);
      const free = async () =>
        (await server.get<ShelfPacketWhole>(`/shelf/packets/${packet.id}`)).packet.free;
      expect(await free()).to.equal(packet.free - 1);
      const { version } = await server.get<Order>(`/orders/${wanting.id}`);
      await server.api.post(`/api/v1/orders/${wanting.id}/cancel`).send({ version }).expect(200);
      expect(await free()).to.equal(packet.free);
      await server.api
        .post(`/api/v1/orders/${wanting.id}/restore`)
        .send({ version: version + 1 })
        .expect(200);
      expect(await free()).to.equal(packet.free - 1);
      await planned(server, wanting.id);
      await move(packet.id, { kind: 'freed', pieces: 1, lineId: lineOf(wanting).id }).expect(201);
    });

    it('a line that was planned with what has gone since cannot begin', async () => {
      const late = await order('shelf', 3);
      expect(lineOf(late).state).to.equal('ready');
      const packets = (await packetsOf(kind.id)).filter(({ free }) => free > 0);
      // another run takes them before this line is planned anew
      const others = await order(
        'shelf',
        packets.reduce((sum, { free }) => sum + free, 0),
      );
      await start(others).expect(201);
      const { status, body } = await start(late);
      expect(status).to.equal(409);
      expect((body as Problem).detail).to.match(/takes 3 of “buoy, .*” off the shelf, and 0 are free/);
      expect((await server.get<Order>(`/orders/${late.id}`)).lines[0]!.state).to.equal('ready');
    });
  });

  it('are counted, thrown away, sold where the image may be, and refused in words otherwise', async () => {
    const supplier = server.catalogue.materials.find(({ kind }) => kind === 'bought-in')!;
    const { body } = await server.api
      .post('/api/v1/shelf/bought')
      .send({
        supplierId: supplier.id,
        artwork: 'buoy.png',
        widthMm: 88,
        centsEach: 140,
        pieces: 25,
        madeAt: ago(1),
        ...came,
        lot: 'Q-9',
      })
      .expect(201);
    const { packet } = body as ShelfPacketWhole;
    expect(packet).to.include({
      origin: 'bought',
      artwork: 'buoy.png',
      widthMm: 88,
      free: 25,
      rights: 'unasked',
    });
    expect(packet.instructions.peel).to.equal(supplier.properties.peel);
    expect(packet.lots).to.deep.equal([{ material: 'Transfers', lot: 'Q-9' }]);
    // more of the same is of the same kind
    const more = {
      supplierId: supplier.id,
      artwork: 'buoy.png',
      widthMm: 88,
      centsEach: 140,
      pieces: 4,
      madeAt: ago(0),
      ...came,
    };
    const second = (await server.api.post('/api/v1/shelf/bought').send(more).expect(201))
      .body as ShelfPacketWhole;
    expect(second.packet.materialId).to.equal(packet.materialId);
    await move(second.packet.id, { kind: 'thrown', pieces: 4 }).expect(201);
    const refused = async (own: Partial<ShelfMoveInput>): Promise<string> => {
      const answer = await move(packet.id, own);
      expect(answer.status, JSON.stringify(own)).to.be.oneOf([400, 409]);
      return (answer.body as Problem).detail;
    };
    expect(await refused({ kind: 'sold', pieces: 26 })).to.equal(
      'Transfers: 25 are free to be sold, not 26.',
    );
    expect(await refused({ kind: 'thrown', pieces: 0 })).to.equal('Transfers: say how many, 1 at least.');
    expect(await refused({ kind: 'counted', pieces: 25 })).to.contain('25 are counted there already');
    expect(await refused({ lineId: randomUUID() })).to.contain('choose one that is not on the floor yet');
    expect(await refused({ kind: 'freed', lineId: randomUUID() })).to.contain(
      'nothing of this packet is kept',
    );
    await move(packet.id, { kind: 'sold', pieces: 5 }).expect(201);
    await server.api
      .put(`/api/v1/artworks/${artworkId}/rights`)
      .send({ rights: 'refused', note: '', by: 'Ines' });
    expect(await refused({ kind: 'sold', pieces: 1 })).to.contain('not to be sold as a transfer');
    await move(packet.id, { kind: 'thrown', pieces: 2, why: 'damp' }).expect(201);
    const after = (await move(packet.id, { kind: 'counted', pieces: 19 }).expect(201))
      .body as ShelfPacketWhole;
    expect(after.packet).to.include({ left: 19, free: 19 });
    expect(after.history.map(({ kind, pieces, why, rights }) => [kind, pieces, why, rights])).to.deep.equal([
      ['counted', 1, '', null],
      ['thrown', -2, 'damp', null],
      ['sold', -5, '', 'unasked'],
    ]);
    const labels = await server.api.get(`/api/v1/shelf/labels.pdf?packets=${packet.id}`).expect(200);
    expect((labels.body as Buffer).subarray(0, 5).toString()).to.equal('%PDF-');
  });

  it('refuses a day that has not come, and a kind that is none', async () => {
    const [kind] = await kinds();
    const later = await server.api
      .post('/api/v1/shelf/packets')
      .send({ materialId: kind!.id, pieces: 5, madeAt: ago(-2), ...came });
    expect((later.body as Problem).detail).to.contain('that day has not come yet');
    const film = server.catalogue.materials.find((own) => own.kind === 'film')!;
    const other = await server.api
      .post('/api/v1/shelf/packets')
      .send({ materialId: film.id, pieces: 5, madeAt: ago(1), ...came });
    expect(other.status).to.equal(400);
  });

  it('are kept ready as many as the shop wishes: what runs short is printed like it was printed before', async () => {
    const made = await order('dtf', 2);
    const wishes = async () => (await server.get<ShelfWishes>('/shelf/wishes')).wishes;
    const kind = (await kinds()).find(({ properties }) => properties.artwork === 'buoy.png')!;
    expect((await wishes()).map(({ materialId }) => materialId)).to.not.include(kind.id);
    const free = (await packetsOf(kind.id)).reduce((sum, own) => sum + own.free, 0);
    const { id, version, learnt: _learnt, ...record } = kind;
    // what lies there is counted by the shelf itself
    const input = { ...record, stock: null, properties: { ...record.properties, keepAtLeast: free + 9 } };
    await server.api.put(`/api/v1/shop/materials/${id}`).send({ version, record: input }).expect(200);
    await planned(server, made.id); // what is on the shelf concerns its route
    const wishOf = async () => (await wishes()).find(({ materialId }) => materialId === kind.id);
    expect(await wishOf()).to.deep.include({ wished: free + 9, free, coming: 0, missing: 9 });
    expect((await wishOf())?.like).to.include({ lineId: lineOf(made).id });
    const { body } = await server.api
      .post('/api/v1/shelf/orders')
      .send({ materialId: kind.id, pieces: 9 })
      .expect(201);
    const taken = lineOf(await planned(server, (body as Order).id));
    expect(taken).to.deep.include({ state: 'ready', pieces: 9, house: { filmUse: 'stock' } });
    expect(taken.prints.map(({ widthMm, process }) => [widthMm, process])).to.deep.equal([[70, 'dtf']]);
    // it is on its way, and nobody is asked for it twice
    expect(await wishOf()).to.deep.include({ coming: 9, missing: 0 });
    const { items } = await server.get<FilmWaiting>('/film/waiting');
    const [size] = items.find(({ lineId }) => lineId === taken.id)?.sizes ?? [];
    expect(size?.slots).to.have.length(9);
    expect(size?.widthMm, 'as wide on film as what lies there').to.be.closeTo(
      Number(kind.properties.widthMm),
      0.5,
    );
  });
});
