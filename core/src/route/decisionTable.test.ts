import { expect } from 'chai';
import { cottonTee, equipment, lineOf } from './fixtures/shop.ts';
import { planRoute, suggestProcess } from './index.ts';
import type { Garment, Process, Route, RouteInput } from './index.ts';

type Span = readonly [min: number, max: number];
interface Row {
  what: string;
  process: Process;
  garment: Partial<Garment>;
  /** Settings by operation and key, with the span practice gives them. */
  expect: Record<string, Span>;
  /** Operations that must and must not be there. */
  has?: readonly string[];
  lacks?: readonly string[];
  own?: Partial<RouteInput>;
}

const fibres = (cotton: number, polyester: number, elastane = 0): Garment['fibres'] => ({
  cotton,
  polyester,
  elastane,
  other: Math.max(0, 1 - cotton - polyester - elastane),
});
const COTTON = fibres(1, 0);
const HEATHER = fibres(0.52, 0.48);
const MOSTLY_COTTON = fibres(0.8, 0.2);
const POLYESTER = fibres(0, 1);
const STRETCH = fibres(0, 0.9, 0.1);
const LIGHT = { tone: 'light', colourHex: '#ffffff', colourName: 'White' } as const;
const TINT = { tone: 'tint', colourHex: '#d9e4ee', colourName: 'Mist' } as const;
const hot = (dwell: Span = [10, 20]): Record<string, Span> => ({
  'press-transfer.tempC': [150, 165],
  'press-transfer.dwellS': dwell,
});
const cool: Record<string, Span> = { 'press-transfer.tempC': [130, 140], 'press-transfer.dwellS': [15, 50] };
const between: Record<string, Span> = {
  'press-transfer.tempC': [135, 160],
  'press-transfer.dwellS': [12, 50],
};
const PRETREATMENT = ['pretreat', 'dry-pretreatment'];

/** What practice does with each fabric, by process: the spans are trade ranges, narrowed where the fabric narrows them. */
const TABLE: Row[] = [
  { what: 'film on dark cotton', process: 'dtf', garment: { fibres: COTTON }, expect: hot() },
  { what: 'film on light cotton', process: 'dtf', garment: { fibres: COTTON, ...LIGHT }, expect: hot() },
  { what: 'film on tinted cotton', process: 'dtf', garment: { fibres: COTTON, ...TINT }, expect: hot() },
  {
    what: 'film on woven cotton',
    process: 'dtf',
    garment: { fibres: COTTON, construction: 'woven', massGM2: 280 },
    expect: hot(),
  },
  {
    what: 'film on cotton fleece',
    process: 'dtf',
    garment: { fibres: MOSTLY_COTTON, construction: 'fleece', massGM2: 300 },
    expect: between,
  },
  { what: 'film on a heather', process: 'dtf', garment: { fibres: HEATHER }, expect: between },
  {
    what: 'film on a light heather',
    process: 'dtf',
    garment: { fibres: HEATHER, ...LIGHT },
    expect: between,
  },
  { what: 'film on polyester', process: 'dtf', garment: { fibres: POLYESTER, maxPressC: 145 }, expect: cool },
  { what: 'film on white polyester', process: 'dtf', garment: { fibres: POLYESTER, ...LIGHT }, expect: cool },
  { what: 'film on stretch polyester', process: 'dtf', garment: { fibres: STRETCH }, expect: cool },
  {
    what: 'film on a heavy polyester fleece',
    process: 'dtf',
    garment: { fibres: POLYESTER, construction: 'fleece', massGM2: 320 },
    expect: cool,
  },
  {
    what: 'direct on dark cotton',
    process: 'dtg',
    garment: { fibres: COTTON },
    expect: {
      'pretreat.gM2': [110, 180],
      'cure.tempC': [160, 177],
      'cure.dwellS': [60, 120],
      'print.chokeMm': [0.1, 0.4],
      'print.whiteDensity': [0.7, 1],
    },
    has: PRETREATMENT,
  },
  {
    what: 'direct on light cotton',
    process: 'dtg',
    garment: { fibres: COTTON, ...LIGHT },
    expect: { 'cure.tempC': [160, 177], 'cure.dwellS': [30, 45] },
    lacks: PRETREATMENT,
  },
  {
    what: 'direct on tinted cotton',
    process: 'dtg',
    garment: { fibres: COTTON, ...TINT },
    expect: { 'cure.dwellS': [30, 45] },
    lacks: PRETREATMENT,
  },
  {
    what: 'direct on dark cotton fleece',
    process: 'dtg',
    garment: { fibres: MOSTLY_COTTON, construction: 'fleece', massGM2: 300 },
    expect: { 'pretreat.gM2': [220, 540] },
    has: PRETREATMENT,
  },
  {
    what: 'direct on dark woven cotton',
    process: 'dtg',
    garment: { fibres: COTTON, construction: 'woven' },
    expect: { 'pretreat.gM2': [110, 180] },
    has: PRETREATMENT,
  },
  {
    what: 'direct on dark polyester',
    process: 'dtg',
    garment: { fibres: POLYESTER, maxPressC: 145 },
    expect: { 'pretreat.gM2': [130, 255], 'cure.tempC': [138, 143], 'cure.dwellS': [100, 140] },
    has: PRETREATMENT,
  },
  {
    what: 'direct on light polyester',
    process: 'dtg',
    garment: { fibres: POLYESTER, ...LIGHT },
    expect: { 'cure.tempC': [138, 143] },
  },
  {
    what: 'pre-pressing cotton',
    process: 'dtf',
    garment: { fibres: COTTON },
    expect: { 'pre-press.dwellS': [5, 10] },
  },
  {
    what: 'pre-pressing polyester',
    process: 'dtf',
    garment: { fibres: POLYESTER },
    expect: { 'pre-press.dwellS': [2, 5], 'pre-press.tempC': [130, 140] },
  },
  {
    what: 'powder, whatever the fabric',
    process: 'dtf',
    garment: { fibres: POLYESTER },
    expect: { 'melt-powder.tempC': [120, 165], 'melt-powder.dwellS': [120, 240] },
  },
  {
    what: 'white on film',
    process: 'dtf',
    garment: { fibres: COTTON },
    expect: { 'print-film.whiteDensity': [0.5, 0.7], 'print-film.chokeMm': [0.05, 0.3] },
  },
  {
    what: 'a second press on cotton',
    process: 'dtf',
    garment: { fibres: COTTON },
    expect: { 'second-press.dwellS': [5, 15] },
  },
  {
    what: 'a garment whose maker allows less',
    process: 'dtf',
    garment: { fibres: COTTON, maxPressC: 140 },
    expect: { 'press-transfer.tempC': [130, 140] },
  },
];

const valueOf = (route: Route, path: string): number | undefined => {
  const [operation, key] = path.split('.');
  return route.operations.find(({ id }) => id === operation)?.settings.find((own) => own.key === key)?.value;
};
const planned = ({ process, garment, own }: Row): Route =>
  planRoute(lineOf({ process, garment: { ...cottonTee, ...garment }, ...own }));

describe('what practice does with a fabric', () => {
  for (const row of TABLE) {
    it(row.what, () => {
      const route = planned(row);
      for (const [path, [min, max]] of Object.entries(row.expect))
        expect(valueOf(route, path), path).to.be.within(min, max);
      const ids = route.operations.map(({ id }) => id);
      for (const id of row.has ?? []) expect(ids).to.include(id);
      for (const id of row.lacks ?? []) expect(ids).to.not.include(id);
      expect(ids.at(-1)).to.equal('inspect');
    });
  }

  it('never presses polyester hotter than cotton, nor a blend hotter than its cotton alone', () => {
    const tempAt = (share: number): number =>
      valueOf(
        planRoute(lineOf({ garment: { ...cottonTee, fibres: fibres(1 - share, share) } })),
        'press-transfer.tempC',
      ) ?? NaN;
    const temps = Array.from({ length: 21 }, (_, i) => tempAt(i / 20));
    temps.forEach((temp, i) => expect(temp).to.be.at.most(temps[Math.max(0, i - 1)]));
  });

  it('wishes no garment hotter than it can stand, says why, and flags nothing then', () => {
    const garment = { ...cottonTee, fibres: COTTON, maxPressC: 140 };
    for (const process of ['dtf', 'dtg'] as const) {
      const ink = { ...equipment.inkSets.dtg, cureC: { min: 130, max: 175 } };
      const route = planRoute(
        lineOf({
          process,
          garment,
          equipment: { ...equipment, inkSets: { ...equipment.inkSets, dtg: ink } },
        }),
      );
      const plates = route.operations.flatMap(({ station, settings }) =>
        station === 'press' ? settings.filter(({ key }) => key === 'tempC') : [],
      );
      for (const { value, conflicts, reasons } of plates) {
        expect(value).to.be.at.most(140);
        expect(conflicts).to.deep.equal([]);
        if (value === 140) expect(reasons.some(({ text }) => text.includes('140'))).to.equal(true);
      }
      const [, hottest] = plates.length > 1 ? plates : [null, plates[0]];
      expect(hottest?.value).to.equal(140);
    }
  });

  it('peels as the film asks, and says so in the operation’s own name', () => {
    for (const peel of ['hot', 'warm', 'cold'] as const) {
      const route = planRoute(lineOf({ equipment: { ...equipment, film: { ...equipment.film, peel } } }));
      const operation = route.operations.find(({ title }) => title.startsWith('Peel'));
      expect(operation?.title).to.equal(`Peel ${peel}`);
    }
  });

  it('shows a film that asks for more heat than the fabric bears as a conflict, with no value in the middle', () => {
    const film = { ...equipment.film, pressC: { min: 160, max: 175 } };
    const route = planRoute(
      lineOf({
        garment: { ...cottonTee, fibres: POLYESTER, maxPressC: 140 },
        equipment: { ...equipment, film },
      }),
    );
    expect(route.conflicts.some(({ setting }) => setting === 'tempC')).to.equal(true);
    const temp = valueOf(route, 'press-transfer.tempC') ?? NaN;
    expect(
      temp <= 140 || temp >= 160,
      `${temp} °C lies between what the fabric bears and what the film asks`,
    ).to.equal(true);
  });

  it('costs more hands and machine for more pieces, and never less in all', () => {
    for (const process of ['dtf', 'dtg'] as const) {
      const totals = [1, 5, 20, 60].map((pieces) => planRoute(lineOf({ process, pieces })).totals);
      totals.slice(1).forEach(({ handsS, elapsedS }, i) => {
        expect(handsS).to.be.above(totals[i].handsS);
        expect(elapsedS).to.be.at.least(totals[i].elapsedS);
      });
    }
  });

  it('suggests with two reasons that hold for the line', () => {
    const garments: [Partial<Garment>, number, number, Process][] = [
      [{ fibres: POLYESTER }, 280, 4, 'dtf'],
      [{ fibres: COTTON }, 80, 4, 'dtf'],
      [{ fibres: COTTON }, 280, 4, 'dtg'],
      [{ fibres: COTTON }, 280, 60, 'dtf'],
      [{ fibres: COTTON, ...LIGHT }, 280, 60, 'dtg'],
    ];
    for (const [own, widthMm, pieces, process] of garments)
      expect(
        suggestProcess({ ...cottonTee, ...own }, widthMm, pieces).process,
        `${widthMm} mm × ${pieces}`,
      ).to.equal(process);
  });
});
