import { expect } from 'chai';
import { fibresOf } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import {
  cap,
  cottonTee,
  lineOf,
  operationOf,
  routeOf,
  settingOf,
  shelf,
  shopWith,
  small,
} from '../fixtures/index.ts';
import { codesIn } from '../words/index.ts';
import type { Code, Said } from '../words/index.ts';
import { planRoute } from './index.ts';
import type { PrintInput, Process, Route, RoutePlan } from './index.ts';

type Span = readonly [min: number, max: number];

/** What practitioners and textbooks say of a fabric, by hand; nothing here is read from the planner. */
interface Fabric {
  what: string;
  garment: Partial<Garment>;
  /** Hottest plate it bears, °C, and whose limit that is. */
  bears: number;
  limit: Code;
  /** A film transfer's plate and pressure, where a film that presses from 130 to 165 °C suits it. */
  film: Span;
  filmKPa: Span;
  /** Direct print: the cure's plate, why it is refused, or which limit it breaks under an ink of 155 to 170 °C. */
  direct: Span | Code;
  /** Glue is tried before a line is pressed. */
  isTried?: boolean;
  /** Why practice wants its plate: by one fibre, or between several. */
  why: Code;
}

const pure = (fibre: keyof Garment['fibres']): Partial<Garment> => ({ fibres: fibresOf({ [fibre]: 1 }) });
const FABRICS: Fabric[] = [
  { what: 'cotton', why: 'reason.practice', garment: {}, bears: 180, limit: 'limit.scorch', film: [150, 165], filmKPa: [35, 65], direct: [160, 170] },
  { what: 'linen', why: 'reason.practice', garment: { ...pure('linen'), construction: 'woven', massGM2: 180 }, bears: 180, limit: 'limit.scorch', film: [150, 165], filmKPa: [35, 65], direct: [160, 170] },
  { what: 'viscose', why: 'reason.practice', garment: pure('viscose'), bears: 160, limit: 'limit.viscose', film: [140, 155], filmKPa: [30, 50], direct: [155, 160] },
  { what: 'modal', why: 'reason.practice', garment: pure('modal'), bears: 160, limit: 'limit.modal', film: [140, 155], filmKPa: [30, 50], direct: [155, 160] },
  { what: 'wool', why: 'reason.practice', garment: pure('wool'), bears: 140, limit: 'limit.wool', film: [130, 140], filmKPa: [20, 45], direct: 'limit.wool' },
  { what: 'silk', why: 'reason.practice', garment: pure('silk'), bears: 140, limit: 'limit.silk', film: [130, 140], filmKPa: [10, 25], direct: 'limit.silk' },
  { what: 'nylon', why: 'reason.practice', garment: pure('nylon'), bears: 145, limit: 'limit.nylon', film: [130, 145], filmKPa: [15, 35], direct: 'refusal.ink-on-fibre', isTried: true },
  { what: 'polyester with dye', why: 'reason.practice', garment: pure('polyester'), bears: 140, limit: 'limit.dye', film: [130, 140], filmKPa: [15, 35], direct: [138, 143] },
  { what: 'polyester without dye', why: 'reason.practice', garment: { ...pure('polyester'), dye: 'undyed' }, bears: 165, limit: 'limit.polyester', film: [130, 140], filmKPa: [15, 35], direct: [138, 143] },
  { what: 'sports red, whose dye wanders', why: 'reason.practice', garment: { ...pure('polyester'), dye: 'migrating' }, bears: 130, limit: 'limit.dye', film: [130, 130], filmKPa: [15, 35], direct: 'limit.dye' },
  { what: 'a heather of cotton and polyester', why: 'reason.blend', garment: { fibres: fibresOf({ cotton: 0.52, polyester: 0.48 }) }, bears: 142, limit: 'limit.dye-blend', film: [135, 150], filmKPa: [20, 50], direct: 'limit.dye-blend' },
  { what: 'cotton with a tenth of elastane', why: 'reason.practice', garment: { fibres: fibresOf({ cotton: 0.9, elastane: 0.1 }) }, bears: 160, limit: 'limit.elastane', film: [150, 160], filmKPa: [35, 65], direct: [155, 160] },
  { what: 'acrylic', why: 'reason.practice', garment: pure('acrylic'), bears: 120, limit: 'limit.acrylic', film: [130, 130], filmKPa: [15, 45], direct: 'refusal.ink-on-fibre' },
  { what: 'coated canvas', why: 'reason.practice', garment: { construction: 'woven', massGM2: 340, features: ['coating'] }, bears: 140, limit: 'limit.coating', film: [130, 140], filmKPa: [35, 65], direct: 'refusal.ink-on-face', isTried: true },
  { what: 'cotton with a water-repellent face', why: 'reason.practice', garment: { features: ['water-repellent'] }, bears: 150, limit: 'limit.water-repellent', film: [140, 150], filmKPa: [35, 65], direct: 'refusal.ink-on-face', isTried: true },
  { what: 'a fabric nobody knows', why: 'reason.practice', garment: pure('other'), bears: 130, limit: 'limit.other', film: [110, 130], filmKPa: [10, 25], direct: 'limit.other', isTried: true },
  { what: 'leatherette', why: 'reason.practice', garment: { ...pure('leatherette'), construction: 'woven', massGM2: 900 }, bears: 142, limit: 'limit.leatherette', film: [110, 140], filmKPa: [25, 45], direct: 'refusal.ink-on-fibre' },
]; // prettier-ignore

const BOUGHT: Span = [145, 155]; // the supplier's sheet
const READY: Span = [148, 156]; // what lies on the shelf
const CAP: Span = [135, 142];

const lineFor = (process: Process, { garment }: Fabric, overrides: PrintInput['overrides'] = []) =>
  lineOf({
    process,
    overrides,
    ...shopWith({ shelf }),
    ...(process === 'patch-cap'
      ? { garment: { ...cap, ...garment, kind: cap.kind, maxPressC: null }, ...small('cap-front') }
      : process === 'sub-film'
        ? {
            garment: { ...cottonTee, ...garment, tone: 'light', colourHex: '#ffffff' },
            ...small('left-chest'),
          }
        : { garment: { ...cottonTee, ...garment } }),
  });

const tooHot = (process: Process, operation: string, fabric: Fabric): Route =>
  routeOf(
    lineFor(process, fabric, [
      { operation, setting: 'tempC', value: fabric.bears + 8, who: 'Ines', why: 'a test' },
    ]),
  );

/** The kinds of limits a plate's heat breaks there. */
const limitsAt = ({ conflicts }: Route, operation: string): Code[] =>
  conflicts
    .filter((own) => own.operation === operation && own.setting === 'tempC')
    .map(({ said }) => (said.params as { limit: Said }).limit.code);

const settingAt = (route: Route, operation: string, key: string): number =>
  operationOf(route, operation).settings.find((own) => own.key === key)?.value ?? NaN;

const against = (plan: RoutePlan): string[] =>
  plan.ok ? [] : plan.refusals.flatMap(({ said }) => codesIn(said));

/** Whose word a plate is set by, and what else is said for it. */
function expectReasons(route: Route, operation: string, by: { maker: string | null; why: Code }): void {
  const reasons = settingOf(route, operation, 'tempC').reasons;
  const bySheet = reasons.flatMap(({ source, said }) =>
    source === 'maker' && said.code === 'reason.sheet' ? [(said.params as { maker: string }).maker] : [],
  );
  expect(bySheet).to.deep.equal(by.maker === null ? [] : [by.maker]);
  const byPractice = reasons.filter(({ source }) => source === 'trade').flatMap(({ said }) => codesIn(said));
  expect(byPractice).to.include(by.why);
}

/** Heat asked for by a sheet that a fabric does not bear is a conflict; else it lies in the span. */
function expectHeat(route: Route, operation: string, span: Span, { bears, limit }: Fabric): void {
  const temp = settingAt(route, operation, 'tempC');
  if (span[0] > bears) {
    expect(limitsAt(route, operation), `${temp} °C over ${bears}`).to.include(limit);
    return;
  }
  expect(temp).to.be.within(span[0], Math.min(span[1], bears));
  expect(limitsAt(route, operation)).to.deep.equal([]);
}

describe('every fabric by every process', () => {
  for (const fabric of FABRICS) {
    describe(fabric.what, () => {
      for (const process of ['dtf', 'dtf-platen'] as const)
        it(`${process}: pressed as it bears, and flagged when it is not`, () => {
          const route = routeOf(lineFor(process, fabric));
          const { film, filmKPa, isTried = false } = fabric;
          expectHeat(route, 'press-transfer', film, fabric);
          expect(settingAt(route, 'press-transfer', 'kPa')).to.be.within(...filmKPa);
          expect(settingAt(route, 'second-press', 'kPa')).to.be.at.most(
            settingAt(route, 'press-transfer', 'kPa'),
          );
          expect(route.operations.some(({ id }) => id === 'bond-test')).to.equal(isTried);
          const { name } = route.prints[0].sources.find(({ role }) => role === 'film')!;
          expectReasons(route, 'press-transfer', { maker: name, why: fabric.why });
          expect(limitsAt(tooHot(process, 'press-transfer', fabric), 'press-transfer')).to.include(
            fabric.limit,
          );
        });

      it('sublimation ink on film: as hot as it bears, on a white one', () => {
        const route = routeOf(lineFor('sub-film', fabric));
        expectHeat(route, 'press-transfer', [130, Math.min(165, fabric.bears)], fabric);
        const { name } = route.prints[0].sources.find(({ role }) => role === 'film')!;
        expectReasons(route, 'press-transfer', { maker: name, why: 'reason.sublimation-film' });
        expect(limitsAt(tooHot('sub-film', 'press-transfer', fabric), 'press-transfer')).to.include(
          fabric.limit,
        );
      });

      it('bought-in transfers: by the supplier’s sheet, and flagged where the fabric does not bear it', () => {
        const route = routeOf(lineFor('bought-in', fabric));
        expectHeat(route, 'press-transfer', BOUGHT, fabric);
        expect(settingAt(route, 'press-transfer', 'dwellS')).to.be.within(12, 15);
        expectReasons(route, 'press-transfer', { maker: 'Quarry transfers', why: fabric.why });
        expect(limitsAt(tooHot('bought-in', 'press-transfer', fabric), 'press-transfer')).to.include(
          fabric.limit,
        );
      });

      it('transfers from the shelf: by what came with them, and flagged where the fabric does not bear it', () => {
        const route = routeOf(lineFor('shelf', fabric));
        expectHeat(route, 'press-transfer', READY, fabric);
        expect(settingAt(route, 'press-transfer', 'dwellS')).to.be.within(10, 14);
        expect(settingAt(route, 'second-press', 'dwellS')).to.equal(8);
        expectReasons(route, 'press-transfer', { maker: 'Crest, ready', why: fabric.why });
        expect(limitsAt(tooHot('shelf', 'press-transfer', fabric), 'press-transfer')).to.include(
          fabric.limit,
        );
      });

      it('direct print: cured by the ink’s sheet, refused, or flagged', () => {
        const { direct } = fabric;
        if (typeof direct === 'string' && direct.startsWith('refusal')) {
          expect(against(planRoute(lineFor('dtg', fabric)))).to.include(direct);
          return;
        }
        const route = routeOf(lineFor('dtg', fabric));
        if (typeof direct === 'string') expect(limitsAt(route, 'cure')).to.include(direct);
        else {
          expect(settingAt(route, 'cure', 'tempC')).to.be.within(...direct);
          expect(limitsAt(route, 'cure')).to.deep.equal([]);
        }
        expect(settingAt(route, 'cure', 'kPa'), 'wet ink: the lightest').to.be.at.most(12);
        const [first] = settingOf(route, 'cure', 'tempC').reasons;
        expect(first.source, 'the ink’s sheet comes first').to.equal('maker');
        expect(codesIn(first.said)).to.include('reason.sheet');
        expect(settingAt(route, 'pre-press', 'tempC')).to.be.at.most(fabric.bears);
        expect(limitsAt(tooHot('dtg', 'cure', fabric), 'cure')).to.include(fabric.limit);
      });

      it('a patch on a cap of it: 135 to 142 °C from above, where the cap bears that', () => {
        const route = routeOf(lineFor('patch-cap', fabric));
        const own = { ...fabric, bears: Math.min(fabric.bears, CAP[1]) };
        const temp = settingAt(route, 'press-cap', 'tempC');
        if (fabric.bears < CAP[0]) {
          expect(temp).to.be.at.most(fabric.bears);
          expect(limitsAt(route, 'press-cap'), 'too cool to hold').to.include('limit.practice');
        } else expectHeat(route, 'press-cap', CAP, own);
        expectReasons(route, 'press-cap', { maker: null, why: 'reason.patch-on-cap' });
        expect(limitsAt(tooHot('patch-cap', 'press-cap', fabric), 'press-cap')).to.include(fabric.limit);
      });
    });
  }
});

describe('a blend', () => {
  const at = (share: number, own: keyof Garment['fibres'], process: Process = 'dtf'): Route =>
    routeOf(
      lineOf({ process, garment: { ...cottonTee, fibres: fibresOf({ cotton: 1 - share, [own]: share }) } }),
    );

  it('moves without a jump, whichever fibre comes in', () => {
    const fibres = [
      'polyester',
      'viscose',
      'wool',
      'silk',
      'acrylic',
      'nylon',
      'leatherette',
      'other',
    ] as const;
    for (const fibre of fibres)
      for (const [operation, key, most] of [
        ['press-transfer', 'tempC', 8],
        ['press-transfer', 'dwellS', 1],
        ['press-transfer', 'kPa', 7],
        ['pre-press', 'dwellS', 1],
      ] as const) {
        const values = Array.from({ length: 101 }, (_, i) => settingAt(at(i / 100, fibre), operation, key));
        values.slice(1).forEach((value, i) => {
          expect(Math.abs(value - (values[i] ?? NaN)), `${fibre} ${key} at ${i + 1} %`).to.be.at.most(most);
        });
      }
  });

  it('of 49 and of 50 % polyester are the same to press and to cure but for a degree and a few seconds', () => {
    const [less, more] = [at(0.49, 'polyester', 'dtg'), at(0.5, 'polyester', 'dtg')];
    for (const key of ['tempC', 'dwellS', 'kPa'])
      expect(settingAt(more, 'cure', key), key).to.be.closeTo(settingAt(less, 'cure', key), 2);
    expect(settingAt(more, 'pretreat', 'gM2')).to.be.closeTo(settingAt(less, 'pretreat', 'gM2'), 2);
    expect(more.conflicts.map(({ operation }) => operation)).to.deep.equal(
      less.conflicts.map(({ operation }) => operation),
    );
  });
});
