import type { GivenQuote, Order, OrderQuotes, Problem, Run, ShopChanged } from '@saltflat/contract';
import { expect } from 'chai';
import { followed, lineInput, planned, plannedOrder, sql, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('quotes', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const quotesOf = async ({ id }: Pick<Order, 'id'>): Promise<OrderQuotes> =>
    (await server.api.get(`/api/v1/orders/${id}/quotes`).expect(200)).body as OrderQuotes;
  const give = (order: Order, totalCents: number, goodDays = 14) =>
    server.api.post(`/api/v1/orders/${order.id}/quotes`).send({ by: 'Ada', goodDays, totalCents });
  const accept = (quote: GivenQuote) =>
    server.api.post(`/api/v1/quotes/${quote.id}/accept`).send({ customerName: 'Mira of the gulls' });
  const setRates = async (own: object): Promise<void> => {
    const { body } = (await server.api.get('/api/v1/catalogue')) as {
      body: { rates: { version: number; document: object } };
    };
    const record = { ...body.rates.document, ...own };
    const changed = await server.api
      .put('/api/v1/shop/rates')
      .send({ version: body.rates.version, record })
      .expect(200);
    await followed(server, changed.body as ShopChanged);
  };

  it('are a draft that moves with the routes, until one is given: that never moves', async () => {
    const order = await plannedOrder(server);
    const { draft, given: none } = await quotesOf(order);
    expect(none).to.deep.equal([]);
    expect(draft.totalCents).to.equal(draft.lines.reduce((sum, { quote }) => sum + quote.totalCents, 0));
    const { given } = (await give(order, draft.totalCents).expect(201)).body as OrderQuotes;
    expect(given[0]).to.include({ state: 'given', givenBy: 'Ada', acceptedAt: null });
    expect(given[0]!.code).to.match(/^Q-\d+$/);
    expect(Date.parse(given[0]!.goodUntil) - Date.parse(given[0]!.givenAt)).to.equal(14 * 86_400_000);
    await setRates({ marginShare: 0.6 });
    const after = await quotesOf(order);
    expect(after.draft.totalCents).to.be.above(draft.totalCents);
    expect(after.given).to.deep.equal(given);
  });

  it('of a line on the floor stay at the prices its route was planned with', async () => {
    const order = await plannedOrder(server);
    const [line] = order.lines;
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [line!.id], by: 'Ada' })
      .expect(201);
    const quote = async (): Promise<unknown> =>
      (await server.api.get(`/api/v1/lines/${line!.id}/quote`).expect(200)).body;
    const was = await quote();
    await setRates({ marginShare: 0.2, centsPerHour: 9000 });
    expect(await quote()).to.deep.equal(was);
  });

  it('are not given at a price that moved unseen, nor where a line has none', async () => {
    const order = await plannedOrder(server);
    const { draft } = await quotesOf(order);
    const moved = await give(order, draft.totalCents - 1);
    expect([moved.status, (moved.body as Problem).code]).to.deep.equal([409, 'stale-version']);
    const artless = (
      await server.api.post('/api/v1/orders').send({
        customer: 'No Art Yet',
        dueAt: '2031-02-03T15:00:00.000Z',
        note: '',
        lines: [lineInput(server)],
      })
    ).body as Order;
    const { draft: empty } = await quotesOf(artless);
    expect(empty.unpriced).to.deep.equal([
      { code: artless.code, why: `${artless.code} has no route yet: it has no artwork.` },
    ]);
    expect((await give(artless, 0)).status).to.equal(409);
  });

  it('are accepted once, by somebody, and not after they have lapsed', async () => {
    const order = await plannedOrder(server);
    const { draft } = await quotesOf(order);
    await give(order, draft.totalCents).expect(201);
    await give(order, draft.totalCents, 1).expect(201);
    const [second, first] = (await quotesOf(order)).given;
    expect(Number(second!.code.slice(2))).to.equal(Number(first!.code.slice(2)) + 1);
    const { body } = (await accept(first!).expect(200)) as { body: GivenQuote };
    expect(body).to.include({ state: 'accepted', acceptedBy: 'Mira of the gulls' });
    expect((await accept(first!)).status).to.equal(409);
    let refusal = '';
    await server.clock
      .at(Date.now() + 2 * 86_400_000, () =>
        server.services.quotes.accept(second!.id, { customerName: 'Mira of the gulls' }),
      )
      .catch((error: unknown) => (refusal = String(error)));
    expect(refusal).to.contain(
      `${second!.code} was good until ${second!.goodUntil.slice(0, 10)}. Give a new one.`,
    );
    refusal = '';
    await sql(server, `update quote set good_until = now() + interval '9 years'`).catch(
      (error: unknown) => (refusal = String(error)),
    );
    expect(refusal).to.contain('does not change');
  });

  it('say in words why there is none: too few for a supplier, a film that is gone', async () => {
    const { id: artworkId } = (await plannedOrder(server)).lines[0]!.prints[0]!.artwork!;
    const many = [{ size: 'M', quantity: 20 }];
    const order = await plannedOrder(server, {
      lines: [lineInput(server, { artworkId, process: 'bought-in', sizes: many })],
    });
    const [line] = order.lines;
    const before = await server.api.get(`/api/v1/lines/${line!.id}/quote`).expect(200);
    expect(
      (before.body as { ladder: { pieces: number }[] }).ladder.map(({ pieces }) => pieces),
      'the least any supplier sells, then the usual numbers',
    ).to.deep.equal([6, 12, 24, 48, 96]);
    const few = await server.api.put(`/api/v1/orders/${order.id}`).send({
      customer: order.customer,
      dueAt: order.dueAt,
      note: '',
      version: order.version,
      lines: [
        lineInput(server, {
          id: line!.id,
          artworkId,
          process: 'bought-in',
          sizes: [{ size: 'M', quantity: 3 }],
        }),
      ],
    });
    expect(few.status).to.equal(200);
    expect((await planned(server, order.id)).lines[0]!.planProblem).to.contain('sold from 12 pieces');
    const none = await server.api.get(`/api/v1/lines/${line!.id}/quote`);
    expect([none.status, (none.body as Problem).detail]).to.deep.equal([
      404,
      `${line!.code} has no route yet: ${(await planned(server, order.id)).lines[0]!.planProblem}`,
    ]);

    // a line that runs keeps its quote when its film is retired
    const film = await plannedOrder(server);
    const run = (await server.api.post('/api/v1/runs').send({ lineIds: [film.lines[0]!.id], by: 'Ada' }))
      .body as Run;
    const { body: catalogue } = (await server.api.get('/api/v1/catalogue')) as {
      body: { materials: { id: string; kind: string; version: number }[] };
    };
    for (const { id, version } of catalogue.materials.filter(({ kind }) => kind === 'film'))
      await server.api.post(`/api/v1/shop/materials/${id}/retire`).send({ version }).expect(200);
    await server.api.get(`/api/v1/lines/${run.lines[0]!.lineId}/quote`).expect(200);
    await server.api.get(`/api/v1/lines/${run.lines[0]!.lineId}/run-sheet.pdf`).expect(200);
  });
});
