import type { Order, Problem, RouteVersion } from '@saltflat/contract';
import { expect } from 'chai';
import sharp from 'sharp';
import {
  claimedPng,
  discPng,
  orderInput,
  planned,
  plannedOrder,
  sql,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('the API', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const post = async (
    path: string,
    body: unknown,
  ): Promise<{ status: number; body: Problem & Record<string, never> }> =>
    server.api.post(`/api/v1${path}`).send(body as object);
  const messages = (problem: Problem) =>
    Object.fromEntries((problem.fields ?? []).map(({ path, message }) => [path, message]));

  describe('artworks', () => {
    it('keeps the file untouched, gives its pixels, and knows it again by its content', async () => {
      const png = await discPng(1);
      const { status, body } = await upload(server, png, 'disc.png');
      expect(status).to.equal(201);
      expect(body).to.include({
        name: 'disc.png',
        format: 'png',
        widthPx: 200,
        heightPx: 160,
        bytes: png.length,
      });
      const id = (body as { id: string }).id;
      const again = await upload(server, png, 'other name.png');
      expect([again.status, (again.body as { id: string }).id]).to.deep.equal([200, id]);
      const file = await server.api.get(`/api/v1/artworks/${id}/file`).buffer(true);
      expect(Buffer.compare(file.body as Buffer, png)).to.equal(0);
      const pixels = await server.api.get(`/api/v1/artworks/${id}/pixels`).buffer(true);
      expect([pixels.headers['x-width'], (pixels.body as Buffer).length]).to.deep.equal([
        '200',
        200 * 160 * 4,
      ]);
    });

    it('refuses what is no picture, what is cut short and what is too large, each in words', async () => {
      const png = await discPng(1);
      const text = await upload(server, Buffer.from('dear print room'), 'letter.png');
      expect([text.status, (text.body as Problem).detail]).to.deep.equal([
        415,
        '“letter.png” is not a PNG, JPEG, TIFF or SVG picture, whatever its name says. Export the art as a PNG.',
      ]);
      const cut = await upload(server, png.subarray(0, png.length / 2), 'cut.png');
      expect([cut.status, (cut.body as Problem).code]).to.deep.equal([422, 'broken-image']);
      const bomb = await upload(server, claimedPng(30_000, 30_000), 'bomb.png');
      expect([bomb.status, (bomb.body as Problem).detail]).to.deep.equal([
        422,
        '“bomb.png” has 30000 × 30000 px, 900 megapixels; up to 100 are taken. Export it at 300 px per inch of its printed size.',
      ]);
      const nothing = await upload(server, Buffer.alloc(0), 'nothing.png');
      expect(nothing.status).to.equal(400);
      const webp = await upload(server, await sharp(png).webp().toBuffer(), 'art.webp');
      expect([webp.status, (webp.body as Problem).code]).to.deep.equal([415, 'not-an-image']);
    });

    it('draws an SVG without its script and without what it links to, and says so', async () => {
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="20">
        <script>fetch('http://127.0.0.1:1/')</script><image xlink:href="file:///etc/passwd" width="9" height="9"/><rect width="40" height="20" fill="#00f"/></svg>`;
      const { status, body } = await upload(server, Buffer.from(svg), 'logo.svg');
      expect(status).to.equal(201);
      expect(body).to.include({ format: 'svg', widthPx: 2400, heightPx: 1200 });
      expect((body as { readingNotes: string[] }).readingNotes).to.deep.equal([
        'A script in the file was left out.',
        'A picture or style the file links to was left out: embed it.',
      ]);
    });

    it('turns 16-bit and CMYK files into 8-bit sRGB and says so', async () => {
      const deep = await sharp(await discPng(1))
        .toColourspace('rgb16')
        .png()
        .toBuffer();
      expect(
        ((await upload(server, deep, 'deep.png')).body as { readingNotes: string[] }).readingNotes,
      ).to.include('16 bits a channel were reduced to 8.');
      const cmyk = await sharp(await discPng(1))
        .flatten()
        .toColourspace('cmyk')
        .jpeg()
        .toBuffer();
      const answer = await upload(server, cmyk, 'press.jpg');
      expect((answer.body as { readingNotes: string[] }).readingNotes).to.deep.equal([
        'CMYK colours were converted to sRGB: look at them once more.',
      ]);
    });
  });

  describe('orders', () => {
    it('takes one in, plans its route, and lists it', async () => {
      const order = await plannedOrder(server, { customer: 'Cormorant Rowing' });
      expect(order.lines[0]).to.include({ state: 'ready', routeNumber: 1, pieces: 2 });
      const { body: list } = await server.api
        .get('/api/v1/orders')
        .query({ search: 'cormorant', sort: 'customer' });
      expect((list as { items: Order[] }).items.map(({ code }) => code)).to.deep.equal([order.code]);
    });

    it('names every field that is wrong, and what would be right', async () => {
      const sound = orderInput(server, null);
      const [line] = sound.lines;
      const sizes = [
        { size: 'M', quantity: 0 },
        { size: 'XXXXL', quantity: -3 },
      ];
      const { status, body } = await post('/orders', {
        ...sound,
        dueAt: 'tomorrow',
        lines: [{ ...line, sizes, heat: 500 }],
      });
      expect(status).to.equal(400);
      expect(messages(body)).to.deep.equal({
        '/dueAt': '“Due” must be a date and time, but “tomorrow” was given.',
        '/lines/0/heat': 'There is no field “heat” here; leave it out.',
        '/lines/0/sizes/0/quantity': '“Quantity” must be at least 1, but 0 was given.',
        '/lines/0/sizes/1/quantity': '“Quantity” must be at least 1, but -3 was given.',
      });
      const unknown = await post('/orders', {
        ...sound,
        lines: [{ ...line, sizes: [{ size: 'XXXXL', quantity: 1 }] }],
      });
      expect(messages(unknown.body)).to.deep.equal({
        '/lines/0/sizes/0/size': 'Harbour tee does not come in size XXXXL.',
      });
    });

    it('answers broken JSON, a huge body and a foreign address in words', async () => {
      const broken = await server.api
        .post('/api/v1/orders')
        .set('Content-Type', 'application/json')
        .send('{"customer": ');
      expect([broken.status, (broken.body as Problem).detail]).to.deep.equal([
        400,
        'What was sent is not valid JSON.',
      ]);
      const huge = await post('/orders', { ...orderInput(server, null), note: 'x'.repeat(10 * 1024 * 1024) });
      expect([huge.status, huge.body.code]).to.deep.equal([413, 'too-large']);
      const foreign = await server.api.get('/api/v1/orders/1%27%20or%201=1');
      expect([foreign.status, foreign.headers['content-type']]).to.deep.equal([
        404,
        'application/problem+json; charset=utf-8',
      ]);
    });

    it('keeps SQL, HTML and formulas as the plain text they are, and defuses formulas in CSV', async () => {
      const customer = `=cmd|' /C calc'!A0`;
      const note = `Robert'); drop table customer_order; -- <script>alert(1)</script>`;
      const { status, body } = await post('/orders', orderInput(server, null, { customer, note }));
      expect(status).to.equal(201);
      expect(body).to.include({ customer, note });
      const { text } = await server.api.get('/api/v1/orders.csv').query({ search: 'cmd' });
      expect(text)
        .to.match(/^code,customer,pieces/)
        .and.to.contain(`'=cmd`);
      const { body: found } = await server.api.get('/api/v1/orders').query({ search: `'); drop table` });
      expect((found as { total: number }).total).to.equal(1);
    });

    it('gives a customer’s name back as it was typed, whatever was typed before', async () => {
      for (const customer of [
        'Tide & Sons',
        'TIDE & SONS',
        "'tis the =Season",
        '潮汐印刷店',
        'Žofie  Nováková',
      ]) {
        const { body } = await post('/orders', orderInput(server, null, { customer }));
        expect((body as unknown as Order).customer).to.equal(customer);
        const { body: again } = (await server.api.get(`/api/v1/orders/${(body as unknown as Order).id}`)) as {
          body: Order;
        };
        expect(again.customer).to.equal(customer);
      }
    });

    it('refuses a stale change and shows what the order now is', async () => {
      const order = await plannedOrder(server);
      const input = orderInput(server, order.lines[0]?.prints[0]?.artwork?.id ?? null);
      const lines = input.lines.map((line) => ({ ...line, id: order.lines[0]?.id }));
      const first = await server.api
        .put(`/api/v1/orders/${order.id}`)
        .send({ ...input, lines, note: 'mine', version: order.version });
      expect([first.status, (first.body as Order).version]).to.deep.equal([200, order.version + 1]);
      const late = await server.api
        .put(`/api/v1/orders/${order.id}`)
        .send({ ...input, lines, note: 'theirs', version: order.version });
      expect([
        late.status,
        (late.body as Problem).code,
        ((late.body as Problem).current as Order).note,
      ]).to.deep.equal([409, 'stale-version', 'mine']);
    });

    it('cancels, takes it back, and copies', async () => {
      const order = await plannedOrder(server);
      const cancelled = await post(`/orders/${order.id}/cancel`, { version: order.version });
      expect(cancelled.body).to.include({ state: 'cancelled' });
      const restored = await post(`/orders/${order.id}/restore`, { version: order.version + 1 });
      expect(restored.body).to.include({ state: 'planning' }); // the set-up may have changed meanwhile
      expect((await planned(server, order.id)).state).to.equal('ready');
      const copy = await post(`/orders/${order.id}/duplicate`, {});
      expect([copy.status, (copy.body as unknown as Order).lines[0]?.sizes]).to.deep.equal([
        201,
        order.lines[0]?.sizes,
      ]);
    });

    it('pages through a long list without losing or repeating one', async () => {
      for (let i = 0; i < 7; i++)
        await post(
          '/orders',
          orderInput(server, null, { customer: `Paging ${i}`, dueAt: '2032-01-01T10:00:00Z' }),
        );
      const seen: string[] = [];
      for (let cursor = ''; ;) {
        const { body } = (await server.api
          .get('/api/v1/orders')
          .query({ search: 'Paging', limit: 3, ...(cursor ? { cursor } : {}) })) as {
          body: { items: Order[]; nextCursor: string | null };
        };
        seen.push(...body.items.map(({ customer }) => customer));
        if (body.nextCursor === null) break;
        cursor = body.nextCursor;
      }
      expect(seen.sort()).to.deep.equal(Array.from({ length: 7 }, (_, i) => `Paging ${i}`));
    });
  });

  describe('routes', () => {
    const planWith = async (order: Order, value: number, basedOn = 1) =>
      post(`/lines/${order.lines[0]?.id}/routes`, {
        basedOn,
        overrides: [{ operation: 'press-transfer', setting: 'tempC', value, who: 'Ada', why: 'thick seam' }],
      });

    it('keeps a person’s value as a new version, flagged where it breaks a limit', async () => {
      const order = await plannedOrder(server);
      const { status, body } = await planWith(order, 190);
      const version = body as unknown as RouteVersion;
      expect([status, version.number]).to.deep.equal([201, 2]);
      expect(
        version.route.conflicts.some(
          ({ operation, setting }) => operation === 'press-transfer' && setting === 'tempC',
        ),
      ).to.equal(true);
      const { body: all } = await server.api.get(`/api/v1/lines/${order.lines[0]?.id}/routes`);
      expect(
        (all as RouteVersion[]).map(({ number, overrides }) => [number, overrides.length]),
      ).to.deep.equal([
        [2, 1],
        [1, 0],
      ]);
    });

    it('refuses 500 °C and a version that is no longer the newest', async () => {
      const order = await plannedOrder(server);
      const hot = await planWith(order, 500);
      expect([hot.status, hot.body.detail.replaceAll('\u00a0', ' ')]).to.deep.equal([
        400,
        'Plate 500 °C is beyond what can be set: 20 °C to 220 °C.',
      ]);
      await planWith(order, 160);
      const stale = await planWith(order, 161, 1);
      expect([stale.status, stale.body.code]).to.deep.equal([409, 'stale-version']);
    });

    it('never changes a version that is written', async () => {
      await plannedOrder(server);
      let refusal = '';
      await sql(server, `update route_version set pieces = 99`).catch(
        (error: unknown) => (refusal = String(error)),
      );
      expect(refusal).to.contain('append-only');
    });
  });

  it('describes every path it answers, in OpenAPI', async () => {
    const { body } = (await server.api.get('/api/v1/openapi.json').expect(200)) as {
      body: { paths: Record<string, object> };
    };
    expect(Object.keys(body.paths)).to.include.members([
      '/orders/{id}',
      '/runs/{id}/events',
      '/ledger.csv',
      '/health/ready',
    ]);
  });
});
