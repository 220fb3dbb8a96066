import type { Catalogue, OrderQuotes, Problem, ShopWriting } from '@saltflat/contract';
import { USUAL_WRITING } from '@saltflat/core/units';
import type { Writing } from '@saltflat/core/units';
import { say } from '@saltflat/core/words';
import { expect } from 'chai';
import { paperWords } from '../../pdf/paperWords.ts';
import { plannedOrder, startTestServer } from '../../testing/testServer.ts';
import type { TestServer } from '../../testing/testServer.ts';

const OVERSEAS: Writing = {
  temperature: 'F',
  length: 'in',
  mass: 'oz',
  currency: 'USD',
  dayOrder: 'month-day',
  hours: '12',
  firstDay: 'sunday',
  language: 'en',
};

describe('how the shop writes', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());
  const put = (version: number, record: object) =>
    server.api.put('/api/v1/shop/writing').send({ version, record });
  const draftOf = async (orderId: string) =>
    ((await server.api.get(`/api/v1/orders/${orderId}/quotes`).expect(200)).body as OrderQuotes).draft;

  it('starts with °C, mm, g and euros, and is chosen once for everybody', async () => {
    const { body } = await server.api.get('/api/v1/shop/writing').expect(200);
    expect(body).to.deep.equal({ document: USUAL_WRITING, version: 1 });
    const order = await plannedOrder(server);
    expect((await draftOf(order.id)).lines[0]!.print).to.contain('200\u00a0mm wide');
    const { body: changed } = (await put(1, OVERSEAS).expect(200)) as { body: ShopWriting };
    expect(changed).to.deep.equal({ document: OVERSEAS, version: 2 });
    const catalogue = (await server.api.get('/api/v1/catalogue').expect(200)).body as Catalogue;
    expect(catalogue.writing).to.deep.equal(changed);
    // what is offered says it so, and routes are planned as before
    expect((await draftOf(order.id)).lines[0]!.print).to.contain('7.87\u00a0in wide');
    const line = (await server.api.get(`/api/v1/lines/${order.lines[0]!.id}`).expect(200)).body as {
      line: { state: string; routeNumber: number };
    };
    expect(line.line).to.include({ state: 'ready', routeNumber: 1 });
  });

  it('is refused where somebody was quicker, and where it is none', async () => {
    expect((await put(1, USUAL_WRITING).expect(409)).body as Problem).to.include({ code: 'stale-version' });
    const { body } = await put(2, { ...OVERSEAS, currency: 'DOUBLOON', mass: 'stone' }).expect(400);
    expect((body as Problem).fields?.map(({ path }) => path)).to.have.members([
      '/record/currency',
      '/record/mass',
    ]);
  });

  it('keeps its currency once a quote was given in it', async () => {
    const order = await plannedOrder(server);
    const { totalCents } = await draftOf(order.id);
    const giving = { by: 'Ada', goodDays: 14, totalCents };
    await server.api.post(`/api/v1/orders/${order.id}/quotes`).send(giving).expect(201);
    const { body } = await put(2, { ...OVERSEAS, currency: 'EUR' }).expect(409);
    expect((body as Problem).fields?.[0]).to.deep.include({ path: '/record/currency' });
    await put(2, { ...OVERSEAS, mass: 'g' }).expect(200);
  });

  it('is followed by its papers', () => {
    const words = paperWords({ ...OVERSEAS, zone: 'America/New_York' });
    expect([words.q(150, 'temperature'), words.q(280, 'length'), words.money(340)]).to.deep.equal([
      '302\u00a0°F', '11.02\u00a0in', '$\u00a03.40',
    ]); // prettier-ignore
    // half past ten in the evening there, which is the next day in Greenwich
    expect([words.weekday('2031-03-05T03:30:00Z'), words.date('2031-03-05T03:30:00Z')]).to.deep.equal([
      'Tue Mar 4', 'Mar 4, 2031',
    ]); // prettier-ignore
    expect(words.said(say('reason.lower-off', { max: 105 }))).to.contain('221\u00a0°F');
  });
});
