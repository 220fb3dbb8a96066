import { expect } from 'chai';
import { anyInstance } from './fixtures/anyInstance.ts';
import { BY_HAND, TINY, op, phase } from './fixtures/tinyShop.ts';
import { Planning, orderChances } from './index.ts';
import type { PlanInstance, Spread } from './index.ts';

const EXACT: Spread = { of: () => 0, pace: 0 };
const spread = (own: number, pace = 0): Spread => ({ of: () => own, pace });

describe('the chance of an order', () => {
  it('is one or none where nothing is uncertain, and its end is the planned one', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const instance = anyInstance(seed);
      const { ops } = new Planning({ instance, seed }).answer.best;
      for (const chance of orderChances(instance, ops, { seed, samples: 1, spread: EXACT })) {
        const { due, tail } = instance.orders.find(({ id }) => id === chance.id)!;
        const own = instance.ops.flatMap((each, i) => (each.orders.includes(chance.id) ? [i] : []));
        const starts = own.map((i) => ops[i].start.at(-1)!);
        expect(chance.planned, `${seed}`).to.be.at.least(Math.max(0, ...starts) + tail);
        expect([chance.median, chance.nineInTen, chance.needed]).to.deep.equal([
          chance.planned,
          chance.planned,
          0,
        ]);
        expect([chance.onTime, chance.spoiled]).to.deep.equal([chance.planned <= due ? 1 : 0, 0]);
      }
    }
  });

  it('is that of the distribution for one piece of work', () => {
    const instance: PlanInstance = {
      ...TINY,
      horizon: 400,
      people: [[0, 400, 100]],
      orders: [{ ...TINY.orders[0], due: 110, tail: 0 }],
      ops: [op('fold', [phase(100, 100)])],
      lags: [],
    };
    const plan = [{ id: 'fold', mode: 0, start: [0], setup: null }];
    const [chance] = orderChances(instance, plan, { seed: 3, samples: 4000, spread: spread(0.1) });
    // ln 1.1 is 1.005 standard deviations above the median of a logarithmic normal with mean 1 and deviation 0.1
    expect(chance.onTime).to.be.closeTo(0.8426, 0.02);
    // the median is 100 / √1.01, nine in ten 1.2816 standard deviations above it
    expect(chance.median).to.be.closeTo(99.5, 1);
    expect(chance.nineInTen).to.be.closeTo(113.1, 1.5);
    expect(chance.buffer).to.equal(10);
    // a machine that runs by itself is not spread
    const alone = { ...instance, ops: [op('fold', [phase(100, 0)])] };
    expect(orderChances(alone, plan, { seed: 3, samples: 50, spread: spread(0.5) })[0].onTime).to.equal(1);
  });

  it('tells how often something stands too long because whoever is to take it is still busy', () => {
    const plan = BY_HAND.map((own) => (own.id === 'powder' ? { ...own, start: [21] } : own));
    const later = plan.map((own) => (own.id === 'press' ? { ...own, start: [24] } : own));
    // powder is planned at the very end of its five minutes; two of loading that take three are no harm, powder waits for nobody
    const [tight] = orderChances(TINY, later, { seed: 1, samples: 300, spread: spread(0.3) });
    expect(tight.spoiled).to.equal(0);
    // somebody else is busy till then, and takes longer every other time
    const busy: PlanInstance = { ...TINY, ops: [op('fold', [phase(15, 100)]), ...TINY.ops] };
    const withFold = [{ id: 'fold', mode: 0, start: [6], setup: null }, ...later];
    const [late] = orderChances(busy, withFold, { seed: 1, samples: 2000, spread: spread(0.3) });
    expect(late.spoiled).to.be.within(0.3, 0.55);
  });

  it('never falls with a later due date, and is the same for the same seed', () => {
    const instance = anyInstance(12);
    const { ops } = new Planning({ instance, seed: 1 }).answer.best;
    const asked = { seed: 5, samples: 200, spread: spread(0.2, 0.1) };
    const chances = orderChances(instance, ops, asked);
    expect(orderChances(instance, ops, asked)).to.deep.equal(chances);
    const later = { ...instance, orders: instance.orders.map((own) => ({ ...own, due: own.due + 60 })) };
    for (const [j, { onTime }] of orderChances(later, ops, asked).entries())
      expect(onTime).to.be.at.least(chances[j].onTime);
  });
});
