import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoLine } from '@saltflat/demo';
import { ArtworkReport, parse, routeInputOf } from '@saltflat/contract';
import { priceRoute } from '@saltflat/core/cost';
import type { PieceCost } from '@saltflat/core/cost';
import { heatAdvice } from '@saltflat/core/heat';
import { planRoute } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import { expect } from 'chai';
import sharp from 'sharp';
import { runCommand } from './commands.ts';

const folder = mkdtempSync(join(tmpdir(), 'saltflat-cli-'));
function write(name: string, content: Buffer | object): string {
  const file = join(folder, name);
  writeFileSync(file, Buffer.isBuffer(content) ? content : JSON.stringify(content));
  return file;
}
const line = demoLine();

/** A case with what an independent, finer solver found for it, and how near is near enough. */
interface HeatCase {
  name: string;
  document: { layers: object[]; phases: object[]; output_times_s: number[] };
  reference: {
    probesC: Record<string, (number | null)[]>;
    doses: Record<string, number>;
    waterKgM2: Record<string, number>;
  };
  within: {
    k: number;
    kOf: Record<string, number>;
    fromS: number;
    dose: number;
    doseLeast: number;
    waterKgM2: number;
  };
}
const HEAT_CASES = JSON.parse(
  readFileSync(new URL('fixtures/heatCases.json', import.meta.url), 'utf8'),
) as HeatCase[];
interface HeatAnswer {
  t: number[];
  probes: Record<string, (number | null)[]>;
  doses: Record<string, number>;
  water: Record<string, number>;
}

describe('the command line', () => {
  it('measures an artwork', async () => {
    const image = write(
      'square.png',
      await sharp({ create: { width: 100, height: 50, channels: 4, background: '#ff0000' } })
        .png()
        .toBuffer(),
    );
    const job = write('job.json', {
      widthMm: 100,
      garment: '#000000',
      process: 'dtf',
      settings: { ub: { chokeMm: 0, density: 0.5 } },
    });
    const figures = await runCommand(['artwork', image, job]);
    expect(parse(ArtworkReport, figures)).to.deep.include({ px: [100, 50], heightMm: 50, dpi: 25.4 });
    expect((figures as { inkMm2: number }).inkMm2).to.be.closeTo(5000, 1e-6);
    expect((figures as { coverage: { w: number } }).coverage.w).to.be.closeTo(0.5, 0.002);
  });

  it('writes planes that read back as what was printed', async () => {
    const pixels = Buffer.alloc(4 * 60 * 40);
    for (let x = 10; x < 50; x++)
      for (let y = 10; y < 30; y++) pixels.set([x < 30 ? 250 : 4, 4, 4, 255], 4 * (y * 60 + x));
    const image = write(
      'two.png',
      await sharp(pixels, { raw: { width: 60, height: 40, channels: 4 } })
        .png()
        .toBuffer(),
    );
    const knockout = { hex: '#040404', tol: 8, soft: 14, mode: 'global' };
    const job = write('two.json', {
      widthMm: 6,
      garment: '#000000',
      process: 'dtf',
      knockout,
      settings: { ub: { chokeMm: 0 } },
    });
    const out = join(folder, 'planes');
    await runCommand(['artwork', image, job, '--out', out]);
    const read = async (name: string) =>
      sharp(join(out, name))
        .toColourspace(name.includes('white') ? 'b-w' : 'srgb')
        .raw()
        .toBuffer({ resolveWithObject: true });
    const white = await read('white.png');
    const mirrored = await read('film-white.png');
    expect([white.data[15 * 60 + 15], white.data[15 * 60 + 45]]).to.deep.equal([255, 0]);
    expect([mirrored.data[15 * 60 + 44], mirrored.data[15 * 60 + 14]]).to.deep.equal([255, 0]);
    const { channels, density } = await sharp(join(out, 'white.png')).metadata();
    expect(channels).to.equal(1);
    expect(density).to.be.closeTo(254, 1);
    const art = await read('knocked-out.png');
    expect(art.data[4 * (15 * 60 + 45) + 3]).to.equal(0);
  });

  it('plans the route and price that the document’s own planner gives, house methods and own values included', async () => {
    const by = (process: 'dtg'): typeof line => ({
      ...line,
      prints: line.prints.map((print) => ({ ...print, process })),
    });
    const BACK = { key: 'back' as const, dropMm: 90, grades: [] };
    const own = { operation: 'press-transfer', setting: 'dwellS', value: 18, who: 'Ines', why: 'thick seam' };
    for (const document of [
      line,
      by('dtg'),
      { ...line, prints: [...by('dtg').prints, { ...line.prints[0]!, id: '2', placement: BACK }] },
      { ...line, house: { ...line.house, filmPeel: 'hot' as const }, overrides: [own] },
    ]) {
      const printed = (await runCommand(['route', write('line.json', document)])) as {
        route: Route;
        cost: PieceCost;
      };
      const planned = planRoute(routeInputOf(document), heatAdvice());
      if (!planned.ok) throw new Error('the demo’s own line was refused');
      expect(printed.route).to.deep.equal(planned.route);
      expect(printed.cost).to.deep.equal(priceRoute(planned.route, 343, 24, document.rates));
    }
  });

  it('says in one sentence what was wrong', async () => {
    const refusal = async (...args: string[]): Promise<string> =>
      runCommand(args).then(
        () => 'taken',
        (error: unknown) => (error as Error).message,
      );
    expect(await refusal('bake')).to.contain('route LINE.json');
    expect(await refusal('route', join(folder, 'none.json'))).to.contain('cannot be read');
    expect(await refusal('route', write('bad.json', { ...line, pieces: 0 }))).to.equal(
      '“Pieces” must be at least 1, but 0 was given.',
    );
    const [own] = line.prints;
    const print = { ...own!.print, widthMm: 900 };
    const prints = [{ ...own, process: 'sub-film', print }];
    const white = { ...line.garment, tone: 'light', colourName: 'White', colourHex: '#f4f4f0' };
    const tooLarge = { ...line, prints, garment: white };
    expect(await refusal('route', write('large.json', tooLarge))).to.match(
      /^Sublimation ink on film cannot be done here: .*takes 210\smm × 297\smm, and the print is 900\smm × /,
    );
  });
});

describe('the heat of a stack by command line', () => {
  for (const { name, document, reference, within } of HEAT_CASES)
    it(`agrees with the reference: ${name}`, async () => {
      const answer = (await runCommand(['heat', write('heat.json', document)])) as HeatAnswer;
      expect(answer.t).to.deep.equal(document.output_times_s);
      for (const [probe, course] of Object.entries(reference.probesC))
        course.forEach((wanted, i) => {
          const found = answer.probes[probe]?.[i];
          const at = `${probe} after ${answer.t[i] ?? 0} s`;
          if (wanted === null) expect(found, at).to.equal(null);
          else if ((answer.t[i] ?? 0) >= within.fromS)
            expect(found, at).to.be.closeTo(wanted, within.kOf[probe] ?? within.k);
        });
      for (const [dose, wanted] of Object.entries(reference.doses))
        expect(answer.doses[dose], dose).to.be.closeTo(
          wanted,
          Math.max(within.doseLeast, within.dose * wanted),
        );
      for (const [layer, wanted] of Object.entries(reference.waterKgM2))
        expect(answer.water[layer], layer).to.be.closeTo(wanted, within.waterKgM2);
    });

  const [first] = HEAT_CASES;
  const changed = (change: (text: string) => string): string =>
    write('changed.json', JSON.parse(change(JSON.stringify(first?.document))) as object);
  const refused: [string, (text: string) => string, RegExp][] = [
    [
      'a negative thickness',
      (text) =>
        text
          .replace('"thickness_m": 5e-05', '"thickness_m": -1')
          .replace('"thickness_m":0.00005', '"thickness_m":-1'),
      /“Thickness” must be/,
    ],
    [
      'a layer that is not there',
      (text) => text.replace('"layers":["cover"', '"layers":["lid"'),
      /names layer “lid”; there are “cover”/,
    ],
    [
      'a phase without length',
      (text) => text.replace('"duration_s":15', '"duration_s":0'),
      /“Duration of a phase” must be/,
    ],
    [
      'a plate at 900 °C',
      (text) => text.replace('"T_C":160', '"T_C":900'),
      /“Platen” must be at most 400, but 900/,
    ],
    [
      'a joint too few',
      (text) => text.replace('[700,null,null', '[700,null'),
      /5 contacts for 7 layers: 6 are needed/,
    ],
    [
      'a field nobody knows',
      (text) => text.replace('"pressure_kPa":35', '"pressure_bar":35'),
      /“pressure_bar”/,
    ],
  ];
  for (const [name, change, sentence] of refused)
    it(`refuses ${name} in words`, async () => {
      const error = await runCommand(['heat', changed(change)]).then(
        () => null,
        (reason: unknown) => reason as Error,
      );
      expect(error?.message).to.match(sentence);
    });
});

describe('film', () => {
  const instance = write('film.json', {
    film: { type: 'sheet', w: 210, h: 297 },
    keepOut: { l: 5, r: 5, t: 5, b: 10 },
    spacing: 3,
    items: [
      { id: 'front', w: 180, h: 130, qty: 4, rotations: [90, 180] },
      { id: 'label', w: 60.5, h: 20, qty: 3, priority: 1 },
      { id: 'banner', w: 400, h: 300, qty: 1 },
    ],
  });

  it('prints placements, sheets, the bound, and what fits nowhere', async () => {
    const found = (await runCommand(['film', instance, '--seconds', '0.2', '--seed', '3'])) as {
      placements: { key: string; sheet: number; x: number; y: number; rot: number }[];
      sheets: number;
      bound: number;
      unplaced: object[];
    };
    expect(found.placements.map(({ key }) => key).sort()).to.deep.equal([
      ...[0, 1, 2, 3].map((n) => `front#${n}`),
      ...[0, 1, 2].map((n) => `label#${n}`),
    ]);
    // two fronts are 263 mm of 282 high: the labels lie beside none of them, three abreast below on the first sheet
    expect([found.sheets, found.bound]).to.deep.equal([3, 2]);
    const fronts = found.placements.filter(({ key }) => key.startsWith('front'));
    expect(new Set(fronts.map(({ rot }) => rot))).to.deep.equal(new Set([180]));
    const labels = found.placements.filter(({ key }) => key.startsWith('label'));
    expect(new Set(labels.map(({ sheet }) => sheet))).to.deep.equal(new Set([0]));
    expect(found.unplaced).to.deep.equal([
      { itemId: 'banner', count: 1, neededWidthMm: 310, neededHeightMm: 415 },
    ]);
  });

  it('refuses a time that is none', async () => {
    const error = await runCommand(['film', instance, '--seconds', 'soon']).then(
      () => null,
      (reason: unknown) => reason as Error,
    );
    expect(error?.message).to.equal('--seconds must be a number from 0.01 to 3600, but it is “soon”.');
  });
});

describe('a plan at the command line', () => {
  const document = {
    name: 'two bibs',
    horizon: 60,
    operators: { capacity: [[0, 60, 100]] },
    machines: [{ id: 'press', windows: [[0, 60, 20]], setup: { kind: 'temp', heat: 10, cool: 5 } }],
    orders: [
      { id: 'A', due: 15 },
      { id: 'B', due: 60 },
    ],
    ops: [
      { id: 'a', orders: ['A'], modes: [{ machine: 'press', state: 120, phases: [{ d: 5, ops: 100 }] }] },
      { id: 'b', orders: ['B'], modes: [{ machine: 'press', state: 20, phases: [{ d: 4, ops: 100 }] }] },
    ],
  };

  it('prints modes and starts, what they come to and what no plan can be below', async () => {
    const found = await runCommand(['plan', write('plan.json', document), '--iterations', '200']);
    // hot at 10, a till 15, cold again at 35; b first, and a would be 4 late
    expect(found).to.deep.include({
      instance: 'two bibs',
      ops: [
        { id: 'a', mode: 0, start: [10], setup: null },
        { id: 'b', mode: 0, start: [35], setup: null },
      ],
      score: { lateness: 0, finish: 39, setup: 40, moved: 0 },
      bound: 'No plan can be less late: this is proven.',
    });
    expect(found).to.not.have.any.keys('leftOut', 'faults');
  });

  it('plans the rest and says what is wrong', async () => {
    const now = { ...document, now: 20, operators: { capacity: [[0, 30, 100]] } };
    expect(await runCommand(['plan', write('late.json', now), '--seconds', '0.1'])).to.deep.include({
      ops: [{ id: 'b', mode: 0, start: [20], setup: null }],
      leftOut: [{ id: 'a', why: 'no-room' }],
      faults: [
        '“A” was due before now: it is planned, and late whatever is done.',
        '“A” is more than fits: one of its operations has no place before the end. Give it more days or more hands, or a part of it.',
      ],
    });
  });

  it('names every field that is wrong', async () => {
    const wrong = { ...document, lags: [{ from: 'a', to: 'c' }], ops: [{ ...document.ops[0], modes: [] }] };
    const error = await runCommand(['plan', write('wrong.json', wrong)]).then(
      () => null,
      (reason: unknown) => reason as Error,
    );
    expect(error?.message).to.equal(
      '“a” must have a way of doing it. There is no operation “c”: name one that is listed.',
    );
  });
});
