import { expect } from 'chai';
import { passHalfWidthMm, passProfile } from './pattern/passProfile.ts';
import { USUAL_GUN, handPath, planPattern, simulateDeposit } from './index.ts';
import type { PatternPlan, PatternProblem } from './index.ts';

const problem = (own: Partial<PatternProblem> = {}): PatternProblem => ({
  gun: { ...USUAL_GUN, flowGPerS: 4 },
  widthMm: 220,
  heightMm: 260,
  targetGm2: 130,
  distanceMm: 230,
  slowestMmPerS: 150,
  fastestMmPerS: 500,
  hand: { speed: 0.1, lateralMm: 8 },
  maxBands: 6,
  maxWasteShare: 0.65,
  ...own,
});
const planned = (own?: Partial<PatternProblem>): Extract<PatternPlan, { predicted: object }> => {
  const plan = planPattern(problem(own));
  if (plan.pattern === null) throw new Error(plan.reason);
  return plan;
};

/** Ripple ± % of many equidistant passes at an overlap of whole passes, from the profile alone. */
function ripple(shape: number, overlap: number): number {
  const { at } = passProfile(shape, passHalfWidthMm({ major: 1, minor: 0.4 }, 230));
  const spacing = 2 * 115 * (1 - overlap);
  const sums = Array.from({ length: 400 }, (_, i) => {
    let sum = 0;
    for (let k = -8; k <= 8; k++) sum += at((i / 400) * spacing + k * spacing);
    return sum;
  });
  const [least, most] = [Math.min(...sums), Math.max(...sums)];
  return (100 * (most - least)) / (most + least);
}

describe('bands of a hand gun', () => {
  // figures of the Bessel form of a train of passes, found apart from this code
  for (const [shape, overlap, pct] of [
    [1, 0.3, 15.7],
    [1, 0.55, 10],
    [2, 0.45, 10.3],
    [2, 0.5, 1.3],
    [2, 0.7, 1.3],
    [3, 0.5, 15.6],
    [3, 0.6, 1.4],
  ] as const)
    it(`ripple by ± ${pct} % at shape ${shape} and ${100 * overlap} % overlap`, () => {
      expect(ripple(shape, overlap)).to.be.closeTo(pct, 0.06);
    });

  it('are as even in the simulation as the plan says', () => {
    for (const own of [{}, { hand: { speed: 0, lateralMm: 0 } }, { widthMm: 300, heightMm: 350 }]) {
      const { pattern, predicted } = planned(own);
      const { widthMm, heightMm, gun } = problem(own);
      const target = { rect: [0, 0, widthMm, heightMm] as const };
      const deposit = simulateDeposit({
        gun,
        garment: { rect: [-60, -60, widthMm + 120, heightMm + 120] },
        target,
        mask: null,
        lowGm2: 100,
        highGm2: 160,
        edgeMm: 30,
        stepMm: 2,
        seed: 1,
        path: handPath(pattern, { x0: 0, y0: 0, x1: widthMm, y1: heightMm }, { wobble: null, seed: 1 }),
      });
      expect(deposit.meanGm2 / predicted.meanGm2).to.be.closeTo(1, 1e-3);
      expect(deposit.cvPct).to.be.closeTo(predicted.cvPct, 0.05);
      expect(deposit.sprayedG).to.be.closeTo(predicted.sprayedG, 1e-6);
    }
  });

  it('run one way for a perfectly steady hand, and cross for a real one', () => {
    const steady = planned({ widthMm: 300, heightMm: 350, hand: { speed: 0, lateralMm: 0 } });
    expect([steady.pattern.horizontal, steady.pattern.vertical].sort()).to.deep.equal([0, 4]);
    // the spacing without a first harmonic: 2 pi W / j(3,1) = 0.9848 W
    expect(steady.pattern.spacingHMm ?? steady.pattern.spacingVMm).to.be.closeTo(0.9848 * 115, 1.5);
    const real = planned();
    expect([real.pattern.horizontal, real.pattern.vertical]).to.deep.equal([3, 2]);
    expect(real.predicted.cvHandPct).to.be.closeTo(10.89, 0.05);
  });

  it('get no worse by more that is allowed', () => {
    let before = Infinity;
    for (const maxBands of [2, 3, 4, 5, 6, 8]) {
      const plan = planPattern(
        problem({ maxBands, slowestMmPerS: 100, fastestMmPerS: 700, maxWasteShare: 0.8 }),
      );
      if (plan.pattern === null) continue;
      expect(plan.bestCvHandPct).to.be.at.most(before + 0.02);
      before = plan.bestCvHandPct;
    }
    const narrow = planned({ slowestMmPerS: 250, fastestMmPerS: 350 });
    const wide = planned({ slowestMmPerS: 150, fastestMmPerS: 600 });
    expect(wide.bestCvHandPct).to.be.at.most(narrow.bestCvHandPct + 0.02);
  });

  it('keep within the range of speeds and the waste, or say which of them forbids', () => {
    const { pattern, predicted } = planned();
    expect(pattern.speedMmPerS).to.be.within(150, 500);
    expect(predicted.wasteShare).to.be.at.most(0.65);
    const why = (own: Partial<PatternProblem>): string | null => {
      const plan = planPattern(problem(own));
      return plan.pattern === null ? plan.reason : null;
    };
    expect(why({ targetGm2: 1300, slowestMmPerS: 300 })).to.equal('too-slow');
    expect(why({ targetGm2: 10, fastestMmPerS: 200 })).to.equal('too-fast');
    expect(why({ maxWasteShare: 0.2 })).to.equal('waste');
  });
});
