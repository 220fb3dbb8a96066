import type { Floor, Found, OpenLines, Order, Run } from '@saltflat/contract';
import { expect } from 'chai';
import {
  discPng,
  doneEvents,
  lineInput,
  orderInput,
  planned,
  plannedOrder,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('what pages ask at once', function () {
  let server: TestServer;
  let order: Order;
  before(async () => {
    server = await startTestServer();
    const { id } = (await upload(server, await discPng(), 'Harbour lantern.png')).body as { id: string };
    const [first] = orderInput(server, id).lines;
    const lines = [
      { ...lineInput(server), prints: first!.prints },
      { ...lineInput(server), prints: first!.prints },
    ];
    const { body } = await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, id, { lines }))
      .expect(201);
    order = await planned(server, (body as Order).id);
  });
  after(() => server.stop());

  const find = async (text: string): Promise<Found> =>
    (await server.api.get('/api/v1/find').query({ text }).expect(200)).body as Found;
  const floor = async (known: { runId: string; events: number }[]): Promise<Floor> =>
    (await server.api.post('/api/v1/floor').send({ known }).expect(200)).body as Floor;

  it('finds lines by the code of their order, and a line by its own, however it is written', async () => {
    const all = order.lines.map(({ code }) => code);
    expect((await find(order.code.toLowerCase())).lines.map(({ code }) => code)).to.deep.equal(all);
    expect((await find(all[1]!.toLowerCase())).lines.map(({ code }) => code)).to.deep.equal([all[1]]);
    expect((await find(all[1]!)).lines[0]).to.include({ orderId: order.id, customer: order.customer });
  });

  it('finds an artwork by words of its file’s name, and where it was printed last', async () => {
    const { artworks } = await find('lantern harb');
    expect(artworks).to.have.length(1);
    expect(artworks[0]).to.include({ name: 'Harbour lantern.png', customer: order.customer });
    expect(order.lines.map(({ id }) => id)).to.include(artworks[0]!.lineId);
    expect((await find('% lantern_')).artworks, 'signs are letters').to.deep.equal([]);
  });

  it('lists the lines of open orders with their art, of one state where that is asked', async () => {
    const { items } = (await server.api.get('/api/v1/open-lines').expect(200)).body as OpenLines;
    const own = items.filter(({ orderId }) => orderId === order.id);
    expect(own.map(({ state, artworkIds }) => [state, artworkIds.length])).to.deep.equal([
      ['ready', 1],
      ['ready', 1],
    ]);
    const running = await server.api.get('/api/v1/open-lines?state=running').expect(200);
    expect((running.body as OpenLines).items.filter(({ orderId }) => orderId === order.id)).to.deep.equal([]);
  });

  it('tells the floor by what is new: whole runs where none is known, then only their events, then what is over', async () => {
    const { lines } = await plannedOrder(server);
    const started = await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [lines[0]!.id], by: 'Ines' })
      .expect(201);
    const run = started.body as Run;
    const own = ({ runs }: Floor) => runs.find(({ runId }) => runId === run.id);
    expect(own(await floor([]))?.whole?.lines[0]?.code).to.equal(lines[0]!.code);
    expect(own(await floor([{ runId: run.id, events: 0 }]))).to.deep.include({ whole: null, events: [] });
    const events = [0, 1, 2].flatMap((piece) => doneEvents(run, piece));
    await server.api
      .post(`/api/v1/runs/${run.id}/events`)
      .send({ events: events.slice(0, 2) })
      .expect(200);
    const news = own(await floor([{ runId: run.id, events: 1 }]));
    expect(news?.events.map(({ id }) => id)).to.deep.equal([events[1]!.id]);
    await server.api
      .post(`/api/v1/runs/${run.id}/events`)
      .send({ events: events.slice(2) })
      .expect(200);
    const over = own(await floor([{ runId: run.id, events: 2 }]));
    expect(over?.finishedAt).to.be.a('string');
    expect(over?.events).to.have.length(events.length - 2);
    expect(own(await floor([])), 'nobody who does not know it is told of it').to.equal(undefined);
  });
});
