import type {
  Artwork,
  Catalogue,
  LaydownFit,
  LineDocument,
  Order,
  OrderLine,
  PreparationInput,
  Problem,
  ProofAnswer,
  RouteVersion,
  ShopChanged,
} from '@saltflat/contract';
import { analyseArtwork, mirrorPlane, wholePlane } from '@saltflat/core/artwork';
import type { ArtFigures, ArtStep } from '@saltflat/core/artwork';
import { expect } from 'chai';
import sharp from 'sharp';
import {
  chunk,
  followed,
  orderInput,
  planned,
  plannedOrder,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

/** A red disc and a small white one on an opaque black box. */
const boxSvg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="240"><rect width="300" height="240" fill="#040404"/>
  <circle cx="130" cy="120" r="80" fill="#d0342c"/><circle cx="230" cy="60" r="30" fill="#ffffff"/></svg>`;
const boxPng = (): Promise<Buffer> => sharp(Buffer.from(boxSvg)).png().toBuffer();
const TAKE_BLACK: ArtStep = { kind: 'knock-out', hex: '#040404', tol: 8, soft: 14, mode: 'global' };

describe('artworks made ready', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const get = <T>(path: string): Promise<T> => server.get(path);
  const lineOf = async (order: Order): Promise<OrderLine> =>
    (await get<{ line: OrderLine }>(`/lines/${order.lines[0]?.id ?? ''}`)).line;

  /** A planned order of the boxed art, and its line. */
  async function boxedLine(): Promise<OrderLine> {
    const { body: artwork } = (await upload(server, await boxPng(), 'box.png')) as { body: Artwork };
    const order = await plannedOrder(server, { lines: orderInput(server, artwork.id).lines });
    return lineOf(order);
  }
  const preparation = (line: OrderLine, own: Partial<PreparationInput> = {}): PreparationInput => ({
    steps: [TAKE_BLACK],
    white: {},
    print: '1',
    widthMm: line.prints[0]!.widthMm,
    overrides: [],
    basedOn: line.routeNumber,
    by: 'Ada',
    ...own,
  });
  const prepare = (line: OrderLine, own: Partial<PreparationInput> = {}) =>
    server.api.post(`/api/v1/lines/${line.id}/preparations`).send(preparation(line, own));

  it('reads every kind of PNG and JPEG a customer sends, and says what it did to it', async () => {
    const plain = await sharp(Buffer.from(boxSvg)).png().toBuffer();
    const headEnd = 8 + 25; // signature and header chunk
    const animated = Buffer.concat([
      plain.subarray(0, headEnd),
      chunk('acTL', Buffer.from([0, 0, 0, 2, 0, 0, 0, 0])),
      plain.subarray(headEnd),
    ]);
    const turned = await sharp(Buffer.from(boxSvg)).jpeg().withMetadata({ orientation: 6 }).toBuffer();
    const files: [name: string, bytes: Buffer, size: [number, number], note: string | null][] = [
      ['palette.png', await sharp(Buffer.from(boxSvg)).png({ palette: true }).toBuffer(), [300, 240], null],
      [
        'interlaced.png',
        await sharp(Buffer.from(boxSvg)).png({ progressive: true }).toBuffer(),
        [300, 240],
        null,
      ],
      [
        'grey-alpha.png',
        await sharp(Buffer.from(boxSvg)).ensureAlpha(0.5).toColourspace('b-w').png().toBuffer(),
        [300, 240],
        null,
      ],
      ['animated.png', animated, [300, 240], 'Only the first frame of the animation was taken.'],
      ['turned.jpg', turned, [240, 300], 'The picture was turned upright as its camera noted.'],
    ];
    for (const [name, bytes, [width, height], note] of files) {
      const { status, body } = (await upload(server, bytes, name)) as { status: number; body: Artwork };
      expect([status, body.widthPx, body.heightPx], name).to.deep.equal([201, width, height]);
      if (note) expect(body.readingNotes, name).to.include(note);
      const pixels = await server.api.get(`/api/v1/artworks/${body.id}/pixels`).buffer(true);
      expect((pixels.body as Buffer).length, name).to.equal(4 * width * height);
    }
  });

  it('plans the line anew from its steps: white and cost fall, the file stays, and the same steps are one version', async () => {
    const line = await boxedLine();
    const before = await get<RouteVersion>(`/lines/${line.id}/route`);
    const { status, body } = (await prepare(line)) as { status: number; body: RouteVersion };
    expect([status, body.number]).to.deep.equal([201, 2]);
    expect(body.cost.totalCents).to.be.below(before.cost.totalCents);
    const after = await get<{ line: OrderLine }>(`/lines/${line.id}`);
    expect(after.line.prints[0]!.preparation).to.deep.include({
      number: 1,
      byName: 'Ada',
      steps: [TAKE_BLACK],
    });
    const figures = await get<ArtFigures>(`/lines/${line.id}/figures`);
    expect(figures.boxLeft.kind).to.equal('none');
    const again = await prepare({ ...line, routeNumber: 2 }, { widthMm: 150 });
    expect(again.status).to.equal(201);
    expect(await get(`/artworks/${line.prints[0]!.artwork?.id ?? ''}/preparations`)).to.have.length(1);
    expect((await get<{ line: OrderLine }>(`/lines/${line.id}`)).line.prints[0]!.widthMm).to.equal(150);
    const uses = await get<{ lineId: string; preparation: number }[]>(
      `/artworks/${line.prints[0]!.artwork?.id ?? ''}/lines`,
    );
    expect(uses.find(({ lineId }) => lineId === line.id)?.preparation).to.equal(1);
  });

  it('measures anew what an older analysis measured: its figures are kept beside, and not read', async () => {
    const line = await boxedLine();
    const before = await get<ArtFigures>(`/lines/${line.id}/figures`);
    const where = { artworkId: line.prints[0]!.artwork!.id };
    const { figures } = server.db.models;
    const [measured] = await figures.findAll({ where, raw: true });
    const old = {
      analysis: measured!.analysis - 1,
      figures: { ...before, inkMm2: 1, warnings: ['made up'] },
    };
    await figures.update(old, { where });
    expect(await get(`/lines/${line.id}/figures`)).to.deep.equal(before);
    const fresh = await figures.findAll({ where: { ...where, analysis: measured!.analysis }, raw: true });
    expect(fresh.map((row) => row.figures.inkMm2)).to.deep.equal([before.inkMm2]);
    expect(await figures.count({ where: { ...where, analysis: old.analysis } })).to.be.above(0);
  });

  it('refuses a stale write, steps out of range and unknown steps, and keeps nothing of them', async () => {
    const line = await boxedLine();
    expect((await prepare(line, { basedOn: 7 })).status).to.equal(409);
    const perforate = { kind: 'perforate', holeMm: 0.4, pitchMm: 3 } as const;
    const small = (await prepare(line, { steps: [perforate] })) as { status: number; body: Problem };
    expect(small.status).to.equal(400);
    const unknown = { kind: 'sharpen', by: 3 } as unknown as ArtStep;
    expect((await prepare(line, { steps: [unknown] })).status).to.equal(400);
    const all: ArtStep = { kind: 'knock-out', hex: '#040404', tol: 100, soft: 0, mode: 'global' };
    const empty = (await prepare(line, { steps: [all] })) as { status: number; body: Problem };
    expect([empty.status, empty.body.detail]).to.deep.equal([
      409,
      '“box.png” is empty: there is nothing to print.',
    ]);
    expect((await get<{ line: OrderLine }>(`/lines/${line.id}`)).line.prints[0]!.preparation).to.equal(null);
  });

  it('hands out planes that read back as what is printed, at the print’s resolution', async () => {
    const line = await boxedLine();
    await prepare(line).expect(201);
    const route = await get<RouteVersion>(`/lines/${line.id}/route`);
    const density = route.route.operations
      .flatMap(({ settings }) => settings)
      .find(({ key }) => key === 'whiteDensity');
    const { data, info } = await sharp(await boxPng())
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { whites, figures } = analyseArtwork(
      { width: info.width, height: info.height, data },
      {
        widthMm: line.prints[0]!.widthMm,
        garment: line.colour.hex,
        process: 'dtf',
        steps: [TAKE_BLACK],
        underbase: { chokeMm: 0.1, density: density?.value ?? 0 },
      },
    );
    const wanted = wholePlane(whites!.underbase, info.width, info.height);
    for (const format of ['png', 'tiff']) {
      const file = await server.api
        .get(`/api/v1/lines/${line.id}/plane`)
        .query({ plane: 'white', format })
        .buffer(true)
        .expect(200);
      const meta = await sharp(file.body as Buffer).metadata();
      expect([meta.format, meta.channels, meta.width]).to.deep.equal([format, 1, info.width]);
      expect(meta.density).to.be.closeTo(figures.dpi, 0.6);
      const read = await sharp(file.body as Buffer)
        .toColourspace('b-w')
        .raw()
        .toBuffer();
      expect(Buffer.compare(read, Buffer.from(wanted)), format).to.equal(0);
    }
    const film = await server.api
      .get(`/api/v1/lines/${line.id}/plane`)
      .query({ plane: 'film-white', format: 'png' })
      .buffer(true);
    const mirrored = await sharp(film.body as Buffer)
      .toColourspace('b-w')
      .raw()
      .toBuffer();
    expect(Buffer.compare(mirrored, Buffer.from(mirrorPlane(wanted, info.width)))).to.equal(0);
    const second = await server.api
      .get(`/api/v1/lines/${line.id}/plane`)
      .query({ plane: 'second-white', format: 'png' });
    expect([second.status, (second.body as Problem).code]).to.deep.equal([409, 'not-now']);
  });

  it('makes a proof, records the customer’s answer on the order, and asks once whose image it is', async () => {
    const line = await boxedLine();
    const page = await server.api.get(`/api/v1/lines/${line.id}/proof.pdf`).buffer(true).expect(200);
    expect((page.body as Buffer).subarray(0, 5).toString()).to.equal('%PDF-');
    const answer = { verdict: 'approved', customerName: 'Žofie Nováková', note: 'go on', by: 'Ada' };
    const { body } = (await server.api
      .post(`/api/v1/lines/${line.id}/proof-answers`)
      .send(answer)
      .expect(201)) as { body: ProofAnswer[] };
    expect(body[0]).to.include({ verdict: 'approved', customerName: 'Žofie Nováková', routeNumber: 1 });
    expect((await get<{ line: OrderLine }>(`/lines/${line.id}`)).line.proof?.verdict).to.equal('approved');
    await server.api.get(`/api/v1/lines/${line.id}/proof.pdf`).buffer(true).expect(200);
    const rights = await server.api
      .put(`/api/v1/artworks/${line.prints[0]!.artwork?.id ?? ''}/rights`)
      .send({ rights: 'licensed', note: 'transfers too', by: 'Ada' });
    expect((rights.body as Artwork).rights).to.equal('licensed');
    const nobody = await server.api
      .post(`/api/v1/lines/${line.id}/proof-answers`)
      .send({ ...answer, customerName: ' ' });
    expect(nobody.status).to.equal(400);
  });

  it('puts another file on a line and keeps its size and placement', async () => {
    const line = await boxedLine();
    await prepare(line).expect(201);
    const png = await sharp(Buffer.from(boxSvg.replace('#d0342c', '#2c80d0')))
      .png()
      .toBuffer();
    const { body: artwork } = (await upload(server, png, 'blue.png')) as { body: Artwork };
    await server.api
      .put(`/api/v1/lines/${line.id}/artwork`)
      .send({ print: '1', artworkId: artwork.id })
      .expect(200);
    const { line: now } = await get<{ line: OrderLine }>(`/lines/${line.id}`);
    const [was, own] = [line.prints[0]!, now.prints[0]!];
    expect(own).to.include({ widthMm: was.widthMm, placement: was.placement, preparation: null });
    expect(own.artwork?.name).to.equal('blue.png');
  });

  it('lets weighed prints overrule the assumed laydowns, and refuses a print that lost weight', async () => {
    const line = await boxedLine();
    const weigh = (afterG: number) =>
      server.api
        .post(`/api/v1/lines/${line.id}/weighings`)
        .send({ print: '1', of: 'powder', beforeG: 10, afterG, by: 'Ada' });
    expect((await weigh(9)).status).to.equal(400);
    const figures = await get<ArtFigures>(`/lines/${line.id}/figures`);
    for (let i = 0; i < 4; i++) await weigh(10 + (figures.powderG / 45) * 60).expect(201);
    const fits = await get<LaydownFit[]>('/laydowns');
    const powder = fits.find(({ amounts }) => amounts.some(({ what }) => what === 'powder'));
    expect(powder?.weighings).to.equal(4);
    expect(powder?.amounts[0]?.value).to.be.within(55, 60);
    const { materials } = await get<Catalogue>('/catalogue');
    const own = materials.find(({ kind }) => kind === 'powder')!;
    expect(own.learnt?.values.gM2?.value).to.equal(powder?.amounts[0]?.value);
    expect(own.properties, 'what is assumed is not what was learnt').to.deep.include({
      status: 'assumed',
      gM2: 45,
    });
    const { orderId } = await get<{ orderId: string }>(`/lines/${line.id}`);
    await planned(server, orderId);
    const document = await get<LineDocument>(`/lines/${line.id}/document`);
    const known = document.materials.find(({ kind }) => kind === 'powder');
    expect(known?.learnt, 'the drafts follow what was learnt').to.deep.equal(own.learnt);

    // saved unchanged, nothing is learnt twice
    const { id, version, learnt: _learnt, ...record } = own;
    const saved = await server.api.put(`/api/v1/shop/materials/${id}`).send({ version, record }).expect(200);
    await followed(server, saved.body as ShopChanged);
    const again = await get<LaydownFit[]>('/laydowns');
    expect(again).to.deep.equal(fits);
    expect((await get<ArtFigures>(`/lines/${line.id}/figures`)).powderG).to.be.above(1.2 * figures.powderG);
  });
});
