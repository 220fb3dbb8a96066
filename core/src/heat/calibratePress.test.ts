import { expect } from 'chai';
import { stackInHeat } from './benchStack.ts';
import type { BenchStack } from './benchStack.ts';
import { benchVariants } from './benchPresets.ts';
import { boundBond } from './boundBond.ts';
import { calibratePress } from './calibratePress.ts';
import type { PressCalibration } from './calibratePress.ts';
import { UNKNOWN_PRESS } from './conditions.ts';
import { afterClosing, contactsTimes, highestC } from './fitContacts.ts';
import { heatOperation } from './heatOperation.ts';

/** A tee's transfer under parchment at 160 °C for 15 s. */
const [, { stack: STACK }] = benchVariants('mat');

/** A press whose contacts are another multiple of the table's. */
function pressedWith(factor: number, stack: BenchStack = STACK, offsetC = 0) {
  const { own, conditions } = stackInHeat(stack, { ...UNKNOWN_PRESS, offsetC });
  const parameters = contactsTimes(UNKNOWN_PRESS, factor);
  const heat = heatOperation(own, conditions, { parameters, stepping: { longestS: 0.1 } });
  if (heat === null) throw new Error('no heat');
  return heat;
}

/** Its glue line logged each second, give or take. */
const logged = (factor: number, noiseK: number) =>
  Array.from({ length: 14 }, (_, i) => ({
    atS: i + 1,
    tempC: afterClosing(pressedWith(factor), 'glue', i + 1) + noiseK * Math.sin(7.3 * i),
  }));

const asked = (own: Partial<PressCalibration>): PressCalibration => ({
  stack: STACK,
  plateOffsetC: 0,
  cycle: { channels: [], strips: [] },
  recipes: [],
  ...own,
});
const byLogger = (samples: { atS: number; tempC: number }[], own: Partial<PressCalibration> = {}) =>
  calibratePress(asked({ cycle: { channels: [{ at: 'glue', samples }], strips: [] }, ...own }));
const fitOf = (found: ReturnType<typeof calibratePress>) => {
  if (found.contact?.ok !== true) throw new Error(found.contact?.why ?? 'nothing read');
  return found.contact.fit;
};

describe('calibration of a press', () => {
  it('finds the contacts of a press from one logged cycle, with how sure it is', () => {
    for (const factor of [0.6, 1, 1.5]) {
      const found = byLogger(logged(factor, 1));
      const fit = fitOf(found);
      expect(fit.factor).to.be.closeTo(factor, 0.06 * factor);
      expect(Math.abs(Math.log(fit.factor / factor))).to.be.below(fit.within);
      expect(fit.residualK).to.be.within(0.4, 1.3); // the noise that was put in, and no more
      const [course] = found.courses;
      const off = (modelled: readonly number[]): number =>
        Math.max(...modelled.map((own, i) => Math.abs(own - course.measured[i].tempC)));
      expect(off(course.fitted ?? [])).to.be.below(2.5);
      if (factor !== 1) expect(off(course.byTables)).to.be.above(8);
    }
  });

  it('is never surer than its instrument: what all readings are off together does not average out', () => {
    const warm = logged(1, 0.2).map(({ atS, tempC }) => ({ atS, tempC: tempC + 1.5 }));
    const fit = fitOf(byLogger(warm));
    expect(fit.factor).to.be.above(1.01);
    expect(Math.log(fit.factor)).to.be.below(fit.within);
    expect(fitOf(byLogger(logged(1, 4))).within).to.be.above(fitOf(byLogger(logged(1, 0))).within);
  });

  it('takes the highest temperature of a strip, several sensors at once, and a plate that is off its display', () => {
    const read = highestC(pressedWith(0.7), 'glue');
    const strip = fitOf(
      calibratePress(asked({ cycle: { channels: [], strips: [{ at: 'glue', highestC: read }] } })),
    );
    expect(strip.factor).to.be.closeTo(0.7, 0.03);
    expect(strip.within).to.be.above(fitOf(byLogger(logged(0.7, 0))).within);
    const cold = pressedWith(0.8, STACK, -9);
    const course = (at: 'glue' | 'face') =>
      [2, 4, 6, 9, 12].map((atS) => ({ atS, tempC: afterClosing(cold, at, atS) }));
    const channels = [
      { at: 'glue' as const, samples: course('glue') },
      { at: 'face' as const, samples: course('face') },
    ];
    const both = (plateOffsetC: number) =>
      fitOf(calibratePress(asked({ plateOffsetC, cycle: { channels, strips: [] } }))).factor;
    expect(both(-9)).to.be.closeTo(0.8, 0.03);
    expect(both(0)).to.be.below(0.75); // what the plate lacks is laid on the contacts
  });

  it('leaves aside what a logger read after the press had opened', () => {
    const after = [16, 20, 40, 90].map((atS) => ({ atS, tempC: 30 }));
    expect(fitOf(byLogger([...logged(1, 0), ...after]))).to.deep.equal(fitOf(byLogger(logged(1, 0))));
  });

  it('refuses what says nothing, and what is of another stack', () => {
    const why = (samples: { atS: number; tempC: number }[]): string => {
      const { contact, known, spread } = byLogger(samples);
      if (contact?.ok !== false) return 'fits';
      expect(known).to.deep.equal({});
      expect(spread).to.equal(0.25);
      return contact.why;
    };
    expect(why(logged(1, 0).slice(0, 3))).to.equal('too-few');
    expect(why(logged(1, 0).map(({ atS }) => ({ atS, tempC: 30 })))).to.equal('at-a-bound');
    expect(
      why(logged(1, 0).map(({ atS, tempC }, i) => ({ atS, tempC: tempC + (i % 2 ? 30 : -30) }))),
    ).to.equal('poor');
    const hovered = byLogger(logged(1, 0), { stack: { ...STACK, gapMm: 10 } });
    expect(hovered.contact?.ok).to.equal(false);
  });

  it('bounds the bond by what washed well and what did not, and says when they contradict', () => {
    const of = (good: number[], bad: number[]) =>
      boundBond([
        ...good.map((bond) => ({ bond, held: true })),
        ...bad.map((bond) => ({ bond, held: false })),
      ]);
    expect(of([1.8, 1.4], [0.7])).to.deep.equal({ ok: true, bounds: { low: 0.7, high: 1.4 } });
    expect(of([], [0.7])).to.deep.equal({ ok: true, bounds: { low: 0.7, high: null } });
    expect(of([0.9], [1.2])).to.deep.equal({ ok: false, why: 'contradictory', good: 0.9, bad: 1.2 });
    expect(of([], [4])).to.deep.equal({ ok: false, why: 'beyond', value: 4, held: false });
  });

  it('counts recipes on the press as it was fitted, and takes the place of the tables’ ranges', () => {
    const recipes = [
      { plateC: 160, dwellS: 15, kPa: 35, held: true },
      { plateC: 160, dwellS: 9, kPa: 35, held: false },
    ];
    const slow = byLogger(logged(0.7, 1), { recipes });
    const usual = calibratePress(asked({ recipes }));
    expect(slow.recipes[0].bond).to.be.below(usual.recipes[0].bond);
    const plate = slow.known['contact-plate'];
    expect(plate?.usual).to.be.closeTo(750 * 0.7, 45);
    expect((plate?.high ?? 9) / (plate?.low ?? 1)).to.be.below(1200 / 450);
    const [good, bad] = usual.recipes.map(({ bond }) => bond);
    expect(12 * bad).to.be.within(6, 9); // below what the tables allow for: it tells nothing new
    expect(usual.known['bond-seconds']).to.deep.include({ low: 9, high: Math.min(16, 12 * good) });
    // one that held with less than the tables ask for leaves no room above it
    const short = calibratePress(asked({ recipes: [{ plateC: 160, dwellS: 8.5, kPa: 35, held: true }] }));
    const { low, high } = short.known['bond-seconds'] ?? { low: 0, high: 0 };
    expect(high).to.be.closeTo(12 * short.recipes[0].bond, 1e-9);
    expect(low).to.be.within(0.5 * high, high);
  });

  it('is worth more the more is known, and never less than a tenth either way', () => {
    const recipes = [
      { plateC: 160, dwellS: 15, kPa: 35, held: true },
      { plateC: 160, dwellS: 11, kPa: 35, held: false },
    ];
    const nothing = calibratePress(asked({}));
    const contacts = byLogger(logged(1, 0.5));
    const both = byLogger(logged(1, 0.5), { recipes });
    expect(nothing).to.deep.include({ spread: 0.25, known: {}, contact: null, bond: null });
    expect(contacts.spread).to.be.within(0.1, 0.24);
    expect(both.spread).to.be.within(0.1, contacts.spread);
  });

  it('has no bond where there is no glue', () => {
    const bare = { ...STACK, layers: STACK.layers.filter(({ material }) => material === 'cotton-jersey') };
    const found = calibratePress(
      asked({ stack: bare, recipes: [{ plateC: 160, dwellS: 15, kPa: 35, held: true }] }),
    );
    expect(found.bond).to.equal(null);
    expect(() => byLogger(logged(1, 0), { stack: bare })).to.throw(RangeError, /no “glue”/);
  });
});
