import { expect } from 'chai';
import { lnGamma } from './pattern/passProfile.ts';
import { rowProfile, sprayRow } from './index.ts';
import type { NozzleFault, SprayRun } from './index.ts';

const run = (own: Partial<SprayRun> = {}): SprayRun => ({
  row: {
    nozzle: { flowGPerS: 0.9, fan: { major: 1.2, minor: 0.25 }, shape: 2, efficiency: 0.95 },
    count: 6,
    pitchMm: 70,
    rotDeg: 90,
  },
  heightMm: 140,
  speedMmPerS: 160,
  passes: 1,
  widthMm: 350,
  lengthMm: 400,
  overrunMm: 20,
  faults: [],
  stepMm: 1,
  ...own,
});
const fault = (own: Partial<NozzleFault>): NozzleFault => ({
  nozzle: 2,
  flowShare: 1,
  tiltXDeg: 0,
  tiltYDeg: 0,
  turnDeg: 0,
  ...own,
});

describe('a machine’s nozzle row', () => {
  it('lays down what it emits, however its nozzles lean and turn', () => {
    for (const own of [{}, { tiltXDeg: 12, tiltYDeg: -9 }, { turnDeg: 35, tiltXDeg: -20 }]) {
      const profile = rowProfile(run({ faults: [fault(own)] }));
      let sum = 0; // g/m² × mm, every 0.25 mm
      for (let x = -500; x < 500; x += 0.25) sum += profile(x + 0.125) * 0.25;
      expect(sum).to.be.closeTo((1e6 * 6 * 0.9 * 0.95) / 160, 1e-5 * sum);
    }
  });

  it('follows the closed form of a nozzle that leans along the row', () => {
    // L = eta (n+1)/(pi P) B(1/2, n+1) z/w² (1 - (p/P)²)^(n+1/2)
    const [z, P, n, tau] = [140, 0.6, 2, (9 * Math.PI) / 180];
    const beta = Math.exp(lnGamma(0.5) + lnGamma(n + 1) - lnGamma(n + 1.5));
    const one = run({ row: { ...run().row, count: 1 }, faults: [fault({ nozzle: 1, tiltXDeg: 9 })] });
    for (const x of [-60, -10, 0, 33, 90]) {
      const w = x * Math.sin(tau) + z * Math.cos(tau);
      const p = (x * Math.cos(tau) - z * Math.sin(tau)) / w;
      const L =
        ((0.95 * (n + 1)) / (Math.PI * P)) *
        beta *
        (z / (w * w)) *
        Math.max(0, 1 - (p / P) ** 2) ** (n + 0.5);
      expect(rowProfile(one)(x)).to.be.closeTo((1e6 * 0.9 * L) / 160, 1e-7);
    }
  });

  it('shows a blocked nozzle as a stripe under it, and nothing else anywhere', () => {
    const blocked = sprayRow(run({ faults: [fault({ flowShare: 0 })] }));
    expect(blocked.stripe!.atMm).to.be.closeTo(-105, 1.1);
    expect(blocked.excess).to.be.null;
    expect(blocked.gm2.every((own, i) => own <= blocked.healthyGm2[i] + 1e-9)).to.be.true;
    // out and back retrace the same line: no shallower
    const twice = sprayRow(run({ passes: 2, faults: [fault({ flowShare: 0 })] }));
    expect(twice.stripe!.depthShare).to.be.closeTo(blocked.stripe!.depthShare, 1e-9);
    expect(sprayRow(run()).stripe).to.be.null;
  });

  it('shows a crooked nozzle as a stripe with too much beside it', () => {
    const { stripe, excess } = sprayRow(run({ faults: [fault({ nozzle: 4, tiltXDeg: 8 })] }));
    expect(stripe!.depthShare).to.be.within(0.05, 0.5);
    expect(excess!.atMm).to.be.above(stripe!.atMm);
  });
});
