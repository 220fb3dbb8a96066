import type { FilmWaiting, Order } from '@saltflat/contract';
import { expect } from 'chai';
import { discPng, lineInput, orderInput, planned, startTestServer, upload } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('what waits for film', function () {
  let server: TestServer;
  let artworkId: string;
  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await discPng(11), 'disc.png')).body as { id: string });
  });
  after(() => server.stop());

  const print = { placement: 'full-front', dropMm: 75, widthMm: 150, process: 'dtf' } as const;
  async function takeIn(
    dueAt: string,
    sizes: { size: string; quantity: number }[],
    process: 'dtf' | 'dtg' = 'dtf',
  ) {
    const line = { ...lineInput(server), sizes, prints: [{ ...print, artworkId, process }] };
    const { body } = await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, null, { dueAt, lines: [line] }))
      .expect(201);
    return planned(server, (body as Order).id);
  }

  it('is every transfer of lines that are ready, soonest due first, until they are on the floor', async () => {
    const later = await takeIn('2032-03-02T10:00:00.000Z', [{ size: 'M', quantity: 2 }, { size: 'L', quantity: 3 }]); // prettier-ignore
    const sooner = await takeIn('2032-03-01T10:00:00.000Z', [{ size: 'M', quantity: 1 }]);
    await takeIn('2032-03-01T09:00:00.000Z', [{ size: 'M', quantity: 1 }], 'dtg');
    const { items, isMore } = await server.get<FilmWaiting>('/film/waiting');
    expect(isMore).to.equal(false);
    expect(items.map(({ lineId }) => lineId)).to.deep.equal([sooner.lines[0]?.id, later.lines[0]?.id]);
    const [, own] = items;
    expect(own?.artworkId).to.equal(artworkId);
    expect(own?.steps).to.deep.equal([]);
    expect(own?.film.name).to.be.a('string');
    // the disc is 140 of the 200 that the picture is wide, and all sizes are printed alike: one size, every piece
    expect(own?.sizes).to.deep.equal([{ widthMm: 105, heightMm: 105, slots: [1, 2, 3, 4, 5] }]);

    const line = sooner.lines[0]?.id ?? '';
    const sheets = [[{ lineId: line, print: own?.print, pieces: [1] }]];
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [line], sheets, by: 'Ines' })
      .expect(201);
    const left = await server.get<FilmWaiting>('/film/waiting');
    expect(left.items.map(({ lineId }) => lineId)).to.deep.equal([later.lines[0]?.id]);
  });
});
