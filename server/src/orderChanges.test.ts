import type { Order, OrderInput, OrderLineInput, Problem, RunPage } from '@saltflat/contract';
import { expect } from 'chai';
import sharp from 'sharp';
import {
  discPng,
  lineInput,
  orderInput,
  planned,
  plannedOrder,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('changes of an order', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const line = (own: Parameters<typeof lineInput>[1] = {}): OrderLineInput => lineInput(server, own);
  const takeIn = async (lines: OrderLineInput[]): Promise<Order> =>
    (
      await server.api
        .post('/api/v1/orders')
        .send(orderInput(server, null, { lines }))
        .expect(201)
    ).body as Order;
  const change = async (order: Order, own: Partial<OrderInput>, status = 200): Promise<Order & Problem> =>
    (
      await server.api
        .put(`/api/v1/orders/${order.id}`)
        .send({
          ...orderInput(server, null),
          lines: order.lines.map(asInput),
          ...own,
          version: order.version,
        })
        .expect(status)
    ).body as Order & Problem;
  const asInput = ({ id, sizes, prints: [print] }: Order['lines'][number]): OrderLineInput =>
    line({ id, sizes, artworkId: print!.artwork?.id ?? null });
  const codes = ({ lines }: Order): string[] => lines.map(({ code }) => code);

  it('give each line a code once: it is kept when others go, and never given again', async () => {
    const order = await takeIn([line(), line(), line()]);
    expect(codes(order)).to.deep.equal([1, 2, 3].map((place) => `${order.code}/${place}`));
    const [first, , third] = order.lines;
    const fewer = await change(order, { lines: [asInput(first!), asInput(third!)] });
    expect(fewer.lines.map(({ id }) => id)).to.deep.equal([first!.id, third!.id]);
    const alone = await change(fewer, { lines: [asInput(third!)] });
    expect(codes(alone)).to.deep.equal([`${order.code}/3`]);
    const again = await change(alone, { lines: [asInput(third!), line()] });
    expect(codes(again)).to.deep.equal([`${order.code}/3`, `${order.code}/4`]);
    const gone = await change(again, { lines: [line()] });
    expect(codes(gone)).to.deep.equal([`${order.code}/5`]);
  });

  it('leave the code under a printed bar code alone when a line is added', async () => {
    const order = await plannedOrder(server);
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [order.lines[0]!.id], by: 'Ada' })
      .expect(201);
    const now = (await server.api.get(`/api/v1/orders/${order.id}`)).body as Order;
    const more = await change(now, { lines: [...now.lines.map(asInput), line()] });
    expect(codes(more)).to.deep.equal([order.code, `${order.code}/2`]);
    const { items } = (await server.api.get('/api/v1/runs').query({ state: 'active' })).body as RunPage;
    expect(items[0]?.lines[0]?.code).to.equal(order.code);
  });

  it('add a line beside those there are, which stay the lines they were', async () => {
    const order = await takeIn([line()]);
    const more = await change(order, {
      lines: [...order.lines.map(asInput), line({ sizes: [{ size: 'L', quantity: 7 }] })],
    });
    expect(more.lines.map(({ pieces }) => pieces)).to.deep.equal([2, 7]);
    expect(more.lines[0]!.id).to.equal(order.lines[0]!.id);
  });

  it('refuse a line of another order, and an order without any', async () => {
    const [order, other] = [await takeIn([line()]), await takeIn([line()])];
    const foreign = await change(order, { lines: [asInput(other.lines[0]!)] }, 400);
    expect(foreign.fields?.map(({ path }) => path)).to.deep.equal(['/lines/0/id']);
    const none = await change(order, { lines: [] }, 400);
    expect(none.fields?.map(({ path }) => path)).to.deep.equal(['/lines']);
  });

  it('leave a line on the floor as it is, and let its neighbours change', async () => {
    const { id: artworkId } = (await plannedOrder(server)).lines[0]!.prints[0]!.artwork!;
    const order = await plannedOrder(server, {
      lines: [line({ artworkId }), line({ artworkId })],
    });
    const [busy, free] = order.lines;
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [busy!.id], by: 'Ada' })
      .expect(201);
    const now = (await server.api.get(`/api/v1/orders/${order.id}`)).body as Order;
    const more = [{ size: 'M', quantity: 9 }];
    const refused = await change(now, { lines: [{ ...asInput(busy!), sizes: more }, asInput(free!)] }, 409);
    expect(refused.detail).to.contain(`${order.code}/1 is on the floor`);
    const gone = await change(now, { lines: [asInput(free!)] }, 409);
    expect(gone.detail).to.contain('on the floor');
    const taken = await change(now, { lines: [asInput(busy!), { ...asInput(free!), sizes: more }] });
    expect(taken.lines.map(({ pieces }) => pieces)).to.deep.equal([2, 9]);
  });

  it('refuse a change of an order that is cancelled, and say how to get at it', async () => {
    const order = await takeIn([line()]);
    await server.api.post(`/api/v1/orders/${order.id}/cancel`).send({ version: order.version }).expect(200);
    const now = (await server.api.get(`/api/v1/orders/${order.id}`)).body as Order;
    expect((await change(now, { note: 'after all' }, 409)).detail).to.contain(
      'Restore it before changing it',
    );
  });

  it('copy everything but what was done', async () => {
    const order = await plannedOrder(server, { note: 'fold in three' });
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [order.lines[0]!.id], by: 'Ada' })
      .expect(201);
    const copy = (await server.api.post(`/api/v1/orders/${order.id}/duplicate`).expect(201)).body as Order;
    expect(copy).to.include({ customer: order.customer, note: 'fold in three' });
    expect(copy.code).to.not.equal(order.code);
    expect(copy.lines[0]).to.deep.include({ sizes: order.lines[0]!.sizes, activeRunId: null });
    expect(copy.lines[0]!.prints[0]!.artwork?.id).to.equal(order.lines[0]!.prints[0]!.artwork?.id);
    expect(copy.lines[0]!.id).to.not.equal(order.lines[0]!.id);
  });

  it('let two people save at once: one is taken, the other sees what it now is', async () => {
    const order = await takeIn([line()]);
    const answers = await Promise.all(
      ['mine', 'theirs', 'a third one'].map((note) =>
        server.api.put(`/api/v1/orders/${order.id}`).send({
          ...orderInput(server, null),
          lines: order.lines.map(asInput),
          note,
          version: order.version,
        }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).to.deep.equal([200, 409, 409]);
    const kept = answers.find(({ status }) => status === 200)!.body as Order;
    for (const { body, status } of answers)
      if (status === 409) expect(((body as Problem).current as Order).note).to.equal(kept.note);
  });
});

describe('pictures', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  it('are given as thumbnails that keep their shape, and never shown in place', async () => {
    const { body } = (await upload(server, await discPng(), 'a "quoted" ☂.png')) as { body: { id: string } };
    const small = await server.api.get(`/api/v1/artworks/${body.id}/thumbnail`).buffer(true).expect(200);
    const { width, height, format } = await sharp(small.body as Buffer).metadata();
    expect(format).to.equal('png');
    expect(width / height).to.be.closeTo(200 / 160, 0.02);
    const file = await server.api.get(`/api/v1/artworks/${body.id}/file`).expect(200);
    expect(file.headers['content-disposition']).to.match(/^attachment/);
    expect(file.headers['content-security-policy']).to.equal("default-src 'none'");
    expect(file.headers['cache-control']).to.contain('immutable');
  });

  it('of a version of a route stay what they were, and may be kept; those of today may not', async () => {
    const order = await plannedOrder(server);
    const [own] = order.lines;
    const picture = async (query: object) =>
      server.api.get(`/api/v1/lines/${own!.id}/picture`).query(query).buffer(true).expect(200);
    const first = await picture({ version: 1 });
    expect(first.headers['cache-control']).to.equal('private, max-age=31536000, immutable');
    expect((await picture({})).headers['cache-control']).to.equal('no-store');
    const style = server.catalogue.styles.find(({ name }) => name === 'Harbour tee')!;
    const white = style.colours.find(({ name }) => name === 'White')?.id ?? '';
    await server.api
      .put(`/api/v1/orders/${order.id}`)
      .send({
        customer: order.customer,
        dueAt: order.dueAt,
        note: order.note,
        version: order.version,
        lines: [lineInput(server, { id: own!.id, artworkId: own!.prints[0]!.artwork!.id, colourId: white })],
      })
      .expect(200);
    expect((await planned(server, order.id)).lines[0]!.routeNumber).to.equal(2);
    expect(Buffer.compare((await picture({ version: 1 })).body as Buffer, first.body as Buffer)).to.equal(0);
    expect(Buffer.compare((await picture({})).body as Buffer, first.body as Buffer)).to.not.equal(0);
  });

  it('of faults are kept by their content: the same photo is one', async () => {
    const photo = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#336699' } })
      .jpeg()
      .toBuffer();
    const send = async (name: string): Promise<string> =>
      (
        (
          await server.api
            .post('/api/v1/photos')
            .query({ name })
            .set('Content-Type', 'application/octet-stream')
            .send(photo)
            .expect(201)
        ).body as { sha256: string }
      ).sha256;
    const sha256 = await send('first.jpg');
    expect(await send('second.jpg')).to.equal(sha256);
    const { body, headers } = await server.api.get(`/api/v1/photos/${sha256}`).buffer(true).expect(200);
    expect(headers['content-type']).to.equal('image/jpeg');
    expect(Buffer.compare(body as Buffer, photo)).to.equal(0);
    await server.api.get(`/api/v1/photos/${'0'.repeat(64)}`).expect(404);
  });

  it('come down to the size asked for, and never up', async () => {
    const { body } = (await upload(server, await discPng(1), 'disc.png')) as { body: { id: string } };
    const sizeAt = async (maxPx: number): Promise<string[]> => {
      const { headers } = await server.api
        .get(`/api/v1/artworks/${body.id}/pixels`)
        .query({ maxPx })
        .expect(200);
      return [String(headers['x-width']), String(headers['x-height'])];
    };
    expect(await sizeAt(100)).to.deep.equal(['100', '80']);
    expect(await sizeAt(1000)).to.deep.equal(['200', '160']);
  });
});
