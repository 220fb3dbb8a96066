import { expect } from 'chai';
import { monotone } from './fit/fitCurve.ts';
import { mixtureQuantile, normalBelow } from './fit/mixture.ts';
import { mulberry32, normalFrom } from './noise.ts';
import { fitSprayer, nearestSetting, readSprayer, sprayerTable } from './index.ts';
import type { SprayWeighing, SprayerSetting } from './index.ts';

const DIAL: SprayerSetting = { least: 1, most: 10, sense: 'up' };
const at = (setting: number, gm2: number, passes = 1): SprayWeighing => ({ setting, passes, gm2 });
/** A dial that gives 34 g/m² a mark, scattered a little by hand. */
const WEIGHED = [at(2, 66.5), at(3, 104), at(4, 133.5), at(5, 172), at(6, 201), at(8, 274)];

describe('the fit of a sprayer', () => {
  it('knows the normal distribution', () => {
    // Abramowitz & Stegun, table 26.1
    expect(normalBelow(0)).to.be.closeTo(0.5, 1e-14);
    expect(normalBelow(1)).to.be.closeTo(0.8413447460685, 1e-12);
    expect(normalBelow(-3)).to.be.closeTo(0.0013498980316, 1e-12);
    expect(mixtureQuantile([{ weight: 0.7, mean: 4, sd: 2 }], 0.95)).to.be.closeTo(
      4 + 2 * 1.6448536269515,
      1e-8,
    );
    // two bells far apart: a quarter of the whole is the middle of the first
    const bells = [
      { weight: 0.5, mean: 0, sd: 1 },
      { weight: 0.5, mean: 100, sd: 1 },
    ];
    expect(mixtureQuantile(bells, 0.25)).to.be.closeTo(0, 1e-8);
  });

  it('pools what falls where it should rise', () => {
    expect(monotone([1, 3, 2, 4], 1)).to.deep.equal([1, 2.5, 2.5, 4]);
    expect(monotone([4, 1, 2, 0], -1)).to.deep.equal([4, 1.5, 1.5, 0]);
  });

  it('says what a dial gives and what dial gives it, each the other’s inverse', () => {
    const fit = fitSprayer(DIAL, WEIGHED);
    expect(fit.gm2At(4, 1).gm2).to.be.closeTo(136, 4);
    for (const gm2 of [80, 130, 150, 210]) {
      const found = fit.settingFor(gm2, 1);
      expect(fit.gm2At(found.setting!, 1).gm2).to.be.closeTo(gm2, 1e-6 * gm2);
      expect(
        found.setting! >= (found as { low: number }).low &&
          found.setting! <= (found as { high: number }).high,
      ).to.be.true;
    }
  });

  for (const sense of ['up', 'down'] as const)
    it(`only rises or only falls, bounds around it, a spray’s around those (${sense})`, () => {
      const own = sense === 'up' ? WEIGHED : WEIGHED.map(({ setting, gm2 }) => at(11 - setting, gm2));
      const fit = fitSprayer({ ...DIAL, sense }, own);
      let before = sense === 'up' ? 0 : Infinity;
      for (let dial = 1; dial <= 10; dial += 0.25) {
        const { gm2, low, high, sprayLow, sprayHigh } = fit.gm2At(dial, 1);
        expect(sense === 'up' ? gm2 >= before : gm2 <= before).to.be.true;
        expect([sprayLow, low, gm2, high, sprayHigh]).to.deep.equal(
          [sprayLow, low, gm2, high, sprayHigh].sort((a, b) => a - b),
        );
        before = gm2;
      }
    });

  it('does not mind the order of weighings, nor the units of the dial', () => {
    const one = fitSprayer(DIAL, WEIGHED).settingFor(150, 1);
    expect(fitSprayer(DIAL, [...WEIGHED].reverse()).settingFor(150, 1).setting).to.be.closeTo(
      one.setting!,
      1e-9,
    );
    const percent = fitSprayer(
      { ...DIAL, least: 10, most: 100 },
      WEIGHED.map((own) => ({ ...own, setting: 10 * own.setting })),
    );
    expect(percent.settingFor(150, 1).setting).to.be.closeTo(10 * one.setting!, 1e-7);
  });

  it('works with two weighings and gets surer with each that lies on the curve', () => {
    const widths = [2, 3, 4, 6].map((n) => {
      const { low, high } = fitSprayer(DIAL, WEIGHED.slice(0, n)).gm2At(4.5, 1);
      return high / low;
    });
    expect(widths).to.deep.equal([...widths].sort((a, b) => b - a));
    expect(() => fitSprayer(DIAL, WEIGHED.slice(0, 1))).to.throw(RangeError, 'two');
  });

  it('leaves a gross error out and says which it is', () => {
    const fit = fitSprayer(DIAL, [...WEIGHED, at(5.5, 330)]);
    expect(fit.outliers.map(({ index }) => index)).to.deep.equal([6]);
    expect(fit.gm2At(5, 1).gm2).to.be.closeTo(170, 6);
  });

  it('says what the machine cannot give, and from where to where it can', () => {
    const fit = fitSprayer(DIAL, WEIGHED);
    const [least, most] = fit.settingFor(150, 1).reachable;
    expect(fit.settingFor(0.9 * least, 1)).to.deep.include({
      setting: null,
      reason: 'less-than-the-machine-gives',
    });
    expect(fit.settingFor(1.1 * most, 1)).to.deep.include({
      setting: null,
      reason: 'more-than-the-machine-gives',
    });
    expect(fit.settingFor(1.1 * most, 2).passesUntried).to.be.true;
    expect(fit.gm2At(9, 1).extrapolates).to.be.true;
    expect(fit.gm2At(4, 2).gm2 / fit.gm2At(4, 1).gm2).to.be.closeTo(2, 0.02);
  });

  it('says the same when it is kept as a table', () => {
    const fit = fitSprayer(DIAL, WEIGHED);
    const kept = readSprayer(
      JSON.parse(JSON.stringify(sprayerTable(DIAL, WEIGHED, 0.5))) as ReturnType<typeof sprayerTable>,
    );
    expect(kept.gm2At(4.3, 1).sprayHigh).to.be.closeTo(fit.gm2At(4.3, 1).sprayHigh, 0.02);
    expect(kept.settingFor(150, 2).setting).to.be.closeTo(fit.settingFor(150, 2).setting!, 1e-3);
    expect(kept.settingFor(150, 2).passesUntried).to.be.true;
    expect(sprayerTable(DIAL, WEIGHED, 0.5).next[0].setting % 0.5).to.equal(0);
    expect(nearestSetting(DIAL, 0.5, 4.3)).to.equal(4.5);
    expect(nearestSetting(DIAL, 0.5, 40)).to.equal(10);
  });

  it('asks for the weighing that would teach most: far from those there are', () => {
    const { setting, reduction } = fitSprayer(DIAL, [at(5, 170), at(5.5, 185)]).next(1, [2, 5, 5.5]);
    expect(setting).to.equal(2);
    expect(reduction).to.be.within(0.3, 1);
  });

  it('covers the truth about as often as it says', () => {
    let [hits, all] = [0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const random = mulberry32(seed);
      const noise = normalFrom(random);
      const power = 0.5 + 0.7 * random();
      const level = 90 + 80 * random();
      const truth = (dial: number): number => level * (dial / Math.sqrt(10)) ** power;
      const weighed = Array.from({ length: 2 + (seed % 5) }, () => {
        const dial = 10 ** random();
        return at(dial, truth(dial) * Math.exp(0.03 * noise()));
      });
      const fit = fitSprayer(DIAL, weighed);
      for (const dial of [1.5, 3, 5, 8]) {
        const { low, high } = fit.gm2At(dial, 1);
        all++;
        if (low <= truth(dial) && truth(dial) <= high) hits++;
      }
    }
    // power laws lie well within what the fit thinks possible: a little above the 90 % it states
    expect(hits / all).to.be.within(0.85, 1);
  });
});
