import { expect } from 'chai';
import { expectedLoss, sparesFor } from './index.ts';

describe('sparesFor', () => {
  /** So much was counted that the share is as good as known: the binomial. */
  const known = (share: number) => ({ made: 1e9, lost: share * 1e9 });

  it('has the fewest by which nine lines in ten get by', () => {
    // by tables of the binomial at 0.1: at most 2 of 12: 0.889, at most 3 of 13: 0.966
    expect(sparesFor(10, known(0.1))).to.equal(3);
    // one piece, one in five lost: both of two are lost in 0.04
    expect(sparesFor(1, known(0.2))).to.equal(1);
    // of one piece that is lost in one of twenty, none is lost in 0.95
    expect(sparesFor(1, known(0.05))).to.equal(0);
    // at 0.01: none of 10 is lost in 0.904; none of 11 in 0.895, at most one of 12 in 0.994
    expect([10, 11].map((pieces) => sparesFor(pieces, known(0.01)))).to.deep.equal([0, 1]);
  });

  it('assumes one in fifty until something was counted, and believes the shop from then on', () => {
    expect(expectedLoss({ made: 0, lost: 0 })).to.equal(0.02);
    expect(expectedLoss({ made: 950, lost: 49 })).to.equal(0.05);
    // by hand, none of 5 lost: 49/50 · 50/51 · 51/52 · 52/53 · 53/54 = 49/54 = 0.907; of 6: 49/55 = 0.891
    expect([5, 6].map((pieces) => sparesFor(pieces, { made: 0, lost: 0 }))).to.deep.equal([0, 1]);
    expect(sparesFor(40, { made: 400, lost: 40 })).to.be.above(sparesFor(40, { made: 400, lost: 2 }));
  });

  it('never has fewer for more pieces, or for more that were lost', () => {
    for (const lost of [0, 3, 20])
      for (let pieces = 1; pieces < 200; pieces += 7) {
        const own = sparesFor(pieces, { made: 200, lost });
        expect(sparesFor(pieces + 7, { made: 200, lost })).to.be.at.least(own);
        expect(sparesFor(pieces, { made: 200, lost: lost + 5 })).to.be.at.least(own);
      }
  });
});
