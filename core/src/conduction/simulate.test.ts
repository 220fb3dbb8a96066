import { expect } from 'chai';
import fc from 'fast-check';
import { FINE, insulated, oneStack, solid, temp } from './fixtures/stacks.ts';
import type { Boundary, Layer, Phase, Problem, Stepping } from './problem.ts';
import { simulate } from './simulate.ts';

describe('conduction in time and space', () => {
  const slab = solid('slab', { thicknessM: 0.004, initialC: 20 });
  const problem = oneStack([slab], 8, { top: { kind: 'convective', hWM2K: 300, ambientC: 150 } });
  const steps = (method: Stepping['method'], dt: number): Partial<Stepping> => ({
    method,
    firstS: dt,
    growth: 1,
    longestS: dt,
  });
  const errorAt = (method: Stepping['method'], dt: number): number =>
    Math.abs(
      temp(problem, 'slab mean', steps(method, dt)) - temp(problem, 'slab mean', steps('sdirk2', 0.005)),
    );

  it('is of second order in time, and its plain rival of first', () => {
    expect(errorAt('sdirk2', 0.4) / errorAt('sdirk2', 0.2)).to.be.within(3.3, 4.8);
    expect(errorAt('backward-euler', 0.4) / errorAt('backward-euler', 0.2)).to.be.within(1.8, 2.2);
    expect(errorAt('backward-euler', 0.2) / errorAt('sdirk2', 0.2)).to.be.above(5);
  });

  it('is of second order in space', () => {
    const plate: Boundary = { kind: 'plate', plateC: 100, hWM2K: null };
    const a = 0.25 / (1200 * 1250);
    let sum = 0;
    for (let n = 1; n < 80; n += 2)
      sum += (8 / (n * n * Math.PI ** 2)) * Math.exp(-a * ((n * Math.PI) / 0.004) ** 2 * 5);
    const wanted = 100 - 80 * sum; // mean over the slab
    const error = (mesh: number): number =>
      Math.abs(
        temp(oneStack([slab], 5, { top: plate, bottom: plate }), 'slab mean', { ...FINE, mesh }) - wanted,
      );
    expect(error(1) / error(2)).to.be.within(3.3, 4.7);
    expect(error(2) / error(4)).to.be.within(3.3, 4.7);
  });

  it('neither makes nor loses heat, whatever is stacked', () => {
    const layer = fc.record({
      thicknessM: fc.double({ min: 5e-5, max: 0.02, noNaN: true }),
      kWMK: fc.double({ min: 0.04, max: 60, noNaN: true }),
      densityKgM3: fc.double({ min: 60, max: 8000, noNaN: true }),
      initialC: fc.double({ min: 10, max: 190, noNaN: true }),
      waterKgM2: fc.constantFrom(0, 0, 0.05),
      isMelting: fc.boolean(),
    });
    const boundary = fc.constantFrom<Boundary>(
      insulated,
      { kind: 'plate', plateC: 165, hWM2K: 700 },
      {
        kind: 'open',
        roomC: 24,
        emissivity: 0.9,
        lengthM: 0.3,
        facing: 'up',
        leastHWM2K: 3,
        evaporation: { relativeHumidity: 0.5, hWM2K: 6, fullAboveKgM2: 0.03 },
      },
      {
        kind: 'gap',
        plateC: 165,
        plateEmissivity: 0.9,
        gapM: 0.008,
        sideM: 0.38,
        shieldM: 0.02,
        roomC: 24,
        emissivity: 0.9,
        lengthM: 0.3,
        facing: 'up',
        leastHWM2K: 3,
        evaporation: null,
      },
    );
    fc.assert(
      fc.property(
        fc.array(layer, { minLength: 1, maxLength: 6 }),
        boundary,
        boundary,
        (drawn, top, bottom) => {
          const layers = drawn.map(({ isMelting, ...own }, i) =>
            solid(`l${i}`, {
              ...own,
              initialC: own.waterKgM2 > 0 ? Math.min(95, own.initialC) : own.initialC,
              melt: isMelting && own.waterKgM2 === 0 ? { fromC: 100, toC: 125, latentJKg: 20_000 } : null,
            }),
          );
          const { energy } = simulate(
            oneStack(layers, 40, { joints: layers.slice(1).map(() => 300), top, bottom }),
          );
          const { storedJM2, suppliedJM2, vapourJM2 } = energy;
          expect(storedJM2).to.be.closeTo(
            suppliedJM2 - vapourJM2,
            1e-6 * Math.max(1e4, Math.abs(suppliedJM2)),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('lands on every moment that is asked for, and keeps layers that rest', () => {
    const layers = [solid('a', { initialC: 150 }), solid('b')];
    const phase = (stacked: string[], durationS: number, setC: Record<string, number> = {}): Phase => ({
      name: stacked.join(' '),
      durationS,
      pressureKPa: 0,
      boilC: 100,
      setC,
      stacks: [
        {
          layers: stacked,
          jointsWM2K: stacked.slice(1).map(() => 200),
          resistanceM2KW: {},
          top: insulated,
          bottom: insulated,
        },
      ],
    });
    const { timesS, probes } = simulate({
      layers,
      phases: [phase(['b'], 5), phase(['a', 'b'], 5000), phase(['a'], 5, { a: 90 })],
      probes: ['a', 'b'].map((id) => ({ name: id, layer: id, at: 'mean' })),
      doses: [],
      outputS: [0.3, 5, 4000, 5008],
    });
    expect(timesS).to.deep.equal([0.3, 5, 4000, 5008]);
    expect(probes.a?.[1]).to.equal(null);
    expect(probes.a?.[2]).to.be.closeTo(85, 0.3); // alike bodies share the heat
    expect(probes.a?.[3]).to.be.closeTo(90, 1e-9);
    expect(probes.b?.[3]).to.equal(null);
  });
});

describe('doses', () => {
  const held = (tempC: number, own: object = {}): number => {
    const layer: Layer = {
      kind: 'lumped',
      id: 'x',
      capacityJM2K: 1000,
      initialC: tempC,
      heater: null,
      loss: null,
    };
    const problem = oneStack([layer], 30, { pressureKPa: 60 });
    const dose = {
      name: 'd',
      probe: 'x mean',
      refC: 130,
      activationJMol: 90_000,
      refS: 12,
      gateC: null,
      pressure: null,
      ...own,
    };
    return simulate({ ...problem, doses: [dose] }).doses.d ?? NaN;
  };

  it('count seconds at the reference as themselves and others by Arrhenius', () => {
    expect(held(130)).to.be.closeTo(30 / 12, 1e-9);
    // exp(−90000/8.314462 (1/423.15 − 1/403.15)) = e^1.26907
    expect(held(150)).to.be.closeTo((30 / 12) * Math.exp(1.26907), 0.001);
    expect(held(130, { pressure: { exponent: 1, refKPa: 35 } })).to.be.closeTo(((30 / 12) * 60) / 35, 1e-9);
    expect(held(130, { gateC: 131 })).to.equal(0);
  });

  it('begin where a gate is passed', () => {
    const layer: Layer = {
      kind: 'lumped',
      id: 'x',
      capacityJM2K: 1000,
      initialC: 100,
      heater: null,
      loss: null,
    };
    const dose = {
      name: 'd',
      probe: 'x mean',
      refC: 130,
      activationJMol: 0,
      refS: 10,
      gateC: 105,
      pressure: null,
    };
    const problem = oneStack([layer], 20, { top: { kind: 'flux', fluxWM2: 1000 } }); // 1 K a second: 105 °C after 5 s
    expect(simulate({ ...problem, doses: [dose] }).doses.d).to.be.closeTo(1.5, 1e-6);
  });
});

describe('a problem that cannot be solved is refused in words', () => {
  const right = oneStack([solid('a'), solid('b')], 10);
  const changed = (own: Partial<Problem>): Problem => ({ ...right, ...own });
  const [phase] = right.phases;
  const cases: [string, Problem, RegExp][] = [
    ['thickness', oneStack([solid('a', { thicknessM: -1 })], 10), /“a” has a thickness of -1/],
    ['duration', oneStack([solid('a')], 0), /lasts 0 s/],
    ['joints', oneStack([solid('a'), solid('b')], 10, { joints: [] }), /0 joints for 2 layers/],
    ['unknown layer', changed({ layers: [solid('a')] }), /“b”, which there is not/],
    [
      'used twice',
      changed({ phases: [{ ...phase, stacks: [...phase.stacks, ...phase.stacks] }] }),
      /uses a layer twice/,
    ],
    ['probe', changed({ probes: [{ name: 'p', layer: 'z', at: 'mid' }] }), /probe “p” looks at layer “z”/],
    ['outputs', changed({ outputS: [5, 5] }), /ascend/],
  ];
  for (const [name, problem, sentence] of cases)
    it(name, () => {
      expect(() => simulate(problem)).to.throw(RangeError, sentence);
    });
});
