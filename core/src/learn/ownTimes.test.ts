import { expect } from 'chai';
import { seededRandom } from '../work/index.ts';
import { dayPace, ownTime } from './index.ts';
import type { Timed } from './index.ts';

const times = (...ratios: number[]): Timed[] =>
  ratios.map((ratio) => ({ plannedS: 60, tookS: 60 * ratio, day: 'monday' }));
const ten = (ratio: number): number[] => Array.from({ length: 10 }, () => ratio);

/** Standard normal numbers (Box & Muller 1958). */
function normals(seed: number): () => number {
  const random = seededRandom(seed);
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

describe('a shop’s own times', () => {
  it('count from the tenth on', () => {
    expect(ownTime(times(...ten(1.5).slice(1)))).to.deep.equal({
      count: 9,
      leftOut: 0,
      factor: null,
      spread: null,
    });
    const { factor, spread } = ownTime(times(...ten(1.5)));
    expect(factor).to.be.closeTo(1.5, 1e-12);
    expect(spread).to.equal(0);
  });

  it('leave out what was tapped afterwards or left open over lunch, and say how many', () => {
    const odd = [0, 0.1, 40, 55]; // a second, six; forty minutes and more of one that takes one
    const { count, leftOut, factor } = ownTime(times(...ten(0.8), ...odd));
    expect([count, leftOut]).to.deep.equal([10, 4]);
    expect(factor).to.be.closeTo(0.8, 1e-12);
    // within the bounds, yet far off: it moves nothing
    expect(ownTime(times(...ten(0.8), 3.9)).factor).to.be.closeTo(0.8, 1e-12);
  });

  it('learn from the last hundred only', () => {
    expect(ownTime(times(...Array.from({ length: 100 }, () => 1.2), ...ten(3))).factor).to.be.closeTo(
      1.2,
      1e-12,
    );
  });

  it('find again what times were made with: the mean, and how they vary', () => {
    const normal = normals(7);
    const sigma = 0.25;
    // log-normal with mean 1.3
    const made = Array.from({ length: 100 }, () => 1.3 * Math.exp(sigma * normal() - (sigma * sigma) / 2));
    const { factor, spread } = ownTime(times(...made));
    // a median of a hundred is known to 1.25 σ/√100 = 0.03, a median deviation to about a ninth
    expect(factor).to.be.closeTo(1.3, 3 * 0.04);
    expect(spread).to.be.closeTo(0.254, 3 * 0.03);
  });

  it('tell slow days from slow work', () => {
    const made = (between: number, seed: number): Timed[][] => {
      const normal = normals(seed);
      const days = Array.from({ length: 20 }, () => between * normal());
      return [1, 1.8].map((ratio) =>
        days.flatMap((slow, day) =>
          Array.from({ length: 5 }, () => ({
            plannedS: 100,
            tookS: 100 * ratio * Math.exp(slow + 0.15 * normal()),
            day: String(day),
          })),
        ),
      );
    };
    // how sure twenty days are of it: 0.2/√(2·19) = 0.03
    expect(dayPace(made(0.2, 3)).spread).to.be.closeTo(0.2, 0.09);
    expect(dayPace(made(0, 4)).spread).to.be.below(0.04);
    expect(dayPace(made(0.2, 3)).days).to.equal(20);
    expect(dayPace(made(0.2, 3).map((own) => own.slice(0, 20)))).to.deep.equal({ days: 4, spread: null });
  });
});
