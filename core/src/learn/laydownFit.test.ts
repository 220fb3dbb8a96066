import { expect } from 'chai';
import fc from 'fast-check';
import { fitInkLaydown, fitPowderLoading } from './index.ts';
import { believeAfter } from './linearFit.ts';

const ASSUMED = { colourMlM2: 9, whiteMlM2: 75 };
const weighed = (colourM2: number, whiteM2: number, { colour = 9, white = 75 } = {}) => ({
  colourM2,
  whiteM2,
  baseM2: 0,
  grams: colourM2 * colour * 1.05 + whiteM2 * white * 1.25,
});

describe('believeAfter', () => {
  it('weighs two equally sure values to their middle', () => {
    const [only] = believeAfter([{ value: 10, sd: 1 }], [{ factors: [1], sum: 14, sd: 1 }]);
    expect(only.value).to.be.closeTo(12, 1e-12);
    expect(only.sd).to.be.closeTo(Math.SQRT1_2, 1e-12);
  });

  it('never grows less sure by measuring, and does not mind the order', () => {
    const measurement = fc.record({
      factors: fc.tuple(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
      ),
      sum: fc.double({ min: -9, max: 9, noNaN: true }),
      sd: fc.double({ min: 0.1, max: 3, noNaN: true }),
    });
    const before = [
      { value: 1, sd: 2 },
      { value: -1, sd: 0.5 },
    ];
    fc.assert(
      fc.property(fc.array(measurement, { maxLength: 8 }), (all) => {
        const after = believeAfter(before, all);
        const backwards = believeAfter(before, [...all].reverse());
        after.forEach(({ value, sd }, i) => {
          expect(sd).to.be.at.most(before[i].sd + 1e-9);
          expect(backwards[i].value).to.be.closeTo(value, 1e-8);
        });
      }),
    );
  });

  it('refuses what does not fit', () => {
    expect(() => believeAfter([{ value: 1, sd: 1 }], [{ factors: [1, 2], sum: 1, sd: 1 }])).to.throw(
      RangeError,
      '2 factors, expected 1',
    );
    expect(() => believeAfter([{ value: 1, sd: 0 }], [])).to.throw(RangeError, 'standard deviation is 0');
  });
});

describe('laydown', () => {
  it('stays as assumed without a weighing, and moves part of the way for one', () => {
    expect(fitInkLaydown(ASSUMED, []).whiteMlM2.value).to.be.closeTo(75, 1e-9);
    const [one] = [fitInkLaydown(ASSUMED, [weighed(0, 0.03, { white: 100 })])];
    expect(one.whiteMlM2.value).to.be.within(90, 100);
    expect(one.colourMlM2.value).to.be.closeTo(9, 1e-9); // nothing was learnt of it
  });

  it('tells colour from white when prints of both kinds are weighed', () => {
    const truth = { colour: 12, white: 60 };
    const prints = [
      weighed(0.05, 0, truth),
      weighed(0.04, 0.05, truth),
      weighed(0.01, 0.06, truth),
      weighed(0.06, 0.01, truth),
    ];
    const fit = fitInkLaydown(ASSUMED, [...prints, ...prints]);
    expect(fit.colourMlM2.value).to.be.closeTo(12, 0.5);
    expect(fit.whiteMlM2.value).to.be.closeTo(60, 1.5);
    expect(fit.whiteMlM2.sd).to.be.below(3);
  });

  it('fits powder from films', () => {
    const films = [0.02, 0.03, 0.04].map((baseM2) => ({
      colourM2: 0,
      whiteM2: 0,
      baseM2,
      grams: 60 * baseM2,
    }));
    expect(fitPowderLoading(45, films).value).to.be.closeTo(60, 1);
  });

  it('learns nothing of a white that an ink set does not have', () => {
    const { colourMlM2, whiteMlM2 } = fitInkLaydown({ colourMlM2: 8, whiteMlM2: 0 }, [
      { colourM2: 0.1, whiteM2: 0, baseM2: 0, grams: 1.05 },
    ]);
    expect(whiteMlM2).to.deep.equal({ value: 0, sd: 0 });
    expect(colourMlM2.value).to.be.within(8, 10);
  });
});
