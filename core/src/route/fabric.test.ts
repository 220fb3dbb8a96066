import { expect } from 'chai';
import { codesIn, inWords, say } from '../words/index.ts';
import fc from 'fast-check';
import { DYES, fibresOf, pressedThicknessMm } from '../blank/index.ts';
import type { Fibres, Garment } from '../blank/index.ts';
import { cottonTee } from '../fixtures/index.ts';
import { byShare, fibreWords, heatByShare, heatLimits, withinHeat } from './fabric.ts';
import { shelfWaterGM2 } from './stack.ts';

const PRACTICE = say('reason.no-mark');
const of = (own: Partial<Fibres>, more: Partial<Garment> = {}): Garment => ({
  ...cottonTee,
  ...more,
  fibres: fibresOf(own),
});
const blend = (polyester: number): Garment => of({ cotton: 1 - polyester, polyester });
const tightest = (garment: Garment): number =>
  Math.min(...heatLimits(garment).map(({ max }) => max ?? Infinity));

describe('what a fabric stands', () => {
  it('is where cotton yellows, where dye wanders, where stretch, nylon and coatings give in', () => {
    expect(tightest(of({ cotton: 1 }))).to.equal(180);
    expect(tightest(of({ polyester: 1 }))).to.equal(140);
    expect(tightest(of({ polyester: 1 }, { dye: 'migrating' }))).to.equal(130);
    expect(tightest(of({ cotton: 0.95, elastane: 0.05 }))).to.equal(160);
    expect(tightest(of({ nylon: 1 }))).to.equal(145);
    expect(tightest(of({ cotton: 1 }, { features: ['coating'] }))).to.equal(140);
    expect(tightest(of({ cotton: 1 }, { maxPressC: 120 }))).to.equal(120);
  });

  it('falls straight with polyester up to a half, and no further', () => {
    expect([0, 0.25, 0.49, 0.5, 1].map((share) => tightest(blend(share)))).to.deep.equal([
      180, 160, 141, 140, 140,
    ]);
  });

  it('never rises with more polyester, nor with a dye that wanders', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (p, q) => {
          const [less, more] = [Math.min(p, q), Math.max(p, q)];
          expect(tightest(blend(more))).to.be.at.most(tightest(blend(less)));
          expect(tightest({ ...blend(p), dye: 'migrating' })).to.be.at.most(tightest(blend(p)));
        },
      ),
    );
  });

  it('lowers a wish to it, with the reason, and leaves one that is cool enough', () => {
    expect(withinHeat(of({ cotton: 1 }), 157, PRACTICE)).to.deep.equal({
      value: 157,
      reason: { source: 'trade', said: PRACTICE, value: 157 },
    });
    const lowered = withinHeat(of({ polyester: 1 }), 157, PRACTICE);
    expect(lowered.value).to.equal(140);
    expect(codesIn(lowered.reason.said)).to.deep.equal(['reason.lowered', PRACTICE.code, 'limit.dye']);
    expect(inWords(lowered.reason.said)).to.contain('Here no more than 140\u00a0°C: hotter than this');
  });
});

describe('practice between cotton and polyester', () => {
  it('is at its ends what each asks for, and between by share', () => {
    const at = (share: number): number => byShare(blend(share), 'transferC', 'temperature').value;
    expect([at(0), at(0.5), at(1)]).to.deep.equal([157, 146, 135]);
  });

  it('counts nylon among the fibres that melt', () => {
    const { value, range } = byShare(of({ nylon: 1 }), 'transferC', 'temperature');
    expect([value, range.min, range.max]).to.deep.equal([135, 130, 140]);
  });

  it('never wishes a garment hotter than it stands', () => {
    const garments = fc
      .record({
        polyester: fc.double({ min: 0, max: 1, noNaN: true }),
        maxPressC: fc.option(fc.integer({ min: 100, max: 200 })),
        dye: fc.constantFrom(...DYES),
      })
      .map(({ polyester, ...more }) => ({ ...blend(polyester), ...more }));
    fc.assert(
      fc.property(garments, (garment) => {
        expect(heatByShare(garment, 'cureC').value).to.be.at.most(tightest(garment));
      }),
    );
  });
});

describe('a blank’s own figures', () => {
  it('names fibres by share, largest first, without those it does not have', () => {
    expect(fibreWords(of({ cotton: 0.35, polyester: 0.6, elastane: 0.05 }))).to.equal(
      '60 % polyester, 35 % cotton, 5 % elastane',
    );
    expect(fibreWords(of({ other: 1 }))).to.equal('100 % unknown fibre');
  });

  it('is as thick as its mass and construction say, unless it was measured', () => {
    const thick = (own: Partial<Garment>): number => pressedThicknessMm({ ...cottonTee, ...own });
    expect(thick({ massGM2: 170 })).to.be.closeTo(0.45, 0.005); // jersey
    expect(thick({ massGM2: 300, construction: 'fleece' })).to.be.closeTo(1.2, 0.005);
    expect(thick({ massGM2: 340, construction: 'woven' })).to.be.closeTo(0.69, 0.01); // canvas
    expect(thick({ massGM2: 140, fibres: of({ polyester: 1 }).fibres })).to.be.closeTo(0.35, 0.005);
    expect(thick({ massGM2: 170, thicknessMm: 0.6 })).to.equal(0.6);
  });

  it('brings the moisture of its fibres along: cotton a lot, polyester hardly any', () => {
    expect(shelfWaterGM2(of({ cotton: 1 }, { massGM2: 180 }))).to.be.closeTo(14.4, 0.05);
    expect(shelfWaterGM2(of({ polyester: 1 }, { massGM2: 180 }))).to.be.closeTo(0.7, 0.05);
  });
});
