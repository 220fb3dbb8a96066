import { expect } from 'chai';
import {
  SprayPractice,
  USUAL_GUN,
  USUAL_PATTERN,
  boxOf,
  handPath,
  sampleAt,
  simulateDeposit,
} from './index.ts';
import type { Deposit, DepositProblem, Gun, HandPattern, PathPoint, SprayShape } from './index.ts';

const NO_LAG = { ...USUAL_GUN.trigger, onLagS: 0, riseS: 0, offLagS: 0, fallS: 0 };
const gun = (own: Partial<Gun> = {}): Gun => ({ ...USUAL_GUN, trigger: NO_LAG, flowGPerS: 4, ...own });
const point = (own: Partial<PathPoint>): PathPoint => ({
  t: 0,
  x: 0,
  y: 0,
  z: 230,
  on: true,
  rotDeg: 0,
  tiltXDeg: 0,
  tiltYDeg: 0,
  ...own,
});
const rect = (...own: [number, number, number, number]): SprayShape => ({ rect: own });
/** A large sheet with a square in its middle to be covered. */
const SHEET: Omit<DepositProblem, 'path'> = {
  gun: gun(),
  garment: rect(-500, -400, 1000, 800),
  target: rect(-100, -100, 200, 200),
  mask: null,
  lowGm2: 104,
  highGm2: 162.5,
  edgeMm: 30,
  stepMm: 4,
  seed: 1,
};
const spray = (own: Partial<DepositProblem>): Deposit => simulateDeposit({ ...SHEET, path: [], ...own });
const bands = (own: Partial<HandPattern> = {}): HandPattern => ({
  ...USUAL_PATTERN,
  kind: 'bands',
  horizontal: 3,
  vertical: 2,
  spacingHMm: 120,
  spacingVMm: 140,
  speedMmPerS: 280,
  distanceMm: 230,
  leadMm: 90,
  ...own,
});
const TARGET = rect(60, 60, 280, 360);
const covered = (own: Partial<DepositProblem> = {}, pattern: Partial<HandPattern> = {}): Deposit => {
  const target = own.target ?? TARGET;
  const path = handPath(bands(pattern), boxOf(target), { wobble: null, seed: 1 });
  return spray({ garment: rect(-150, -150, 700, 780), target, path, ...own });
};

describe('what a gun leaves on a garment', () => {
  it('is, across a long pass, the closed form of the cone’s profile', () => {
    // 4 g/s, 300 mm/s, 230 mm away: W = 115 mm, c = 1.0937.../W for n = 2, so 106.2878 in the middle, 51.7770 half way out
    const path = [point({ x: -1000 }), point({ t: 2000 / 300, x: 1000, on: false })];
    const { gm2, ground } = spray({
      path,
      stepMm: 1,
      garment: rect(-20.5, -130.5, 41, 261),
      target: rect(-10, -10, 20, 20),
    });
    expect(sampleAt(gm2, ground.grid, [0, 0])).to.be.closeTo(106.2878, 1e-3);
    // cells of a millimetre have their centres at whole ones: 57 and 58 mm about the half way
    const [a, b] = [sampleAt(gm2, ground.grid, [0, 57])!, sampleAt(gm2, ground.grid, [0, 58])!];
    expect((a + b) / 2).to.be.closeTo(51.777, 2e-3);
    expect(sampleAt(gm2, ground.grid, [0, 116])).to.equal(0);
  });

  for (const shape of [0.5, 1, 2, 3.5])
    it(`is found again to the last bit, shape ${shape}: on the garment, in the air, beside it`, () => {
      const path = [
        point({ x: -120, y: -40, rotDeg: 20 }),
        point({ t: 0.8, x: 90, y: 60, z: 260, tiltXDeg: 15, tiltYDeg: -10 }),
        point({ t: 1.4, x: 20, y: -80, z: 200, on: false, tiltXDeg: -20 }),
      ];
      const own = gun({ shape, trigger: { ...USUAL_GUN.trigger, spatterG: 0.2, drops: 15 } });
      const { sprayedG, onGarmentG, driftG, offG } = spray({ gun: own, path });
      // pressed for 1.4 s: a lag of 0.08, half a rise of 0.06 less, a lag of 0.05 and half a fall of 0.04 more; and the drops
      expect(sprayedG).to.be.closeTo(4 * (1.4 - 0.08 - 0.03 + 0.05 + 0.02) + 0.2, 1e-9);
      expect(driftG).to.be.closeTo(0.1 * (sprayedG - 0.2), 1e-9);
      expect(onGarmentG + driftG).to.be.closeTo(sprayedG, (shape === 0.5 ? 1e-4 : 1e-5) * sprayedG);
      expect(Math.abs(offG)).to.be.below(1e-4 * sprayedG);
    });

  it('is the same by exact strokes as by small steps in time', () => {
    const exact = covered();
    // a tilt too small to matter takes the way of steps
    const stepped = covered({}, { tiltXDeg: 1e-9 });
    expect(stepped.meanGm2).to.be.closeTo(exact.meanGm2, 2e-5 * exact.meanGm2);
    const most = exact.gm2.reduce((off, own, i) => Math.max(off, Math.abs(own - stepped.gm2[i])), 0);
    expect(most).to.be.below(1e-3 * exact.maxGm2);
  });

  it('is linear in the flow and in what lands, and twice as much at half the speed', () => {
    const one = covered();
    expect(covered({ gun: gun({ flowGPerS: 8 }) }).meanGm2).to.be.closeTo(2 * one.meanGm2, 1e-9);
    expect(covered({ gun: gun({ efficiency: 0.45 }) }).meanGm2).to.be.closeTo(one.meanGm2 / 2, 1e-9);
    expect(covered({}, { speedMmPerS: 140 }).meanGm2).to.be.closeTo(2 * one.meanGm2, 1e-9);
  });

  it('turns with the job, and does not mind the order of the bands', () => {
    const one = covered({ stepMm: 5 });
    const turned = covered(
      { target: rect(60, 60, 360, 280), garment: rect(-150, -150, 780, 700), stepMm: 5 },
      { horizontal: 2, vertical: 3, spacingHMm: 140, spacingVMm: 120 },
    );
    expect(turned.meanGm2).to.be.closeTo(one.meanGm2, 1e-9);
    expect(turned.cvPct).to.be.closeTo(one.cvPct, 1e-9);
    expect(turned.edgeExcess.sides).to.be.closeTo(one.edgeExcess.ends!, 1e-9);
    const oneWay = covered({ stepMm: 5 }, { alternate: false });
    expect(oneWay.meanGm2).to.be.closeTo(one.meanGm2, 1e-9);
  });

  it('never falls anywhere by one more press, and only where it reaches', () => {
    const path = handPath(bands(), boxOf(TARGET), { wobble: null, seed: 1 });
    const end = path.at(-1)!;
    const more = [
      ...path,
      point({ t: end.t + 1, x: 100, y: 100 }),
      point({ t: end.t + 1.5, x: 160, y: 100, on: false }),
    ];
    const [before, after] = [
      spray({ garment: rect(0, 0, 400, 480), target: TARGET, path }),
      spray({ garment: rect(0, 0, 400, 480), target: TARGET, path: more }),
    ];
    expect(after.gm2.every((own, i) => own >= before.gm2[i] - 1e-9)).to.be.true;
    expect(after.onGarmentG).to.be.above(before.onGarmentG + 1.5);
  });

  it('peaks by the distance squared from a gun that stands still, and is the same in all', () => {
    const still = (z: number): Deposit =>
      spray({ path: [point({ z }), point({ t: 1, z, on: false })], stepMm: 2 });
    const [near, far] = [still(150), still(300)];
    expect(near.onGarmentG).to.be.closeTo(far.onGarmentG, 1e-4);
    const middle = ({ gm2, ground }: Deposit): number => sampleAt(gm2, ground.grid, [1, 1])!;
    expect(middle(near) / middle(far)).to.be.closeTo(4, 0.01);
  });

  it('builds up by itself at the sides of one stroke, the more so the slower its turns', () => {
    const sides = (turnSpeedShare: number): number => {
      const target = rect(80, 80, 320, 400);
      const pattern = bands({
        kind: 's',
        horizontal: 5,
        spacingHMm: 90,
        speedMmPerS: 310,
        leadMm: 110,
        turnSpeedShare,
      });
      const path = handPath(pattern, boxOf(target), { wobble: null, seed: 1 });
      return spray({
        gun: { ...USUAL_GUN, flowGPerS: 4 },
        garment: rect(0, 0, 480, 560),
        target,
        path,
        stepMm: 2,
      }).edgeExcess.sides!;
    };
    const apart = spray({
      gun: { ...USUAL_GUN, flowGPerS: 4 },
      garment: rect(0, 0, 480, 560),
      target: rect(80, 80, 320, 400),
      path: handPath(
        bands({ horizontal: 5, vertical: 0, spacingHMm: 90, speedMmPerS: 310, leadMm: 110 }),
        boxOf(rect(80, 80, 320, 400)),
        { wobble: null, seed: 1 },
      ),
      stepMm: 2,
    });
    expect(sides(2)).to.be.closeTo(0.09, 0.01);
    expect(sides(1)).to.be.closeTo(0.39, 0.015);
    expect(sides(0.5)).to.be.closeTo(1, 0.05);
    expect(apart.edgeExcess.sides).to.be.closeTo(-0.03, 0.01);
  });

  it('counts only what lies open: a mask catches the rest', () => {
    const mask = rect(60, 60, 280, 200);
    const { onMaskG, onGarmentG, ground } = covered({ mask });
    const bare = covered();
    expect(ground.isTargetCovered).to.be.true;
    expect(onMaskG + onGarmentG).to.be.closeTo(bare.onGarmentG, 1e-9);
    expect(ground.targetCells).to.be.closeTo((280 * 200) / 16, 80);
  });

  it('comes out the same again for a seed, and differs for another', () => {
    const path = (seed: number): PathPoint[] =>
      handPath(bands(), boxOf(TARGET), { wobble: { speed: 0.1, lateralMm: 8, heightMm: 5 }, seed });
    expect(path(3)).to.deep.equal(path(3));
    expect(path(3)[40].y).to.not.equal(path(4)[40].y);
  });

  it('is the same when it grows under a hand as when its whole way is known', () => {
    const path = [
      point({ t: 0, x: -80, on: false }),
      ...Array.from({ length: 60 }, (_, i) =>
        point({ t: 0.1 + i / 30, x: -80 + 3 * i, y: 20 * Math.sin(i / 9), on: i < 25 || i > 31 }),
      ),
      point({ t: 2.4, x: 110, on: false }),
      point({ t: 2.6, x: 110, on: false }),
    ];
    const own = { ...USUAL_GUN, flowGPerS: 4 };
    const whole = spray({ gun: own, path });
    const practice = new SprayPractice({ ...SHEET, gun: own });
    for (const at of path) practice.move(at);
    const grown = practice.judged();
    expect(grown.sprayedG).to.be.closeTo(whole.sprayedG, 1e-9);
    expect(grown.sprayS).to.be.closeTo(whole.sprayS, 1e-9);
    expect(grown.gm2.every((gm2, i) => Math.abs(gm2 - whole.gm2[i]) < 1e-6)).to.be.true;
  });
});
