import { fibresOf } from '@saltflat/core/blank';
import { codesIn, withWords } from '@saltflat/core/words';
import { routeInputOf } from '@saltflat/contract';
import type {
  BlankInput,
  Catalogue,
  ComparisonAnswer,
  ImportReport,
  LineDocument,
  LinePrint,
  Order,
  Replanned,
  RouteVersion,
  ShopChange,
  ShopChanged,
} from '@saltflat/contract';
import { priceRoute } from '@saltflat/core/cost';
import type { Quote } from '@saltflat/core/cost';
import { heatAdvice } from '@saltflat/core/heat';
import { planRoute } from '@saltflat/core/route';
import { expect } from 'chai';
import Papa from 'papaparse';
import type supertest from 'supertest';
import {
  discPng,
  followed,
  lineInput,
  planned,
  plannedOrder,
  startTestServer,
  upload,
} from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

const ZIP_FLEECE: BlankInput = {
  name: 'Lantern zip fleece',
  maker: 'Northquay',
  kind: 'hoodie',
  fibres: fibresOf({ cotton: 0.6, polyester: 0.35, elastane: 0.05 }),
  construction: 'fleece',
  massGM2: 280,
  thicknessMm: null,
  features: ['zip', 'hood'],
  maxPressC: null,
  pretreated: null,
  colours: [{ name: 'Burgundy', hex: '#5e1a2b', tone: 'dark', dye: 'dyed' }],
  sizes: ['S', 'M', 'L', 'XL', 'XXL'].map((size, i) => {
    return { size, cents: 1900 + 50 * i, bodyWidthMm: 500 + 50 * i, collarDropMm: null };
  }),
  areas: [],
};

/** A print as an order that is being written asks for its comparison. */
const asWritten = ({ artwork, preparation: _kept, findings: _told, ...print }: LinePrint) => ({
  ...print,
  artworkId: artwork!.id,
});

describe('the shop', () => {
  let server: TestServer;
  before(async function () {
    server = await startTestServer();
  });
  after(() => server.stop());

  const catalogue = async (): Promise<Catalogue> =>
    (await server.api.get('/api/v1/catalogue').expect(200)).body as Catalogue;
  const latest = async (lineId: string): Promise<RouteVersion> =>
    (await server.api.get(`/api/v1/lines/${lineId}/route`).expect(200)).body as RouteVersion;
  const titles = ({ route }: RouteVersion): string[] => route.operations.map(({ title }) => title);
  const setHouse = async (own: object): Promise<ShopChanged> => {
    const { house } = await catalogue();
    const record = { ...house.document, ...own };
    return (await server.api.put('/api/v1/shop/house').send({ version: house.version, record }).expect(200))
      .body as ShopChanged;
  };

  it('takes in a blank of a new fabric, and orders of it are planned', async () => {
    await server.api.post('/api/v1/shop/blanks').send(ZIP_FLEECE).expect(201);
    const style = (await catalogue()).styles.find(({ name }) => name === ZIP_FLEECE.name);
    expect(style?.fibres).to.deep.equal(ZIP_FLEECE.fibres);
    const { body: art } = (await upload(server, await discPng(), 'disc.png')) as { body: { id: string } };
    const placement = { placement: 'left-chest' as const, dropMm: 95, widthMm: 90, process: 'dtf' as const };
    const order = await plannedOrder(server, {
      lines: [
        lineInput(server, {
          ...placement,
          artworkId: art.id,
          styleId: style?.id ?? '',
          colourId: style?.colours[0]?.id ?? '',
          sizes: [{ size: 'L', quantity: 4 }],
        }),
      ],
    });
    expect(order.lines[0]?.state, order.lines[0]?.planProblem ?? '').to.equal('ready');
    const press = (await latest(order.lines[0]?.id ?? '')).route.operations.find(
      ({ id }) => id === 'press-transfer',
    );
    expect(press?.settings.find(({ key }) => key === 'tempC')?.value).to.be.within(135, 157);
  });

  it('refuses fibres that do not make a whole, twice the same colour, and a name that is taken, by field', async () => {
    const send = (own: Partial<BlankInput>) =>
      server.api.post('/api/v1/shop/blanks').send({ ...ZIP_FLEECE, ...own });
    const fibres = { ...ZIP_FLEECE.fibres, cotton: 0.7 };
    const { body: shares } = (await send({ name: 'Other', fibres }).expect(400)) as {
      body: { detail: string };
    };
    expect(shares.detail).to.equal('The fibres make 110 % together; they must make 100 %.');
    const twice = [...ZIP_FLEECE.colours, ...ZIP_FLEECE.colours];
    const { body: colours } = (await send({ name: 'Other', colours: twice }).expect(400)) as {
      body: { fields: { path: string }[] };
    };
    expect(colours.fields[0]?.path).to.equal('/colours');
    const { body: taken } = (await send({}).expect(409)) as { body: { code: string } };
    expect(taken.code).to.equal('name-taken');
  });

  it('refuses spans that begin above their end and properties another kind has', async () => {
    const [film] = (await catalogue()).materials.filter(({ kind }) => kind === 'film');
    const { id: _id, version: _version, learnt: _learnt, ...record } = film!;
    const crossed = {
      ...record,
      name: 'Crossed',
      properties: { ...record.properties, pressC: { min: 170, max: 130 } },
    };
    const { body } = (await server.api.post('/api/v1/shop/materials').send(crossed).expect(400)) as {
      body: { detail: string; fields: { path: string }[] };
    };
    expect(body.detail).to.contain('begins at 170, above where it ends, 130');
    expect(body.fields[0]?.path).to.equal('/properties/pressC/min');
    const foreign = { ...record, name: 'Foreign', properties: { ...record.properties, grain: 'fine' } };
    await server.api.post('/api/v1/shop/materials').send(foreign).expect(400);
  });

  it('re-plans drafts when a method changes, says what changed where, and leaves what is run alone', async () => {
    const draft = await plannedOrder(server);
    const run = await plannedOrder(server);
    const lineIds = run.lines.map(({ id }) => id);
    await server.api.post('/api/v1/runs').send({ lineIds, by: 'Ada' }).expect(201);
    const before = await latest(lineIds[0]!);
    const changed = await followed(server, await setHouse({ filmPeel: 'hot' }));
    const own = changed.replanned.find(({ lineId }) => lineId === draft.lines[0]?.id);
    expect(own?.number).to.equal(2);
    expect(own?.differences.map(({ before: from, after }) => [from, after])).to.deep.include([
      'Peel cold',
      'Peel hot',
    ]);
    expect(changed.replanned.map(({ lineId }) => lineId)).to.not.include(run.lines[0]?.id);
    expect(titles(await latest(draft.lines[0]?.id ?? ''))).to.include('Peel hot');
    expect(await latest(run.lines[0]?.id ?? '')).to.deep.equal(before);
    const again = await followed(server, await setHouse({ filmPeel: 'hot' }));
    expect(again.replanned).to.deep.equal([]);
    expect(again.unchanged).to.equal(again.drafts);
    await followed(server, await setHouse({ filmPeel: 'cold' }));
  });

  it('lets a line do it otherwise than the shop', async () => {
    const own = await plannedOrder(server);
    const [line] = own.lines;
    const artworkId = line!.prints[0]!.artwork!.id;
    const input = lineInput(server, { id: line!.id, artworkId, house: { secondPress: 'none' } });
    const { body } = (await server.api
      .put(`/api/v1/orders/${own.id}`)
      .send({ customer: own.customer, dueAt: own.dueAt, note: '', version: own.version, lines: [input] })
      .expect(200)) as { body: Order };
    expect(body.lines[0]?.house).to.deep.equal({ secondPress: 'none' });
    await planned(server, own.id);
    expect(titles(await latest(own.lines[0]?.id ?? ''))).to.not.include('Second press, covered');
  });

  it('refuses a stale change and shows what is there now', async () => {
    const { materials } = await catalogue();
    const powder = materials.find(({ kind }) => kind === 'powder')!;
    const { id, version, learnt: _learnt, ...record } = powder;
    const send = (stock: number) =>
      server.api.put(`/api/v1/shop/materials/${id}`).send({ version, record: { ...record, stock } });
    await send(5).expect(200);
    const { body } = (await send(4).expect(409)) as { body: { code: string; current: { stock: number } } };
    expect([body.code, body.current.stock]).to.deep.equal(['stale-version', 5]);
  });

  it('puts a machine out of use and back: lines that need it say so, and recover', async () => {
    const order = await plannedOrder(server);
    const oven = async (): Promise<{ id: string; version: number }[]> =>
      (await catalogue()).machines.filter(({ kind }) => kind === 'oven' || kind === 'griddle');
    const away = await oven();
    for (const { id, version } of away)
      await followed(
        server,
        (await server.api.post(`/api/v1/shop/machines/${id}/retire`).send({ version }).expect(200))
          .body as ShopChanged,
      );
    expect(titles(await latest(order.lines[0]?.id ?? '')), 'the press hovers instead').to.include(
      'Melt the powder',
    );
    const hovered = (await latest(order.lines[0]?.id ?? '')).route.operations.find(
      ({ id }) => id === 'melt-powder',
    );
    expect(hovered?.modes[0]?.machineKind).to.equal('press');
    for (const { id, version } of away)
      await server.api
        .post(`/api/v1/shop/machines/${id}/restore`)
        .send({ version: version + 1 })
        .expect(200);
    expect(await oven()).to.have.lengthOf(away.length);
  });

  it('says of a line that it can be made again, though it comes out as it was', async () => {
    const lineId = (await plannedOrder(server)).lines[0]?.id ?? '';
    const { number } = await latest(lineId);
    const printers = (await catalogue()).machines.filter(({ name }) => name === 'Film printer');
    const change = async (id: string, how: 'retire' | 'restore', version: number): Promise<ShopChange> =>
      followed(
        server,
        (await server.api.post(`/api/v1/shop/machines/${id}/${how}`).send({ version }).expect(200))
          .body as ShopChanged,
      );
    const outcomes: (Replanned | undefined)[] = [];
    for (const how of ['retire', 'restore'] as const)
      for (const { id, version } of printers) {
        const { replanned } = await change(id, how, how === 'retire' ? version : version + 1);
        outcomes.push(replanned.find((own) => own.lineId === lineId));
      }
    expect(outcomes.at(printers.length - 1)?.problem).to.include('No film printer is set up.');
    const { problem, differences, number: again } = outcomes.at(printers.length) ?? {};
    expect({ problem, differences, again }).to.deep.equal({ problem: null, differences: [], again: number });
  });

  it('takes the film that is put first', async () => {
    const films = async (): Promise<string[]> =>
      (await catalogue()).materials.filter(({ kind }) => kind === 'film').map(({ name }) => name);
    const [, second] = (await catalogue()).materials.filter(({ kind }) => kind === 'film');
    await server.api.post(`/api/v1/shop/materials/${second?.id}/first`).expect(200);
    expect((await films())[0]).to.equal(second?.name);
  });

  it('gives the document a route is planned from: any other planner of it gets the same route and cost', async () => {
    const order = await plannedOrder(server);
    const lineId = order.lines[0]?.id ?? '';
    const { body } = (await server.api.get(`/api/v1/lines/${lineId}/document`).expect(200)) as {
      body: LineDocument;
    };
    const version = await latest(lineId);
    const again = planRoute(routeInputOf(body), heatAdvice());
    if (!again.ok) throw new Error('it was refused');
    expect(withWords(again.route), 'the words stand beside the codes').to.deep.equal(version.route);
    expect(priceRoute(again.route, body.blankCents, body.pieces, body.rates)).to.deep.equal(version.cost);
  });

  describe('tables', () => {
    const exported = async (list: string, format: string): Promise<string> =>
      (
        await server.api
          .get('/api/v1/shop/export')
          .query({ list, format })
          .buffer(true)
          .parse(asText)
          .expect(200)
      ).body as string;
    const bringIn = async (
      list: string,
      format: string,
      text: string,
      dryRun: boolean,
      status = 200,
    ): Promise<ImportReport> =>
      (
        await server.api
          .post('/api/v1/shop/import')
          .query({ list, format, dryRun })
          .set('Content-Type', format === 'json' ? 'application/json' : 'text/csv')
          .serialize((own) => own as string)
          .send(text)
          .expect(status)
      ).body as ImportReport;

    it('come in again as they went out, in both formats', async () => {
      for (const list of ['blanks', 'materials', 'machines', 'methods'])
        for (const format of ['csv', 'json']) {
          const { lines } = await bringIn(list, format, await exported(list, format), true);
          expect(lines, `${list} ${format}`).to.not.be.empty;
          for (const line of lines) expect(line, `${list} ${format}`).to.include({ action: 'same' });
        }
    });

    it('say first what would change, then change it all', async () => {
      const { data } = Papa.parse<Record<string, string>>(await exported('materials', 'csv'), {
        header: true,
        skipEmptyLines: true,
      });
      const rows = data.map((row) =>
        row.Name === 'Scree Fine Powder' ? { ...row, 'Picked up, g/m²': '52' } : row,
      );
      const added = { ...rows.find(({ Kind }) => Kind === 'tape'), Name: 'Clear heat tape' };
      const text = Papa.unparse([...rows, added]);
      const dry = await bringIn('materials', 'csv', text, true);
      const changes = dry.lines.filter(({ action }) => action !== 'same');
      expect(changes.map(({ action, name }) => [action, name])).to.deep.equal([
        ['change', 'Scree Fine Powder'],
        ['add', 'Clear heat tape'],
      ]);
      expect(changes[0]?.notes).to.deep.equal(['Picked up, g/m²: 45 → 52']);
      expect((await catalogue()).materials.some(({ name }) => name === 'Clear heat tape')).to.equal(false);
      expect((await bringIn('materials', 'csv', text, false)).isApplied).to.equal(true);
      const after = (await catalogue()).materials;
      expect(after.find(({ name }) => name === 'Scree Fine Powder')?.properties.gM2).to.equal(52);
      expect(after.some(({ name }) => name === 'Clear heat tape')).to.equal(true);
    });

    it('say of a name that is out of use that it comes back, and bring it back', async () => {
      const text = await exported('materials', 'csv');
      const tape = (await catalogue()).materials.find(({ name }) => name === 'Clear heat tape');
      const { version } = tape ?? {};
      await server.api.post(`/api/v1/shop/materials/${tape?.id}/retire`).send({ version }).expect(200);
      const [told] = (await bringIn('materials', 'csv', text, true)).lines.filter(
        ({ action }) => action !== 'same',
      );
      expect(told).to.include({ action: 'change', name: 'Clear heat tape' });
      expect(told?.notes.join(' ')).to.contain('comes back into use');
      expect((await bringIn('materials', 'csv', text, false)).isApplied).to.equal(true);
      const back = (await catalogue()).materials.filter(({ name }) => name === 'Clear heat tape');
      expect(back.map(({ id }) => id)).to.deep.equal([tape?.id]);
    });

    it('refuse bad rows by their line, and change nothing then', async () => {
      const text = await exported('blanks', 'csv');
      const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
      const bad = data.map((row, i) =>
        i === 1
          ? { ...row, 'Cotton, %': '140' }
          : i === 2
            ? { ...row, 'Mass, g/m²': 'heavy' }
            : { ...row, Maker: 'Elsewhere' },
      );
      const { isApplied, lines } = await bringIn('blanks', 'csv', Papa.unparse(bad), false);
      expect(isApplied).to.equal(false);
      const refused = lines.filter(({ action }) => action === 'refuse');
      expect(refused.map(({ line }) => line)).to.deep.equal([3, 4]);
      expect(refused[0]?.notes.join(' ')).to.contain('“Cotton” must be at most 1');
      expect(refused[1]?.notes).to.deep.equal(['“Mass, g/m²” must be a number, but “heavy” was given.']);
      expect((await catalogue()).styles.some(({ maker }) => maker === 'Elsewhere')).to.equal(false);
      const { detail } = (await bringIn('blanks', 'csv', 'Nme\r\nx', true, 400)) as unknown as {
        detail: string;
      };
      expect(detail).to.contain('no column “Nme”');
      await bringIn('blanks', 'json', '{', true, 400);
    });

    it('bring house methods in, and re-plan', async () => {
      const text = (await exported('methods', 'csv')).replace(/(Transfer: second press),10/, '$1,15');
      const report = await bringIn('methods', 'csv', text, false);
      expect(report.lines[0]?.notes).to.deep.equal(['Transfer: second press: 10 → 15']);
      const { replanned } = await followed(server, { changeId: report.changeId! });
      expect(replanned.length).to.be.greaterThan(0);
      expect((await catalogue()).house.document.secondPress).to.equal('15');
    });
  });

  it('compares every process for a line being written', async () => {
    const order = await plannedOrder(server);
    const line = order.lines[0]!;
    const ask = async (own: object): Promise<ComparisonAnswer> =>
      (
        await server.api
          .post('/api/v1/comparisons')
          .send({
            styleId: line.styleId,
            colourId: line.colour.id,
            print: '1',
            prints: [asWritten(line.prints[0]!)],
            sizes: line.sizes,
            ...own,
          })
          .expect(200)
      ).body as ComparisonAnswer;
    const { options, recommended, reasons } = await ask({});
    expect(options.length).to.equal(7);
    expect(options.find(({ process }) => process === recommended)?.plan?.cost.totalCents).to.be.greaterThan(
      line.pieces,
    );
    expect(reasons).to.not.be.empty;
    const against = options.find(({ process }) => process === 'bought-in')?.refusals;
    expect(codesIn(against![0]!)).to.include('against.minimum');
    const many = await ask({ sizes: [{ size: 'M', quantity: 40 }] });
    expect(many.options.find(({ process }) => process === 'bought-in')?.plan).to.not.equal(null);
  });

  it('makes a quote that adds up, and both papers in both sizes', async () => {
    const order = await plannedOrder(server);
    const lineId = order.lines[0]?.id ?? '';
    const { body: quote } = (await server.api.get(`/api/v1/lines/${lineId}/quote`).expect(200)) as {
      body: Quote;
    };
    expect(quote.totalCents).to.equal(quote.sizes.reduce((sum, { totalCents }) => sum + totalCents, 0));
    for (const paper of ['a4', 'letter'])
      for (const path of [`/lines/${lineId}/run-sheet.pdf`, `/orders/${order.id}/quote.pdf`]) {
        const { body } = (await server.api
          .get(`/api/v1${path}`)
          .query({ paper })
          .buffer(true)
          .parse(asBytes)
          .expect(200)) as {
          body: Buffer;
        };
        expect(body.subarray(0, 5).toString()).to.equal('%PDF-');
        expect(body.toString('latin1')).to.contain(
          paper === 'a4' ? '/MediaBox [0 0 595.' : '/MediaBox [0 0 612 792]',
        );
      }
  });
});

type Parser = (res: supertest.Response, done: (error: Error | null, body: unknown) => void) => void;
const asBytes: Parser = (res, done) => {
  const stream = res as unknown as NodeJS.ReadableStream; // before it is parsed, it is one
  const chunks: Buffer[] = [];
  stream.on('data', (chunk: Buffer) => chunks.push(Buffer.from(chunk)));
  stream.on('end', () => done(null, Buffer.concat(chunks)));
};
const asText: Parser = (res, done) =>
  asBytes(res, (error, body) => done(error, (body as Buffer).toString('utf8')));
