import { expect } from 'chai';
import fc from 'fast-check';
import { priceRoute } from '../cost/index.ts';
import { cottonTee, equipment, hoodie, lineOf, polyesterBib } from './fixtures/shop.ts';
import { PROCESSES, REASON_SOURCES, planRoute, suggestProcess, traceHeat } from './index.ts';
import type { Operation, Process, Route, RouteInput, Setting } from './index.ts';

const operation = (route: Route, id: string): Operation => route.operations.find((found) => found.id === id)!;
const setting = (route: Route, id: string, key: string): Setting =>
  operation(route, id).settings.find((found) => found.key === key)!;
const value = (route: Route, id: string, key: string) => setting(route, id, key).value;

const garments = fc
  .tuple(
    fc.double({ min: 0, max: 1, noNaN: true }),
    fc.constantFrom('light', 'tint', 'dark'),
    fc.constantFrom('knit', 'woven', 'fleece'),
  )
  .map(([polyester, tone, construction]) => ({
    ...cottonTee,
    tone: tone as 'light',
    construction: construction as 'knit',
    fibres: { cotton: 1 - polyester, polyester, elastane: 0, other: 0 },
  }));
const lines = fc.record({
  garment: garments,
  process: fc.constantFrom<Process>(...PROCESSES),
  pieces: fc.integer({ min: 1, max: 60 }),
});

describe('planRoute', () => {
  it('presses a film transfer hot on cotton, cool on polyester, between on a blend', () => {
    const blend = { ...cottonTee, fibres: { cotton: 0.6, polyester: 0.4, elastane: 0, other: 0 } };
    const onCotton = value(planRoute(lineOf({ garment: cottonTee })), 'press-transfer', 'tempC');
    const onBlend = value(planRoute(lineOf({ garment: blend })), 'press-transfer', 'tempC');
    const onPolyester = value(planRoute(lineOf({ garment: polyesterBib })), 'press-transfer', 'tempC');
    expect(onCotton).to.be.within(150, 165);
    expect(onPolyester).to.be.within(130, 140);
    expect(onBlend).to.be.greaterThan(onPolyester).and.lessThan(onCotton);
  });

  it('pretreats and cures a dark direct print, and leaves both out or short on a light one', () => {
    const dark = planRoute(lineOf({ process: 'dtg', garment: cottonTee }));
    const light = planRoute(
      lineOf({ process: 'dtg', garment: { ...cottonTee, tone: 'light', colourHex: '#ffffff' } }),
    );
    expect(dark.operations.map(({ id }) => id)).to.deep.equal([
      'pre-press',
      'pretreat',
      'dry-pretreatment',
      'print',
      'cure',
      'inspect',
    ]);
    expect(light.operations.map(({ id }) => id)).to.deep.equal(['pre-press', 'print', 'cure', 'inspect']);
    expect(value(dark, 'cure', 'dwellS')).to.be.within(60, 120);
    expect(value(light, 'cure', 'dwellS')).to.be.within(30, 45);
    expect(value(dark, 'pretreat', 'gM2')).to.be.within(110, 180);
  });

  it('doubles pretreatment on fleece and gives polyester its own fluid at low heat', () => {
    const fleece = planRoute(lineOf({ process: 'dtg', garment: hoodie }));
    const polyester = planRoute(lineOf({ process: 'dtg', garment: polyesterBib }));
    expect(value(fleece, 'pretreat', 'gM2')).to.be.within(220, 540);
    expect(operation(polyester, 'pretreat').consumes[0].what).to.equal(
      equipment.pretreatments.polyester.name,
    );
    expect(value(polyester, 'cure', 'tempC')).to.be.within(138, 143);
  });

  it('waits before peeling as the film asks', () => {
    const peel = (kind: 'hot' | 'cold') =>
      planRoute(lineOf({ equipment: { ...equipment, film: { ...equipment.film, peel: kind } } }));
    expect(operation(peel('hot'), 'press-transfer').waitAfter).to.deep.include({ minS: 0 });
    expect(operation(peel('cold'), 'press-transfer').waitAfter!.minS).to.be.at.least(30);
    expect(operation(peel('cold'), 'peel').title).to.equal('Peel cold');
  });

  it('shows a film and a fabric that cannot both be right as a conflict, and averages nothing', () => {
    const hotFilm = { ...equipment.film, name: 'Tarn Hot Film', pressC: { min: 155, max: 170 } };
    const route = planRoute(lineOf({ garment: polyesterBib, equipment: { ...equipment, film: hotFilm } }));
    expect(value(route, 'press-transfer', 'tempC')).to.equal(155);
    expect(route.conflicts.map(({ operation: id }) => id)).to.include('press-transfer');
    expect(setting(route, 'press-transfer', 'tempC').conflicts[0]).to.contain('over');
  });

  it('keeps a person’s value with who and why, flags it outside a limit, and refuses what the machine cannot do', () => {
    const own = { operation: 'press-transfer', setting: 'tempC', value: 185, who: 'Ines', why: 'thick seam' };
    const route = planRoute(lineOf({ overrides: [own] }));
    expect(setting(route, 'press-transfer', 'tempC').reasons[0]).to.deep.equal({
      source: 'override',
      text: 'Ines: thick seam',
      value: 185,
    });
    expect(route.conflicts).to.have.length.greaterThan(0);
    expect(() => planRoute(lineOf({ overrides: [{ ...own, value: 500 }] }))).to.throw(
      RangeError,
      /500\u00a0°C is beyond what can be set: 20\u00a0°C to 220/,
    );
    expect(() => planRoute(lineOf({ overrides: [{ ...own, setting: 'flux' }] }))).to.throw(
      RangeError,
      'has no setting “flux”',
    );
    expect(() => planRoute(lineOf({ pieces: 0 }))).to.throw(RangeError, 'whole number from 1');
  });

  it('gives every setting a reason, every broken limit a flag and hot work a caution, on any line', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const route = planRoute(lineOf(line));
        for (const { settings, station, cautions, look, checks } of route.operations) {
          expect(look).to.not.equal('');
          expect(checks).to.not.be.empty;
          if (['press', 'oven', 'powder', 'sprayer'].includes(station)) expect(cautions).to.not.be.empty;
          for (const { reasons, value: chosen, limits, conflicts } of settings) {
            expect(reasons).to.not.be.empty;
            const ranks = reasons.map(({ source }) => REASON_SOURCES.indexOf(source));
            expect(ranks).to.deep.equal([...ranks].sort((p, q) => p - q));
            const broken = limits.filter(
              ({ min, max }) => chosen < (min ?? -Infinity) || chosen > (max ?? Infinity),
            );
            expect(conflicts).to.have.lengthOf(broken.length);
          }
        }
        expect(route.operations.at(-1)!.isInspection).to.equal(true);
      }),
    );
  });

  it('is the same route, byte for byte, planned twice', () => {
    fc.assert(
      fc.property(lines, (line) => {
        expect(JSON.stringify(planRoute(lineOf(line)))).to.equal(JSON.stringify(planRoute(lineOf(line))));
      }),
    );
  });
});

describe('traceHeat', () => {
  it('runs without gaps from zero and reaches the press’s temperature', () => {
    const route = planRoute(lineOf({}));
    const trace = traceHeat(route.operations);
    trace.forEach((segment, i) => expect(segment.fromS).to.equal(i === 0 ? 0 : trace[i - 1].toS));
    const hottest = Math.max(...trace.map(({ tempC }) => tempC));
    expect(hottest).to.equal(value(route, 'press-transfer', 'tempC'));
  });
});

describe('priceRoute', () => {
  it('adds blank, materials, labour and spoilage', () => {
    const input: RouteInput = lineOf({ pieces: 10 });
    const route = planRoute(input);
    const cost = priceRoute(route, 300, 10, { centsPerHour: 3600, spoilageShare: 0.1 });
    const materialCents = cost.materials.reduce((sum, { cents }) => sum + cents, 0);
    expect(cost.labourCents).to.be.closeTo(route.totals.handsS / 10, 1e-9);
    expect(cost.totalCents).to.be.closeTo(
      300 + materialCents + cost.labourCents + 0.1 * (300 + materialCents),
      1e-9,
    );
    expect(cost.materials.map(({ what }) => what)).to.include(equipment.film.name);
  });
});

describe('suggestProcess', () => {
  it('takes film for polyester and small marks, direct print for a few large cotton prints', () => {
    expect(suggestProcess(polyesterBib, 280, 5).process).to.equal('dtf');
    expect(suggestProcess(cottonTee, 90, 5).process).to.equal('dtf');
    expect(suggestProcess(cottonTee, 280, 6).process).to.equal('dtg');
    expect(suggestProcess(cottonTee, 280, 40).process).to.equal('dtf');
  });
});
