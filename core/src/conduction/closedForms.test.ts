import { expect } from 'chai';
import { FINE, oneStack, solid, temp } from './fixtures/stacks.ts';
import { saturationPa, squaresViewFactor, vaporisationJKg } from './physics.ts';
import type { Boundary, Layer, SolidLayer } from './problem.ts';
import { simulate } from './simulate.ts';

/** Textbook problems with closed solutions; expected values are worked out here from those, never from the solver. */

/** Complementary error function (Numerical Recipes' Chebyshev fit, 1.2e-7 relative). */
function erfc(x: number): number {
  const t = 2 / (2 + Math.abs(x));
  const coefficients = [
    -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587,
    -0.82215223, 0.17087277,
  ];
  const series = coefficients.reduceRight((all, own) => own + t * all, 0);
  const value = t * Math.exp(-x * x + series);
  return x >= 0 ? value : 2 - value;
}

describe('conduction against closed solutions', () => {
  it('two half-spaces in perfect contact: the face is at the mean by effusivity at once and stays', () => {
    const hot = solid('hot', { initialC: 160, kWMK: 0.25, thicknessM: 0.03 });
    const cold = solid('cold', { initialC: 20, kWMK: 0.09, densityKgM3: 450, thicknessM: 0.03 });
    const effusivity = ({ kWMK, densityKgM3, specificHeatJKgK }: SolidLayer): number =>
      Math.sqrt(kWMK * densityKgM3 * specificHeatJKgK);
    const [h, c] = [effusivity(hot), effusivity(cold)];
    const wanted = (h * 160 + c * 20) / (h + c);
    const found = simulate(oneStack([hot, cold], 30, { outputS: [2, 10, 30] }), FINE).probes['cold top'];
    for (const own of found ?? []) expect(own).to.be.closeTo(wanted, 0.05);
  });

  it('two half-spaces across a joint: the faces close in by exp(z²) erfc z', () => {
    const bodies = [solid('hot', { initialC: 160, thicknessM: 0.03 }), solid('cold', { thicknessM: 0.03 })];
    const h = 500;
    const e = Math.sqrt(0.25 * 1200 * 1250); // alike on both sides: the mean face stays half-way
    const { timesS, probes } = simulate(oneStack(bodies, 20, { joints: [h], outputS: [1, 5, 20] }), FINE);
    timesS.forEach((t, i) => {
      const z = ((2 * h) / e) * Math.sqrt(t);
      const gap = 140 * Math.exp(z * z) * erfc(z);
      expect((probes['hot bottom']?.[i] ?? 0) - (probes['cold top']?.[i] ?? 0)).to.be.closeTo(gap, 0.1);
    });
  });

  it('a slab between two fixed faces follows its Fourier series', () => {
    const slab = solid('slab', { thicknessM: 0.004 });
    const a = 0.25 / (1200 * 1250);
    const plate: Boundary = { kind: 'plate', plateC: 100, hWM2K: null };
    const { timesS, probes } = simulate(
      oneStack([slab], 30, { top: plate, bottom: plate, outputS: [3, 10, 30] }),
      FINE,
    );
    timesS.forEach((t, i) => {
      let sum = 0;
      for (let k = 0; k < 40; k++) {
        const n = 2 * k + 1;
        sum +=
          (4 / (n * Math.PI)) * Math.sin((n * Math.PI) / 2) * Math.exp(-a * ((n * Math.PI) / 0.004) ** 2 * t);
      }
      expect(probes['slab mid']?.[i]).to.be.closeTo(100 - 80 * sum, 0.05);
    });
  });

  it('a slab cooled by air on one side follows its eigenvalues (Biot number 7.2)', () => {
    const d = 0.01;
    const h = (7.2 * 0.25) / d;
    const a = 0.25 / (1200 * 1250);
    const roots: number[] = []; // of β tan β = Bi, each within (kπ, kπ + π/2)
    for (let k = 0; k < 30; k++) {
      let [low, high] = [k * Math.PI, k * Math.PI + Math.PI / 2 - 1e-12];
      for (let i = 0; i < 100; i++) {
        const mid = (low + high) / 2;
        if (mid * Math.tan(mid) < 7.2) low = mid;
        else high = mid;
      }
      roots.push(low);
    }
    const air: Boundary = { kind: 'convective', hWM2K: h, ambientC: 20 };
    const { timesS, probes } = simulate(
      oneStack([solid('slab', { thicknessM: d, initialC: 120 })], 120, { top: air, outputS: [10, 40, 120] }),
      FINE,
    );
    const at = (x: number, t: number): number =>
      20 +
      100 *
        roots.reduce(
          (sum, b) =>
            sum +
            ((4 * Math.sin(b)) / (2 * b + Math.sin(2 * b))) *
              Math.cos(b * x) *
              Math.exp((-a * b * b * t) / (d * d)),
          0,
        );
    timesS.forEach((t, i) => {
      expect(probes['slab top']?.[i]).to.be.closeTo(at(1, t), 0.1);
      expect(probes['slab bottom']?.[i]).to.be.closeTo(at(0, t), 0.05);
    });
  });

  it('layers come to rest at the temperatures of resistances in series', () => {
    const layers = [
      solid('a', { thicknessM: 0.0001, kWMK: 0.12 }),
      solid('b', { thicknessM: 0.002, kWMK: 0.3 }),
      solid('c', { thicknessM: 0.0005, kWMK: 0.09 }),
      solid('d', { thicknessM: 0.005, kWMK: 45 }),
    ];
    const resistances = [
      1 / 750,
      0.0001 / 0.12,
      1 / 700,
      0.002 / 0.3,
      1 / 350,
      0.0005 / 0.09,
      1 / 300,
      0.005 / 45,
      1 / 200,
    ];
    const whole = resistances.reduce((sum, r) => sum + r, 0);
    const { probes } = simulate(
      oneStack(layers, 20_000, {
        joints: [700, 350, 300],
        top: { kind: 'plate', plateC: 160, hWM2K: 750 },
        bottom: { kind: 'plate', plateC: 40, hWM2K: 200 },
      }),
    );
    let reached = 0;
    const faces = ['a top', 'a bottom', 'b top', 'b bottom', 'c top', 'c bottom', 'd top', 'd bottom'];
    faces.forEach((face, i) => {
      reached += resistances[i];
      expect(probes[face]?.[0], face).to.be.closeTo(160 - (120 * reached) / whole, 1e-5);
    });
  });

  it('a body of one temperature cools by e, and a heater holds it where power and loss balance', () => {
    const body: Layer = {
      kind: 'lumped',
      id: 'plate',
      capacityJM2K: 48_600,
      initialC: 160,
      heater: null,
      loss: { hWM2K: 12, ambientC: 24 },
    };
    expect(temp(oneStack([body], 600), 'plate mean')).to.be.closeTo(
      24 + 136 * Math.exp((-12 * 600) / 48_600),
      1e-3,
    );
    const heater = { atSetWM2: 0, gainWM2K: 500, setC: 170, mostWM2: 10_000 };
    const held = { ...body, heater };
    // 500 (170 − T) = 12 (T − 24)
    expect(temp(oneStack([held], 20_000), 'plate mean')).to.be.closeTo((500 * 170 + 12 * 24) / 512, 1e-6);
    const full = { ...heater, setC: 1000 }; // more than it can: 10 kW/m² against the loss
    const wanted = 24 + 10_000 / 12 + (160 - 24 - 10_000 / 12) * Math.exp((-12 * 900) / 48_600);
    expect(temp(oneStack([{ ...body, heater: full }], 900), 'plate mean')).to.be.closeTo(wanted, 1e-3);
  });

  it('a wet sheet under a constant flux warms, stays at the boiling point until the water is gone, and warms on', () => {
    const sheet = solid('sheet', {
      thicknessM: 0.0001,
      kWMK: 50,
      densityKgM3: 500,
      specificHeatJKgK: 1340,
      waterKgM2: 0.02,
    });
    const q = 5000;
    const dry = 0.0001 * 500 * 1340;
    const toBoil = ((dry + 0.02 * 4186) * 84) / q;
    const boiled = toBoil + (0.02 * (2.501e6 - 2440 * 104)) / q;
    const problem = oneStack([sheet], boiled + (20 * dry) / q, {
      top: { kind: 'flux', fluxWM2: q },
      boilC: 104,
      outputS: [toBoil / 2, (toBoil + boiled) / 2, boiled + (20 * dry) / q],
    });
    const { probes, water, waterCourse } = simulate(problem, FINE);
    expect(probes['sheet mean']?.[0]).to.be.closeTo(62, 0.02);
    expect(probes['sheet mean']?.[1]).to.be.closeTo(104, 0.02);
    expect(waterCourse.sheet?.[1]).to.be.closeTo(0.01, 2e-5);
    expect(probes['sheet mean']?.[2]).to.be.closeTo(124, 0.05);
    expect(water.sheet).to.equal(0);
  });

  it('a hot plate boils as much water off as its heat is worth', () => {
    const plate: Layer = {
      kind: 'lumped',
      id: 'plate',
      capacityJM2K: 2000,
      initialC: 150,
      heater: null,
      loss: null,
    };
    const cloth = solid('cloth', {
      thicknessM: 0.0005,
      kWMK: 0.1,
      densityKgM3: 400,
      initialC: 100,
      waterKgM2: 0.2,
    });
    const { water } = simulate(oneStack([plate, cloth], 3000, { joints: [500] }));
    expect(0.2 - (water.cloth ?? 0)).to.be.closeTo((2000 * 50) / (2.501e6 - 2440 * 100), 1e-7);
  });

  it('a wet surface in still air takes the rate of its wet-bulb balance', () => {
    const room = { roomC: 24, emissivity: 1e-9, lengthM: 0.3, facing: 'up', leastHWM2K: 10 } as const;
    const evaporation = { relativeHumidity: 0.4, hWM2K: 10, fullAboveKgM2: 0.001 };
    const cloth = solid('cloth', { thicknessM: 0.0005, initialC: 24, waterKgM2: 0.3 });
    const { probes, waterCourse } = simulate(
      oneStack([cloth], 1200, { top: { kind: 'open', ...room, evaporation }, outputS: [600, 1200] }),
    );
    const wetBulb = probes['cloth mean']?.[1] ?? 0;
    // Psychrometer (air at rest, Lewis factor 0.9): about 15.4 °C at 24 °C and 40 %.
    expect(wetBulb).to.be.within(14.5, 16.5);
    const flow = ((waterCourse.cloth?.[0] ?? 0) - (waterCourse.cloth?.[1] ?? 0)) / 600;
    expect(flow * vaporisationJKg(wetBulb)).to.be.closeTo(10 * (24 - wetBulb), 1);
    expect(saturationPa(20)).to.be.closeTo(2339, 12); // steam table
  });

  it('latent heat of melting is taken up and given back', () => {
    const melt = { fromC: 100, toC: 125, latentJKg: 20_000 };
    const glue = solid('glue', {
      thicknessM: 0.00007,
      kWMK: 20,
      densityKgM3: 1150,
      specificHeatJKgK: 1900,
      melt,
    });
    const mass = 0.00007 * 1150;
    const heat = mass * (1900 * (112.5 - 20) + 10_000); // half molten
    const q = 1000;
    expect(
      temp(oneStack([glue], heat / q, { top: { kind: 'flux', fluxWM2: q } }), 'glue mean'),
    ).to.be.closeTo(112.5, 0.01);
  });

  it('squares facing one another at their own distance see a fifth of each other', () => {
    expect(squaresViewFactor(1)).to.be.closeTo(0.199825, 1e-6); // table: 0.1998
  });
});
