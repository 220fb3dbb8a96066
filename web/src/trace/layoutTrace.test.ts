import { expect } from 'chai';
import fc from 'fast-check';
import { layoutTrace, tracePath, yOf } from './layoutTrace.ts';

const pieces = fc.array(
  fc.record({
    durationS: fc.integer({ min: 1, max: 86_400 }),
    tempC: fc.integer({ min: 15, max: 200 }),
    isHandsOn: fc.boolean(),
  }),
  { minLength: 1, maxLength: 20 },
);

describe('the trace on its strip', () => {
  it('fills the strip without a gap, keeps the order, and gives longer pieces no less room', () => {
    fc.assert(
      fc.property(pieces, (all) => {
        const drawn = layoutTrace(all, 800, 160);
        drawn.forEach((piece, i) => {
          const before = drawn[i - 1];
          expect(piece.x).to.be.closeTo(before ? before.x + before.width : 0, 1e-6);
          for (const other of drawn)
            if (other.durationS > piece.durationS) expect(other.width).to.be.at.least(piece.width - 1e-9);
        });
        const last = drawn[drawn.length - 1]!;
        expect(last.x + last.width).to.be.closeTo(800, 1e-6);
      }),
    );
  });

  it('draws a press to scale beside another, and a night’s rest broken', () => {
    const drawn = layoutTrace(
      [
        { durationS: 15, tempC: 150, isHandsOn: true },
        { durationS: 45, tempC: 150, isHandsOn: true },
        { durationS: 36_000, tempC: 20, isHandsOn: false },
      ],
      600,
      100,
    );
    expect(drawn[1]!.width / drawn[0]!.width).to.be.closeTo(51 / 21, 1e-9);
    expect(drawn.map(({ isBroken }) => isBroken)).to.deep.equal([false, false, true]);
    expect(drawn[2]!.width).to.be.below(0.8 * 600);
  });

  it('puts hot above cold, within the axis', () => {
    expect(yOf(200, 160)).to.be.below(yOf(150, 160));
    expect(yOf(20, 160)).to.be.within(0, 160);
  });

  it('is one unbroken line', () => {
    const path = tracePath(
      layoutTrace(
        [
          { durationS: 10, tempC: 20, isHandsOn: false },
          { durationS: 20, tempC: 150, isHandsOn: true },
        ],
        100,
        50,
      ),
    );
    expect(path.match(/M/g)).to.have.length(1);
    expect(path).to.not.contain('NaN');
  });

  it('has nothing to draw for no pieces', () => {
    expect(layoutTrace([], 100, 50)).to.deep.equal([]);
    expect(tracePath([])).to.equal('');
  });
});
