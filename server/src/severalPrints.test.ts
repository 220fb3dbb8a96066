import type {
  ComparisonAnswer,
  LedgerPage,
  LineDocument,
  LineQuote,
  Order,
  OrderLineInput,
  Problem,
  QuoteDocument,
  RouteVersion,
  Run,
} from '@saltflat/contract';
import { expect } from 'chai';
import {
  discPng,
  doneEvents,
  lineInput,
  orderInput,
  planned,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('a line with several prints', function () {
  let server: TestServer;
  let artworkId: string;
  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await discPng(10), 'disc.png')).body as { id: string });
  });
  after(() => server.stop());

  const get = <T>(path: string): Promise<T> => server.get(path);
  type Print = OrderLineInput['prints'][number];
  const chest = (own: Partial<Print> = {}): Print => ({
    artworkId, placement: 'left-chest', dropMm: 95, widthMm: 90, process: 'dtg', ...own,
  }); // prettier-ignore
  const back = (own: Partial<Print> = {}): Print => ({
    artworkId, placement: 'back', dropMm: 90, widthMm: 260, process: 'dtf', ...own,
  }); // prettier-ignore
  const line = (prints: Print[], own: Partial<OrderLineInput> = {}): OrderLineInput => ({
    ...lineInput(server),
    ...own,
    prints,
  });
  const takeIn = async (...lines: OrderLineInput[]): Promise<Order> => {
    const { body } = await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, null, { lines }))
      .expect(201);
    return planned(server, (body as Order).id);
  };
  const change = async ({ id, customer, dueAt, note, version }: Order, lines: OrderLineInput[]) =>
    server.api.put(`/api/v1/orders/${id}`).send({ customer, dueAt, note, version, lines });
  const idsOf = ({ route }: RouteVersion): string[] => route.operations.map(({ id }) => id);

  it('has one route, one quote and one price for its blank', async () => {
    const order = await takeIn(line([chest(), back()]));
    const [own] = order.lines;
    expect(own).to.include({ state: 'ready', pieces: 2 });
    expect(own!.prints.map(({ id, placement, process }) => [id, placement, process])).to.deep.equal([
      ['1', 'left-chest', 'dtg'],
      ['2', 'back', 'dtf'],
    ]);
    const version = await get<RouteVersion>(`/lines/${own!.id}/route`);
    expect(idsOf(version).filter((id) => id === 'pre-press' || id === 'inspect')).to.have.length(2);
    expect(idsOf(version)).to.include.members(['cure', 'press-transfer-2']);
    expect(version.route.prints[0]!.heatedAgain.map(({ operation }) => operation)).to.include(
      'press-transfer-2',
    );
    const blank = server.catalogue.styles
      .find(({ id }) => id === own!.styleId)!
      .sizes.find(({ size }) => size === 'M')!.cents;
    const quote = await get<LineQuote>(`/lines/${own!.id}/quote`);
    expect(quote.cost.blankCents, 'once').to.equal(blank);
    const { draft } = await get<{ draft: QuoteDocument }>(`/orders/${order.id}/quotes`);
    expect(draft.lines).to.have.length(1);
    expect(draft.lines[0]!.print).to.match(/left chest, .* wide; disc\.png, back/);
    expect(draft.lines[0]!.look).to.match(/^Left chest: Direct print.* Back: Film transfer/);
    const document = await get<LineDocument>(`/lines/${own!.id}/document`);
    expect(document.prints.map(({ id }) => id)).to.deep.equal(['1', '2']);
  });

  it('costs less than two lines with a print each: one blank, one set-up, one handling', async () => {
    const order = await takeIn(line([chest(), back()]), line([chest()]), line([back()]));
    const [both, one, two] = await Promise.all(
      order.lines.map(({ id }) => get<LineQuote>(`/lines/${id}/quote`)),
    );
    const { blankCents, setUpCents } = both!.cost;
    expect(one!.cost.totalCents + two!.cost.totalCents - both!.cost.totalCents).to.be.above(
      blankCents + setUpCents,
    );
    expect(both!.cost.totalCents).to.be.above(Math.max(one!.cost.totalCents, two!.cost.totalCents));
  });

  it('hands out each print’s picture, a proof with a page for each, and a run sheet with both', async () => {
    const [own] = (await takeIn(line([chest(), back()]))).lines;
    const picture = async (print: string): Promise<Buffer> =>
      (await server.api.get(`/api/v1/lines/${own!.id}/picture?print=${print}&version=1`).expect(200))
        .body as Buffer;
    expect((await picture('1')).length).to.be.above(100);
    expect((await picture('2')).length).to.be.above(100);
    const none = await server.api.get(`/api/v1/lines/${own!.id}/picture?print=7`);
    expect([none.status, (none.body as Problem).detail]).to.deep.equal([404, `${own!.code} has no print 7.`]);
    const pages = async (name: string): Promise<number> => {
      const { body } = await server.api.get(`/api/v1/lines/${own!.id}/${name}`).buffer(true).expect(200);
      return (body as Buffer).toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
    };
    expect(await pages('proof.pdf')).to.equal(2);
    expect(await pages('run-sheet.pdf')).to.be.at.least(1);
  });

  it('has one print made ready without touching the other', async () => {
    const order = await takeIn(line([chest(), back()]));
    const [own] = order.lines;
    const before = await get<RouteVersion>(`/lines/${own!.id}/route`);
    const override = { setting: 'dwellS', value: 19, who: 'Ada', why: 'tried' };
    await server.api
      .post(`/api/v1/lines/${own!.id}/preparations`)
      .send({
        print: '2',
        steps: [{ kind: 'harden-edges', threshold: 128 }],
        white: {},
        widthMm: 200,
        overrides: [{ ...override, operation: 'press-transfer-2' }],
        basedOn: before.number,
        by: 'Ada',
      })
      .expect(201);
    const [now] = (await get<Order>(`/orders/${order.id}`)).lines;
    expect(
      now!.prints.map(({ widthMm, preparation }) => [widthMm, preparation?.number ?? null]),
    ).to.deep.equal([
      [90, null],
      [200, 1],
    ]);
    const after = await get<RouteVersion>(`/lines/${own!.id}/route`);
    const sizesOf = ({ route }: RouteVersion): number[] =>
      ['1', '2'].map((id) => route.prints.find((print) => print.id === id)!.placement.sizes[0]!.widthMm);
    expect(sizesOf(after)[0]).to.equal(sizesOf(before)[0]);
    expect(sizesOf(after)[1]! / sizesOf(before)[1]!).to.be.closeTo(200 / 260, 0.01);
    const uses = await get<{ lineId: string; print: string }[]>(`/artworks/${artworkId}/lines`);
    expect(uses.filter(({ lineId }) => lineId === own!.id).map(({ print }) => print)).to.deep.equal([
      '1',
      '2',
    ]);
  });

  it('keeps the name of a print when another goes, and gives none again', async () => {
    const order = await takeIn(line([chest(), back()]));
    const [own] = order.lines;
    await server.api
      .post(`/api/v1/lines/${own!.id}/routes`)
      .send({
        basedOn: 1,
        overrides: [
          { operation: 'press-transfer-2', setting: 'dwellS', value: 19, who: 'Ada', why: 'tried' },
        ],
      })
      .expect(201);
    const kept = await change(order, [line([back({ id: '2' })], { id: own!.id })]);
    expect(kept.status).to.equal(200);
    await planned(server, order.id);
    const left = await get<RouteVersion>(`/lines/${own!.id}/route`);
    expect(
      left.overrides.map(({ operation }) => operation),
      'its own value stays',
    ).to.deep.equal(['press-transfer-2']);
    const more = await change(kept.body as Order, [line([back({ id: '2' }), chest()], { id: own!.id })]);
    expect((more.body as Order).lines[0]!.prints.map(({ id }) => id)).to.deep.equal(['2', '3']);
  });

  it('is refused where two prints are at one place, or one is named that it does not have', async () => {
    const twice = await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, null, { lines: [line([back(), back()])] }));
    expect(twice.status).to.equal(400);
    expect((twice.body as Problem).fields?.map(({ path }) => path)).to.deep.equal([
      '/lines/0/prints/1/placement',
    ]);
    const order = await takeIn(line([chest()]));
    const foreign = await change(order, [
      line([chest({ id: '1' }), back({ id: '4' })], { id: order.lines[0]!.id }),
    ]);
    expect((foreign.body as Problem).fields?.map(({ path }) => path)).to.deep.equal(['/lines/0/prints/1/id']);
  });

  it('waits for the art of all of them, and says which is missing', async () => {
    const order = await takeIn(line([chest(), back({ artworkId: null })]));
    const [own] = order.lines;
    expect(own!.state).to.equal('needs-art');
    const none = await server.api.get(`/api/v1/lines/${own!.id}/route`);
    expect((none.body as Problem).detail).to.equal(`${own!.code} has no route yet: no artwork for back.`);
    await server.api.put(`/api/v1/lines/${own!.id}/artwork`).send({ print: '2', artworkId }).expect(200);
    expect((await planned(server, order.id)).lines[0]!.state).to.equal('ready');
  });

  it('fails in words where its prints cannot be on one garment', async () => {
    const white = server.catalogue.styles
      .find(({ name }) => name === 'Harbour tee')!
      .colours.find(({ name }) => name === 'White')!.id;
    const sub = { process: 'sub-film' as const, widthMm: 60 };
    const order = await takeIn(line([chest(sub), back(sub)], { colourId: white }));
    expect(order.lines[0]).to.include({ state: 'failed' });
    expect(order.lines[0]!.planProblem).to.match(/would be heated again for back: sublimation ink/);
  });

  it('compares a print’s processes with the others as they are', async () => {
    const { styleId, colourId, sizes } = line([chest()]);
    const written = [chest({ id: '1' }), back({ id: '2' })];
    const ask = async (print: string): Promise<ComparisonAnswer> =>
      (
        await server.api
          .post('/api/v1/comparisons')
          .send({ styleId, colourId, sizes, prints: written, print })
          .expect(200)
      ).body as ComparisonAnswer;
    const answer = await ask('2');
    const film = answer.options.find(({ process }) => process === 'dtf')!.plan!;
    expect(film.addsCents).to.be.within(1, film.cost.totalCents - film.cost.blankCents);
    const [own] = (await takeIn(line([chest(), back()]))).lines;
    const { cost } = await get<RouteVersion>(`/lines/${own!.id}/route`);
    expect(film.cost.totalCents, 'the line as it is planned').to.be.closeTo(cost.totalCents, 1e-6);
    expect(answer.options.find(({ process }) => process === 'patch-cap')!.refusals[0]?.code).to.equal(
      'refusal.no-cap',
    );
  });

  it('is one run, and its pieces are counted and found by either process', async () => {
    const [own] = (await takeIn(line([chest(), back()]))).lines;
    const run = (
      await server.api
        .post('/api/v1/runs')
        .send({ lineIds: [own!.id], by: 'Ada' })
        .expect(201)
    ).body as Run;
    expect(run.lines[0]!.prints.map(({ placement }) => placement)).to.deep.equal(['left-chest', 'back']);
    const events = [0, 1, 2].flatMap((piece) => doneEvents(run, piece));
    await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    const page = await get<LedgerPage>(`/ledger?run=${run.id}`);
    expect(page.items.map(({ processes }) => processes)).to.deep.equal([
      ['dtg', 'dtf'],
      ['dtg', 'dtf'],
    ]);
    expect(page.items[0]!.made.map(({ role }) => role)).to.deep.equal([
      'print',
      'melt',
      'spray',
      'print',
      'cure',
      'bond',
    ]);
    for (const process of ['dtg', 'dtf'])
      expect((await get<LedgerPage>(`/ledger?process=${process}&run=${run.id}`)).total, process).to.equal(2);
    expect((await get<LedgerPage>(`/ledger?process=sub-film&run=${run.id}`)).total).to.equal(0);
    const csv = await server.api.get(`/api/v1/ledger.csv?run=${run.id}`).expect(200);
    expect(csv.text).to.contain('dtg + dtf');
  });
});
