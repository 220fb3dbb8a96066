import type {
  Artwork,
  Judgement,
  LedgerPage,
  LineOnOrder,
  Order,
  OrderLine,
  OrderLineInput,
  Preparation,
  RouteVersion,
  Run,
} from '@saltflat/contract';
import { expect } from 'chai';
import sharp from 'sharp';
import { doneEvents, lineInput, orderInput, planned, startTestServer, upload } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

/** A yellow star painted on a box of one colour, large enough for 230 mm. */
const boxedPng = (box: string): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1400" height="1400" viewBox="0 0 100 100"><rect width="100" height="100" fill="${box}"/><path d="M50 15 60 42 88 42 65 58 74 86 50 69 26 86 35 58 12 42 40 42Z" fill="#f2c230"/></svg>`,
    ),
  )
    .flatten()
    .png()
    .toBuffer();

describe('art that stops the print', function () {
  let server: TestServer;
  let artworkId: string;
  let order: Order;
  const line = (): OrderLine => order.lines[0]!;
  const again = async (): Promise<void> => {
    order = await planned(server, order.id);
  };
  const taken = async (): Promise<void> => {
    const { body } = await server.api.post('/api/v1/orders').send(orderInput(server, artworkId)).expect(201);
    order = await planned(server, (body as Order).id);
  };
  const start = () => server.api.post('/api/v1/runs').send({ lineIds: [line().id], by: 'Ada' });
  const overrule = (basedOn = line().routeNumber) =>
    server.api
      .post(`/api/v1/lines/${line().id}/art-overrule`)
      .send({ by: 'Ines', why: 'the customer wants the box', basedOn });
  const write = async (
    own: Partial<OrderLineInput> & { widthMm?: number; preparationId?: string | null },
  ) => {
    const { customer, dueAt, note, version } = order;
    const lines = [lineInput(server, { id: line().id, artworkId, ...own })];
    await server.api
      .put(`/api/v1/orders/${order.id}`)
      .send({ customer, dueAt, note, version, lines })
      .expect(200);
    await again();
  };

  before(async () => {
    server = await startTestServer();
    ({ id: artworkId } = (await upload(server, await boxedPng('#0b0b0b'), 'star.png')).body as {
      id: string;
    });
  });
  after(() => server.stop());

  it('keeps its line off the floor, and says what it is and what mends it', async () => {
    await taken();
    expect([order.state, line().state, line().planProblem]).to.deep.equal([
      'art-to-mend',
      'art-to-mend',
      null,
    ]);
    expect(line().routeNumber, 'it has a route all the same').to.equal(1);
    const [worst] = line().prints[0]!.findings;
    expect(worst).to.include({ code: 'opaque-box', severity: 'stop' });
    expect(worst!.fixes[0]).to.have.nested.property('step.kind', 'knock-out');
    const { body } = await start().expect(409);
    expect((body as { detail: string }).detail).to.match(
      /art stops the print: mend it, or have it overruled by name/,
    );
  });

  it('is ready once it is mended, and again to be mended when the mend is taken out', async () => {
    const [worst] = line().prints[0]!.findings;
    const fix = worst!.fixes[0]!;
    const how = { print: '1', white: {}, widthMm: 200, by: 'Ada' };
    const prepare = (steps: unknown[], basedOn: number | null) =>
      server.api.post(`/api/v1/lines/${line().id}/preparations`).send({ ...how, steps, basedOn });
    const mended = await prepare(fix.kind === 'step' ? [fix.step] : [], 1).expect(201);
    await again();
    expect([order.state, line().state]).to.deep.equal(['ready', 'ready']);
    expect(line().prints[0]!.findings.some(({ severity }) => severity === 'stop')).to.equal(false);
    // an order form that knows of no preparation leaves it; one that says “none” has the file as it came
    await write({});
    expect(line().state).to.equal('ready');
    await write({ preparationId: null });
    expect([line().state, line().prints[0]!.preparation]).to.deep.equal(['art-to-mend', null]);
    expect((mended.body as RouteVersion).number).to.equal(2);
  });

  it('can be overruled by name with a word why, for this art at this size on this colour', async () => {
    await server.api
      .post(`/api/v1/lines/${line().id}/art-overrule`)
      .send({ by: ' ', why: '', basedOn: 1 })
      .expect(400)
      .expect(({ body }) =>
        expect((body as { fields: { path: string }[] }).fields.map(({ path }) => path)).to.have.members([
          '/by',
          '/why',
        ]),
      );
    await overrule(99).expect(409); // somebody else planned it meanwhile
    const { body } = await overrule().expect(201);
    const { state, artOverrule } = (body as LineOnOrder).line;
    expect(state).to.equal('ready');
    expect(artOverrule).to.include({ by: 'Ines', why: 'the customer wants the box' });
    expect(artOverrule!.of.map(({ finding }) => finding.code)).to.deep.equal(['opaque-box']);
    await overrule().expect(409); // nothing is left to overrule

    await write({ sizes: [{ size: 'M', quantity: 3 }] });
    expect(line().state, 'more pieces of the same print').to.equal('ready');
    await write({ widthMm: 210 });
    expect([line().state, line().artOverrule], 'another width').to.deep.equal(['art-to-mend', null]);
  });

  it('can have its overrule taken back while it is not on the floor', async () => {
    await overrule().expect(201);
    const { body } = await server.api.post(`/api/v1/lines/${line().id}/art-overrule/taken-back`).expect(200);
    expect((body as LineOnOrder).line).to.include({ state: 'art-to-mend', artOverrule: null });
    await server.api.post(`/api/v1/lines/${line().id}/art-overrule/taken-back`).expect(409);
  });

  it('takes the overrule to the floor and into the ledger', async () => {
    await overrule().expect(201);
    const { body } = await start().expect(201);
    const run = body as Run;
    expect(run.lines[0]!.artOverrule).to.include({ by: 'Ines' });
    await server.api.post(`/api/v1/lines/${line().id}/art-overrule/taken-back`).expect(409);
    await server.api
      .post(`/api/v1/runs/${run.id}/events`)
      .send({ events: [0, 1, 2, 3].flatMap((piece) => doneEvents(run, piece)) })
      .expect(200);
    const ledger = (await server.api.get('/api/v1/ledger').expect(200)).body as LedgerPage;
    expect(ledger.items[0]!.artOverrule).to.include({ by: 'Ines', why: 'the customer wants the box' });
    const csv = await server.api.get('/api/v1/ledger.csv').expect(200);
    expect(csv.text).to.contain(
      'Printed as it is (an opaque black box round the art) by word of Ines: “the customer wants the box”',
    );
  });

  it('is judged for a line that is only being written, before and after a mend', async () => {
    const { styleId, colourId } = lineInput(server);
    const ask = async (preparationId: string | null): Promise<string[]> => {
      const query = { artworkId, preparationId, styleId, colourId, widthMm: 200, process: 'dtf' };
      const { body } = await server.api.post('/api/v1/judgements').send(query).expect(200);
      return (body as Judgement).findings.map(({ code }) => code);
    };
    expect(await ask(null)).to.include('opaque-box');
    const made = {
      steps: [{ kind: 'knock-out', hex: '#0b0b0b', tol: 8, soft: 14, mode: 'flood' }],
      white: {},
      by: 'Ada',
    };
    const keep = async (): Promise<string> =>
      (
        (await server.api.post(`/api/v1/artworks/${artworkId}/preparations`).send(made).expect(201))
          .body as Preparation
      ).id;
    const id = await keep();
    expect(await keep(), 'the same twice is one').to.equal(id);
    expect(await ask(id)).to.not.include('opaque-box');
  });

  it('is seen in small at first where it is large, and as it was measured from then on', async () => {
    const background = { r: 11, g: 11, b: 11, alpha: 1 };
    const disc = '<svg width="2000" height="2000"><circle cx="1000" cy="1000" r="900" fill="#d04"/></svg>';
    const png = await sharp({ create: { width: 2600, height: 2600, channels: 4, background } })
      .composite([{ input: Buffer.from(disc) }])
      .png()
      .toBuffer();
    const { id: large } = (await upload(server, png, 'large.png')).body as Artwork;
    const { styleId, colourId } = lineInput(server);
    const ask = async (isFirstLookEnough: boolean): Promise<Judgement> => {
      const query = { artworkId: large, styleId, colourId, widthMm: 200, process: 'dtf', isFirstLookEnough };
      return (await server.api.post('/api/v1/judgements').send(query).expect(200)).body as Judgement;
    };
    const first = await ask(true);
    expect(first.isFirstLook).to.equal(true);
    expect(first.findings[0]).to.include({ code: 'opaque-box', severity: 'stop' });
    const whole = await ask(false);
    expect(whole.isFirstLook).to.equal(false);
    expect(whole.findings[0]!.places).to.deep.equal([{ x: 0, y: 0, w: 2600, h: 2600 }]);
    expect(await ask(true)).to.deep.equal(whole);
  });
});
