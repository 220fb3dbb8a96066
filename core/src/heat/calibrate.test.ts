import { expect } from 'chai';
import { boundBond, fitContacts, knownBy } from './calibrate.ts';
import { TEE, inHeat, pressing, room, transferOn } from './fixtures/pressings.ts';
import { heatOperation } from './heatOperation.ts';
import { usualParameters } from './parameters.ts';

const pressed = inHeat(pressing([{ tempC: 160, forS: 15, layers: transferOn([TEE]) }]));

/** A press whose contacts are another multiple of the table's, logged each second, give or take. */
function logged(factor: number, noiseK: number) {
  const usual = usualParameters();
  const heat = heatOperation(pressed, room(), {
    parameters: {
      ...usual,
      'contact-plate': usual['contact-plate'] * factor,
      'contact-cover': usual['contact-cover'] * factor,
    },
    stepping: { longestS: 0.1 },
  });
  if (heat === null) throw new Error('no heat');
  return Array.from({ length: 14 }, (_, i) => {
    const k = heat.timesS.findIndex((t) => t >= i + 1);
    return { atS: heat.timesS[k] ?? 0, tempC: (heat.courses.glue?.[k] ?? 0) + noiseK * Math.sin(7.3 * i) };
  });
}

describe('calibration of a press', () => {
  it('finds the contacts of a press from one logged cycle, with how sure it is', () => {
    for (const factor of [0.6, 1, 1.5]) {
      const found = fitContacts(pressed, room(), { at: 'glue', samples: logged(factor, 1) });
      if (!found.ok) throw new Error(found.why);
      expect(found.fit.factor).to.be.closeTo(factor, 0.06 * factor);
      expect(Math.abs(Math.log(found.fit.factor / factor))).to.be.below(2 * found.fit.within);
      expect(found.fit.residualK).to.be.within(0.4, 1.3); // the noise that was put in, and no more
    }
  });

  it('is less sure of noisier readings', () => {
    const within = (noiseK: number): number => {
      const found = fitContacts(pressed, room(), { at: 'glue', samples: logged(1, noiseK) });
      return found.ok ? found.fit.within : NaN;
    };
    expect(within(4)).to.be.above(1.5 * within(1));
  });

  it('refuses what says nothing, and what is of another stack', () => {
    const why = (samples: { atS: number; tempC: number }[]): string => {
      const found = fitContacts(pressed, room(), { at: 'glue', samples });
      return found.ok ? 'fits' : found.why;
    };
    expect(why(logged(1, 0).slice(0, 3))).to.equal('too-few');
    expect(why(logged(1, 0).map(({ atS }) => ({ atS, tempC: 30 })))).to.equal('at-a-bound');
    expect(
      why(logged(1, 0).map(({ atS, tempC }, i) => ({ atS, tempC: tempC + (i % 2 ? 30 : -30) }))),
    ).to.equal('poor');
  });

  it('bounds the bond by what washed well and what did not, and says when they contradict', () => {
    expect(boundBond({ good: [1.8, 1.4], bad: [0.7] })).to.deep.equal({ ok: true, low: 0.7, high: 1.4 });
    expect(boundBond({ good: [], bad: [0.7] })).to.deep.equal({ ok: true, low: 0.7, high: null });
    expect(boundBond({ good: [0.9], bad: [1.2] })).to.deep.equal({
      ok: false,
      why: 'contradictory',
      good: 0.9,
      bad: 1.2,
    });
  });

  it('takes the place of the tables’ ranges, narrower than they are', () => {
    const found = fitContacts(pressed, room(), { at: 'glue', samples: logged(1.2, 1) });
    if (!found.ok) throw new Error(found.why);
    const known = knownBy(found.fit, { low: 0.9, high: 1.3 });
    const plate = known['contact-plate'];
    expect(plate?.usual).to.be.closeTo(750 * 1.2, 60);
    expect((plate?.high ?? 9) / (plate?.low ?? 1)).to.be.below(1200 / 450);
    expect(known['bond-seconds']).to.deep.include({ low: 12 * 0.9, high: 12 * 1.3 });
    expect(knownBy(null, { low: null, high: null })).to.deep.equal({});
  });
});
