import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { answerSpray } from './answerSpray.ts';
import { runCommand } from './commands.ts';

/** A job, what an independent implementation answers, and how near is near enough: [relative, absolute] by a figure's name. */
interface SprayCase {
  name: string;
  document: object;
  reference: object;
  within: Record<string, [number, number]>;
  asks?: string[];
}
const CASES = JSON.parse(
  readFileSync(new URL('fixtures/sprayCases.json', import.meta.url), 'utf8'),
) as SprayCase[];

/** Figures that are further off than they may be. */
function* off(
  got: unknown,
  want: unknown,
  within: SprayCase['within'],
  path = '',
  name = '*',
): Generator<string> {
  if (typeof want === 'number') {
    const [relative, absolute] = within[name] ?? within['*'] ?? [1e-3, 1e-9];
    const isNear = typeof got === 'number' && Math.abs(got - want) <= absolute + relative * Math.abs(want);
    if (!isNear) yield `${path}: ${String(got)} instead of ${want}`;
  } else if (Array.isArray(want)) {
    const list = Array.isArray(got) ? (got as unknown[]) : [];
    if (list.length !== want.length) yield `${path}: ${list.length} instead of ${want.length} entries`;
    for (const [i, own] of want.entries()) yield* off(list[i], own, within, `${path}[${i}]`, name);
  } else if (typeof want === 'object' && want !== null) {
    for (const [key, own] of Object.entries(want))
      yield* off(
        (got as Record<string, unknown> | null | undefined)?.[key],
        own,
        within,
        `${path}.${key}`,
        key,
      );
  } else if (got !== want) yield `${path}: ${JSON.stringify(got)} instead of ${JSON.stringify(want)}`;
}

const GUN = { flowGPerS: 4 };
const RECT = { rect: [0, 0, 480, 560] };
const TARGET = { rect: [80, 80, 320, 400] };
const BANDS = {
  kind: 'bands',
  horizontal: 3,
  spacingHMm: 130,
  speedMmPerS: 320,
  distanceMm: 230,
  leadMm: 110,
};
const DEPOSIT = {
  kind: 'deposit',
  gun: GUN,
  garment: RECT,
  target: TARGET,
  targetGm2: 130,
  stepMm: 8,
  pattern: BANDS,
};
const PLAN = {
  kind: 'plan',
  gun: GUN,
  target: TARGET,
  targetGm2: 130,
  distanceMm: 230,
  speedRangeMmPerS: [150, 500],
};
const MACHINE = {
  kind: 'machine',
  nozzles: { count: 4, pitchMm: 60, flowGPerS: 1 },
  heightMm: 140,
  speedMmPerS: 150,
  targetWidthMm: 200,
};
const weighed = (setting: number, afterG: unknown = 165, own: object = {}): object => ({
  setting,
  beforeG: 150,
  afterG,
  ...own,
});
const FIT = {
  kind: 'fit',
  settingRange: [1, 10],
  sense: 'up',
  fluid: 'f',
  nozzle: 'n',
  areaMm2: 140_000,
  weighings: [weighed(3), weighed(6, 172)],
  ask: { gm2At: [{ setting: 4 }] },
};
const CHART = { kind: 'chart', targetGm2: 130, areaMm2: 140_000, garments: [{ beforeG: 150, afterG: 168 }] };
const DRY = { kind: 'dry', depositGm2: 150, phases: [{ kind: 'press', plateC: 165, s: 10 }] };
const GRAMS = { kind: 'grams', area: { rect: [280, 330] } };
const point = (t: number, own: object = {}): object => ({ t, x: 0, y: 0, z: 230, on: true, ...own });
const onPath = (path: unknown): object => ({ ...DEPOSIT, pattern: null, path });

/** What is wrong with a document, and the fields that are named for it, all of them and no other. */
const REFUSED: [string, unknown, string[]][] = [
  ['a number as text', { ...DEPOSIT, targetGm2: '130' }, ['targetGm2']],
  ['a field that is missing', { ...DEPOSIT, garment: null }, ['garment']],
  ['no flow', { ...DEPOSIT, gun: {} }, ['gun.flowGPerS']],
  ['a flow of nothing', { ...DEPOSIT, gun: { flowGPerS: 0 } }, ['gun.flowGPerS']],
  ['a gun too near', { ...DEPOSIT, pattern: { ...BANDS, distanceMm: 19 } }, ['pattern.distanceMm']],
  ['a tilt beyond 40°', { ...DEPOSIT, pattern: { ...BANDS, tiltXDeg: 41 } }, ['pattern.tiltXDeg']],
  ['a shape of 13', { ...DEPOSIT, gun: { ...GUN, shape: 13 } }, ['gun.shape']],
  ['an efficiency of 90', { ...DEPOSIT, gun: { ...GUN, efficiency: 90 } }, ['gun.efficiency']],
  ['a hand that runs back', { ...DEPOSIT, wobble: { speed: 0.3 } }, ['wobble.speed']],
  ['a path of one point', onPath([point(0)]), ['path']],
  ['a time that stands still', onPath([point(0), point(1), point(1)]), ['path[2].t']],
  ['a path and a pattern', { ...DEPOSIT, path: [point(0), point(1)] }, ['path']],
  ['neither', { ...DEPOSIT, pattern: null }, ['pattern']],
  ['no bands', { ...DEPOSIT, pattern: { ...BANDS, horizontal: 0 } }, ['pattern.horizontal']],
  [
    'bands without a spacing',
    { ...DEPOSIT, pattern: { ...BANDS, spacingHMm: null } },
    ['pattern.spacingHMm'],
  ],
  [
    'a polygon of two points',
    {
      ...DEPOSIT,
      garment: {
        polygon: [
          [0, 0],
          [1, 1],
        ],
      },
    },
    ['garment.polygon'],
  ],
  [
    'a polygon without area',
    {
      ...DEPOSIT,
      garment: {
        polygon: [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
      },
    },
    ['garment.polygon'],
  ],
  ['a rectangle without size', { ...DEPOSIT, target: { rect: [0, 0, 0, 5] } }, ['target.rect']],
  ['a target beside the garment', { ...DEPOSIT, target: { rect: [900, 0, 50, 50] } }, ['target']],
  [
    'a sample off the grid',
    {
      ...DEPOSIT,
      samples: [
        [1, 1],
        [999, 1],
      ],
    },
    ['samples[1]'],
  ],
  ['limits the wrong way round', { ...DEPOSIT, lowGm2: 200, highGm2: 100 }, ['lowGm2']],
  ['a step of a tenth', { ...DEPOSIT, stepMm: 0.1 }, ['stepMm']],
  ['too many cells', { ...DEPOSIT, stepMm: 0.5, garment: { rect: [0, 0, 2000, 2000] } }, ['stepMm']],
  ['a range of speeds reversed', { ...PLAN, speedRangeMmPerS: [500, 150] }, ['speedRangeMmPerS']],
  [
    'a plan over a polygon',
    {
      ...PLAN,
      target: {
        polygon: [
          [0, 0],
          [9, 0],
          [9, 9],
        ],
      },
    },
    ['target.rect'],
  ],
  ['a nozzle that is not there', { ...MACHINE, faults: [{ nozzle: 5 }] }, ['faults[0].nozzle']],
  ['a nozzle named twice', { ...MACHINE, faults: [{ nozzle: 2 }, { nozzle: 2 }] }, ['faults[1].nozzle']],
  [
    'a garment that got lighter',
    { ...FIT, weighings: [weighed(3), weighed(6, 149.2)] },
    ['weighings[1].afterG'],
  ],
  [
    'a weight before of nothing',
    { ...CHART, garments: [{ beforeG: 0, afterG: 5 }] },
    ['garments[0].beforeG'],
  ],
  [
    'a scale that dropped out',
    { ...CHART, garments: [{ beforeG: 150, afterG: null }] },
    ['garments[0].afterG'],
  ],
  ['a negative dial', { ...FIT, weighings: [weighed(-3), weighed(6, 172)] }, ['weighings[0].setting']],
  ['a dial beyond its range', { ...FIT, ask: { gm2At: [{ setting: 11 }] } }, ['ask.gm2At[0].setting']],
  [
    'three passes',
    { ...FIT, weighings: [weighed(3), weighed(6, 172, { passes: 3 })] },
    ['weighings[1].passes'],
  ],
  ['an amount of nothing', { ...FIT, ask: { settingFor: [{ gm2: 0 }] } }, ['ask.settingFor[0].gm2']],
  [
    'one weighing of this nozzle',
    { ...FIT, weighings: [weighed(3), weighed(6, 172, { nozzle: 'b' })] },
    ['weighings'],
  ],
  ['humidity in per cent', { ...DRY, room: { rh: 55 } }, ['room.rh']],
  ['a plate in °F', { ...DRY, phases: [{ kind: 'press', plateC: 330, s: 10 }] }, ['phases[0].plateC']],
  [
    'a pressure of one',
    { ...DRY, phases: [{ kind: 'press', plateC: 165, s: 10, kPa: 1 }] },
    ['phases[0].kPa'],
  ],
  ['an unknown phase', { ...DRY, phases: [{ kind: 'bake', s: 10 }] }, ['phases[0].kind']],
  [
    'an unknown cover',
    { ...DRY, phases: [{ kind: 'press', plateC: 165, s: 10, cover: 'foil' }] },
    ['phases[0].cover'],
  ],
  ['an unknown fabric', { ...DRY, fabric: { kind: 'silk' } }, ['fabric.kind']],
  ['an unknown rule', { ...CHART, rules: ['hunch'] }, ['rules[0]']],
  [
    'a mask of too few rows',
    { ...GRAMS, area: { mask: { w: 4, h: 3, rows: [[0, 1]] } } },
    ['area.mask.rows'],
  ],
  [
    'a run past the edge',
    {
      ...GRAMS,
      area: {
        mask: {
          w: 4,
          h: 2,
          rows: [
            [0, 1],
            [2, 3],
          ],
        },
      },
    },
    ['area.mask.rows[1]'],
  ],
  ['an empty mask', { ...GRAMS, area: { mask: { w: 4, h: 1, rows: [[]] } } }, ['area.mask']],
  ['an unknown kind', { kind: 'spary' }, ['kind']],
  ['a list', [GRAMS], ['kind']],
  [
    'several at once',
    { ...DEPOSIT, gun: { flowGPerS: 0 }, target: null, pattern: { ...BANDS, speedMmPerS: -5 } },
    ['gun.flowGPerS', 'target', 'pattern.speedMmPerS'],
  ],
];

interface Answer {
  warnings: { code: string; path: string }[];
}

describe('jobs about pretreatment', () => {
  for (const { name, document, reference, within, asks = [] } of CASES)
    it(`answers ${name} as an independent implementation does`, () => {
      const answer = answerSpray(document) as Answer;
      expect([...off(answer, reference, within)]).to.deep.equal([]);
      expect(answer.warnings.map(({ code }) => code)).to.include.members(asks);
    });

  for (const [what, document, paths] of REFUSED)
    it(`refuses ${what}`, () => {
      const { results } = answerSpray({ kind: 'batch', jobs: [document, GRAMS] }) as {
        results: [{ error?: { fields: { path: string; problem: string }[] } }, { gramsOn?: number }];
      };
      expect(results[0].error?.fields.map(({ path }) => path)).to.have.members(paths);
      expect(results[1].gramsOn).to.be.closeTo(14.508, 1e-9);
    });

  it('refuses a single job in one line that names every faulty field', () => {
    const document = { ...FIT, weighings: [weighed(-3), weighed(6, 149.2)] };
    expect(() => answerSpray(document)).to.throw(
      /^weighings\[0\]\.setting: .*; weighings\[1\]\.afterG: must be above beforeG \(150\), is 149\.2$/,
    );
  });

  it('asks about what may be a slip, and answers', () => {
    const codes = (document: object): string[] =>
      (answerSpray(document) as Answer).warnings.map(({ code, path }) => `${code} ${path}`);
    expect(
      codes({ ...FIT, weighings: [weighed(3, 5.76, { beforeG: 5.29 }), weighed(6, 172)] }),
    ).to.deep.equal(['ounces? weighings[0].afterG']);
    expect(codes({ ...FIT, weighings: [weighed(3), weighed(3, 166)] })).to.deep.equal([
      'slope-assumed weighings',
    ]);
    expect(codes({ ...FIT, weighings: [weighed(3), weighed(6, 172, { elapsedS: 700 })] })).to.deep.equal([
      'weighed-late weighings[1].elapsedS',
    ]);
    expect(codes({ ...FIT, weighings: [weighed(3), weighed(6, 400)] })).to.deep.equal([
      'implausible weighings[1].afterG',
    ]);
    expect(codes({ ...GRAMS, platen: { widthMm: 300, heightMm: 400 } })).to.deep.equal([
      'clipped-to-platen platen',
    ]);
    expect(codes({ ...GRAMS, fabric: { kind: 'fleece' }, targetGm2: 130 })).to.deep.equal([
      'outside-range targetGm2',
    ]);
    expect(codes({ ...DEPOSIT, target: { rect: [-20, 80, 320, 400] } })).to.deep.equal([
      'target-covered target',
    ]);
    expect(codes({ ...GRAMS, margin: 20 })).to.deep.equal(['unknown-field margin']);
  });

  it('is asked by the command line', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'saltflat-spray-')), 'job.json');
    writeFileSync(file, JSON.stringify(GRAMS));
    expect(await runCommand(['spray', file])).to.deep.include({ kind: 'grams', targetGm2: 130 });
  });
});
