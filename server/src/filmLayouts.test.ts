import { inflateSync } from 'node:zlib';
import type {
  Catalogue,
  FilmLayout,
  FilmLayoutInput,
  FilmLayoutPage,
  FilmWaiting,
  LineQuote,
  Order,
  Problem,
  RouteVersion,
  Run,
  WaitingTransfers,
} from '@saltflat/contract';
import { BinaryBitmap, Code128Reader, HybridBinarizer, RGBLuminanceSource } from '@zxing/library';
import { expect } from 'chai';
import sharp from 'sharp';
import {
  LAY_SETTINGS,
  lineInput,
  orderInput,
  planned,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

/** Red along the top, blue down the left below it, nothing else: no way round looks like another. */
const ANGLE = `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200" viewBox="0 0 160 120">
  <path d="M0 0H160V50H0Z" fill="#d0342c"/><path d="M0 50H60V120H0Z" fill="#2040c0"/></svg>`;
const RED = [208, 52, 44];
const BLUE = [32, 64, 192];
/** Where in the art, as shares of its width and height, and what is printed there. */
const PROBES: [across: number, down: number, colour: number[] | null][] = [
  [0.9, 0.2, RED],
  [0.1, 0.2, RED],
  [0.2, 0.8, BLUE],
  [0.8, 0.8, null],
];

describe('layouts of film', function () {
  let server: TestServer;
  let artworkId: string;
  let first: WaitingTransfers;
  before(async () => {
    server = await startTestServer();
    const png = await sharp(Buffer.from(ANGLE)).png().toBuffer();
    ({ id: artworkId } = (await upload(server, png, 'angle.png')).body as { id: string });
    first = await takeIn(2);
  });
  after(() => server.stop());

  async function takeIn(quantity: number): Promise<WaitingTransfers> {
    const print = { placement: 'full-front', dropMm: 75, widthMm: 120, process: 'dtf', artworkId } as const;
    const line = { ...lineInput(server), sizes: [{ size: 'M', quantity }], prints: [print] };
    const { body } = await server.api
      .post('/api/v1/orders')
      .send(orderInput(server, null, { lines: [line] }))
      .expect(201);
    const order = await planned(server, (body as Order).id);
    const { items } = await server.get<FilmWaiting>('/film/waiting');
    const found = items.find(({ lineId }) => lineId === order.lines[0]?.id);
    if (!found) throw new Error(`${order.lines[0]?.state ?? 'no line'}: it does not wait`);
    return found;
  }

  /** Two transfers on one sheet, one upright, one turned to the right. */
  const layoutOf = (own: WaitingTransfers, more: Partial<FilmLayoutInput> = {}): FilmLayoutInput => {
    const itemId = `${own.lineId}/${own.print}/0`;
    return {
      transfers: [
        {
          lineId: own.lineId,
          print: own.print,
          routeNumber: own.routeNumber,
          isFirst: false,
          isUpright: false,
          more: 0,
        },
      ],
      settings: LAY_SETTINGS,
      marks: { isCoded: true, isHeaded: true, isTrimmed: true, isCutLined: true },
      masks: [],
      placements: [
        { key: `${itemId}#0`, itemId, sheet: 0, xMm: 10, yMm: 20, turn: 0 },
        { key: `${itemId}#1`, itemId, sheet: 0, xMm: 200, yMm: 10, turn: 90 },
      ],
      by: 'Ines',
      ...more,
    };
  };
  const keep = (input: FilmLayoutInput) => server.api.post('/api/v1/film/layouts').send(input);
  const kept = async (input: FilmLayoutInput): Promise<FilmLayout> =>
    (await keep(input).expect(201)).body as FilmLayout;
  const file = async (layout: FilmLayout, path: string): Promise<Buffer> =>
    (await server.api.get(`/api/v1/film/layouts/${layout.id}/${path}`).buffer(true).expect(200))
      .body as Buffer;

  /** Colours of the probes of both transfers on a sheet, where they are expected. */
  async function read(png: Buffer, isMirrored: boolean, filmMm: number, dpi: number): Promise<unknown[]> {
    const [{ widthMm: w, heightMm: h } = { widthMm: 0, heightMm: 0 }] = first.sizes;
    const { channels } = await sharp(png).metadata();
    const { data, info } = await sharp(png)
      .toColourspace(channels === 1 ? 'b-w' : 'srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    return PROBES.flatMap(([across, down]) =>
      [
        [10 + across * w, 20 + down * h], // upright
        [200 + (1 - down) * h, 10 + across * w], // its top lies to the right
      ].map(([x = 0, y = 0]) => {
        const [px, py] = [isMirrored ? filmMm - x : x, y].map((mm) => Math.floor((mm / 25.4) * dpi));
        const at = info.channels * ((py ?? 0) * info.width + (px ?? 0));
        if (info.channels === 1) return data[at];
        return (data[at + 3] ?? 0) < 8 ? null : [...data.subarray(at, at + 3)];
      }),
    );
  }

  it('are kept as they lie, mirrored by whoever mirrors, and put on the floor once', async () => {
    const layout = await kept(layoutOf(first));
    const [size] = first.sizes;
    expect(size?.slots).to.deep.equal([1, 2]);
    const filmMm = layout.document.film.widthMm;
    // the lower one of both ends here, and the strip along the edge is cut off with it
    const lengthMm = Math.max(20 + (size?.heightMm ?? 0), 10 + (size?.widthMm ?? 0)) + 6;
    expect([layout.code, layout.sheets, layout.pieces, layout.lengthMm]).to.deep.equal([
      'F-1',
      1,
      2,
      lengthMm,
    ]);
    expect(layout.document.isMirroredHere).to.equal(false); // the film printer’s software does it

    const colour = await file(layout, 'print.png?sheet=1&plane=colour&dpi=100');
    const meta = await sharp(colour).metadata();
    expect([meta.width, meta.height]).to.deep.equal([Math.round((filmMm / 25.4) * 100), Math.round((lengthMm / 25.4) * 100)]); // prettier-ignore
    expect(meta.density).to.be.closeTo(100, 0.5);
    const wanted = PROBES.flatMap(([, , own]) => [own, own]);
    expect(await read(colour, false, filmMm, 100)).to.deep.equal(wanted);

    const white = await file(layout, 'print.png?sheet=1&plane=white&dpi=100');
    expect((await sharp(white).metadata()).channels).to.equal(1);
    const laid = (await read(white, false, filmMm, 100)) as number[];
    expect(laid.map((own) => own > 100)).to.deep.equal(wanted.map((own) => own !== null));

    // from now on its film is paid for as it lies: half of the piece of roll for each of two
    const version = await server.get<RouteVersion>(`/lines/${first.lineId}/route`);
    expect(version.laid).to.deep.equal([{ id: layout.id, code: 'F-1' }]);
    const film = server.catalogue.materials.find(({ id }) => id === first.film.id);
    const { centsPerM2 } = film?.properties as { centsPerM2: number };
    const cents = ((filmMm * lengthMm) / 1e6 / 2) * centsPerM2;
    const paid = version.cost.materials.find(({ what }) => what === first.film.name)?.cents;
    expect(paid).to.be.closeTo(cents, 1e-6);
    const quote = await server.get<LineQuote>(`/lines/${first.lineId}/quote`);
    expect(quote.cost.materials.find(({ what }) => what === first.film.name)?.cents).to.be.closeTo(
      cents,
      1e-6,
    );

    const { body: run } = (await server.api
      .post(`/api/v1/film/layouts/${layout.id}/runs`)
      .send({ by: 'Ines' })
      .expect(201)) as { body: Run };
    expect(run.layout).to.deep.equal({ id: layout.id, code: 'F-1' });
    expect(run.sheets).to.have.length(1);
    expect(run.sheets[0]?.parts).to.have.length(2);
    const again = await server.api.post(`/api/v1/film/layouts/${layout.id}/runs`).send({ by: 'Ines' });
    expect((again.body as Problem).detail).to.equal('F-1 is on the floor already.');
    const { items } = await server.get<FilmLayoutPage>('/film/layouts');
    expect(items.map(({ code, runId }) => [code, runId])).to.deep.equal([['F-1', run.id]]);
    // what it was made of stays, whatever becomes of the line
    expect((await server.get<FilmLayout>(`/film/layouts/${layout.id}`)).document).to.deep.equal(
      layout.document,
    );
  });

  it('are mirrored here, once, for a printer whose software does not mirror', async () => {
    const { machines } = await server.get<Catalogue>('/catalogue');
    const printer = machines.find(({ name }) => name === 'Film printer');
    if (!printer) throw new Error('no printer');
    const { id, version, ...record } = printer;
    const properties = { ...record.properties, isMirroring: false };
    await server.api
      .put(`/api/v1/shop/machines/${id}`)
      .send({ record: { ...record, properties }, version })
      .expect(200);
    first = await takeIn(2);
    const layout = await kept(layoutOf(first));
    expect(layout.document.isMirroredHere).to.equal(true);
    const filmMm = layout.document.film.widthMm;
    const wanted = PROBES.flatMap(([, , own]) => [own, own]);
    const colour = await file(layout, 'print.png?sheet=1&plane=colour&dpi=100');
    expect(await read(colour, true, filmMm, 100)).to.deep.equal(wanted);
    expect(await read(colour, false, filmMm, 100)).to.not.deep.equal(wanted);
    const white = await file(layout, 'print.png?sheet=1&plane=white&dpi=100');
    const laid = (await read(white, true, filmMm, 100)) as number[];
    expect(laid.map((own) => own > 100)).to.deep.equal(wanted.map((own) => own !== null));

    // the cut file for the printed side is the other way round, too: half a gap outside each box
    const [{ widthMm: w, heightMm: h } = { widthMm: 0, heightMm: 0 }] = first.sizes;
    const svg = (await file(layout, 'cut.svg?sheet=1&side=printed')).toString();
    expect(svg).to.contain(`transform="matrix(-1 0 0 1 ${filmMm} 0)"`);
    expect(svg).to.contain(
      `id="${first.code} 1" d="M7.5 17.5L${12.5 + w} 17.5L${12.5 + w} ${22.5 + h}L7.5 ${22.5 + h}Z"`,
    );
    expect((await file(layout, 'cut.svg?sheet=1&side=through')).toString()).to.not.contain('transform');
  });

  it('are written as pages exactly as large as the film, and as labels whose codes scan', async () => {
    const layout = await kept(layoutOf(first));
    const pdf = (await file(layout, 'print.pdf?dpi=100')).toString('latin1');
    const [, wide = '', high = ''] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf) ?? [];
    const mm = (points: string): number => (Number(points) / 72) * 25.4;
    expect(mm(wide)).to.be.closeTo(layout.document.film.widthMm, 0.05);
    expect(mm(high)).to.be.closeTo(layout.lengthMm, 0.05);
    expect(pdf.match(/\/Type \/Page\b/g)).to.have.length(1);
    const labels = await file(layout, 'labels.pdf');
    expect(await codesIn(labels)).to.deep.equal([first.code]);
    expect((await file(layout, 'cutting-list.pdf?paper=letter')).subarray(0, 5).toString()).to.equal('%PDF-');
  });

  it('are refused where they cannot be printed as they lie, with what is wrong', async () => {
    const good = layoutOf(first);
    const [upright, turned] = good.placements;
    if (!upright || !turned) throw new Error('two pieces');
    const why = async (more: Partial<FilmLayoutInput>): Promise<string> => {
      const { status, body } = await keep({ ...good, ...more });
      return `${status} ${(body as Problem).detail}`;
    };
    expect(await why({ placements: [upright, { ...turned, xMm: 12 }] })).to.match(
      /^400 1 times a piece lies over an edge or too near/,
    );
    expect(await why({ placements: [upright] })).to.match(/^400 1 pieces are not on film yet/);
    expect(await why({ placements: [upright, upright] })).to.match(/^400 .*#0 lies twice/);
    expect(await why({ placements: [upright, { ...turned, sheet: 2 }] })).to.match(
      /^400 Sheet 2 has nothing on it/,
    );
    const [own] = good.transfers;
    if (!own) throw new Error('a line');
    expect(await why({ transfers: [{ ...own, routeNumber: own.routeNumber + 1 }] })).to.match(
      /^409 .* was planned anew since/,
    );
    const layout = await kept(good);
    const ask = async (path: string): Promise<string> =>
      ((await server.api.get(`/api/v1/film/layouts/${layout.id}/${path}`)).body as Problem).detail;
    expect(await ask('print.png?sheet=2&plane=colour')).to.equal(
      `${layout.code} has 1 sheets; there is no sheet 2.`,
    );
    expect(await ask('print.png?sheet=1&plane=colour&dpi=1200')).to.match(
      /megapixels, and 110 can be drawn\. Ask for \d+ dpi at most/,
    );
  });
});

/** What the bar codes in a paper say. They are black, laid on as much as their masks say: those are what a scanner sees. */
async function codesIn(pdf: Buffer): Promise<string[]> {
  const codes: string[] = [];
  const text = pdf.toString('latin1');
  for (const { index } of text.matchAll(/\/Subtype \/Image/g)) {
    const begin = text.indexOf('stream\n', index) + 'stream\n'.length;
    const head = text.slice(index, begin);
    if (!head.includes('/DeviceGray')) continue;
    const number = (name: string): number => Number(new RegExp(`/${name} (\\d+)`).exec(head)?.[1]);
    const mask = inflateSync(pdf.subarray(begin, begin + number('Length')));
    codes.push(await scanned(mask, number('Width'), number('Height')));
  }
  return codes;
}

async function scanned(mask: Buffer, width: number, height: number): Promise<string> {
  const { data, info } = await sharp(
    mask.map((ink) => 255 - ink),
    { raw: { width, height, channels: 1 } },
  )
    .extend({ top: 10, bottom: 10, left: 40, right: 40, background: '#fff' })
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const seen = new RGBLuminanceSource(new Uint8ClampedArray(data), info.width, info.height);
  return new Code128Reader().decode(new BinaryBitmap(new HybridBinarizer(seen))).getText();
}
