import { expect } from 'chai';
import { runTask } from '../task/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { judge } from './fixtures/judge.ts';
import { TINY, op, phase } from './fixtures/tinyShop.ts';
import { Planning, promiseDates, repairPlan } from './index.ts';
import type { PlanInstance, PlanOrder, PlannedOp, PromiseAnswer, PromiseInput } from './index.ts';

const chances = (spread: number): PromiseInput['chances'] => ({
  seed: 1,
  samples: spread === 0 ? 1 : 400,
  spread: { of: () => spread, pace: 0 },
});
async function ask(
  instance: PlanInstance,
  plan: readonly PlannedOp[] | null,
  wanted: readonly string[],
  spread = 0,
): Promise<PromiseAnswer> {
  const end = await runTask(promiseDates, { instance, plan, wanted, chances: chances(spread) });
  if (end.how === 'cancelled') throw new Error('nobody cancels it');
  return end.answer;
}

/** One pair of hands, eight hours today and tomorrow; an hour of folding is planned, half an hour asked for. */
const order = (id: string, more: Partial<PlanOrder> = {}): PlanOrder => ({
  ...{ id, name: id, due: 480, weight: 1, release: 0, tail: 0 },
  ...more,
});
const DAYS: PlanInstance = {
  ...TINY,
  horizon: 4320,
  people: [
    [0, 480, 100],
    [1440, 1920, 100],
  ],
  orders: [order('taken', { due: 60 }), order('asked', { due: 480 })],
  ops: [
    { ...op('fold', [phase(60, 100)]), orders: ['taken'] },
    { ...op('pack', [phase(30, 100)]), orders: ['asked'] },
  ],
  lags: [],
};
const PLAN: PlannedOp[] = [{ id: 'fold', mode: 0, start: [0], setup: null }];
const asking = (more: Partial<PlanOrder>): PlanInstance => ({
  ...DAYS,
  orders: [DAYS.orders[0], order('asked', more)],
});

describe('a promise', () => {
  it('is after what is planned where nothing moves, or first and the other later by just as much', async () => {
    const { between, first, weighed } = await ask(DAYS, PLAN, ['asked']);
    expect(between).to.deep.equal({ through: 90, honest: 90, onTime: 1, pushed: [] });
    expect(first).to.deep.include({ through: 30, honest: 30, onTime: 1 });
    expect(first?.pushed).to.deep.equal([{ id: 'taken', name: 'taken', due: 60, before: 60, after: 90 }]);
    expect(weighed).to.equal(null); // the other is due first
  });

  it('is kept by letting wait what can wait', async () => {
    const { between, weighed } = await ask(asking({ due: 45 }), PLAN, ['asked']);
    expect(between).to.deep.include({ through: 90, onTime: 0 });
    // 15 min too late in either order: with the asked one first only the taken one is, by 30; with the taken one first 45
    expect(weighed).to.deep.include({ through: 30, onTime: 1 });
    expect(weighed?.pushed.map(({ id, after }) => [id, after])).to.deep.equal([['taken', 90]]);
  });

  it('waits for what is bought in, counts a rest, and names a time at which somebody is there', async () => {
    // the transfers come tomorrow at nine hours of the plan's clock after midnight plus one day: minute 1500
    expect((await ask(asking({ release: 1500 }), PLAN, ['asked'])).between).to.deep.include({
      through: 1530,
      honest: 1530,
    });
    expect((await ask(asking({ tail: 1440 }), PLAN, ['asked'])).between).to.deep.include({
      through: 1530,
      honest: 1530,
    });
    // 20 h after minute 90 nobody is there: from the next morning on it can be had
    expect((await ask(asking({ tail: 1200 }), PLAN, ['asked'])).between).to.deep.include({
      through: 1290,
      honest: 1440,
    });
    expect((await ask(asking({ release: 1915 }), PLAN, ['asked'])).between).to.equal(null);
  });

  it('leaves room for hands that are slower: nine times in ten it holds', async () => {
    const { between } = await ask(DAYS, PLAN, ['asked'], 0.2);
    // two of 60 and 30 min, each ± 20 %: together 90 ± 13.4; nothing begins early, so a little more than 1.28 × 13.4 above
    expect(between?.through).to.equal(90);
    expect(between?.honest).to.equal(120);
  });

  it('moves nothing where it goes between, and both ways hold, in any shop', async () => {
    for (let seed = 1; seed <= 60; seed++) {
      const instance = anyInstance(seed);
      const wanted = [instance.orders.at(-1)!.id];
      const isOwn = (own: PlanInstance['ops'][number]): boolean =>
        own.orders.every((id) => wanted.includes(id));
      const begun = new Set(instance.fixed.map(({ id }) => id));
      if (instance.ops.some((own) => isOwn(own) && begun.has(own.id))) continue;
      const { ops } = new Planning({ instance, seed }).answer.best;
      const kept = ops.filter(({ id }) => !isOwn(instance.ops.find((own) => own.id === id)!));
      const { between, first } = await ask(instance, kept, wanted);
      if (between) expect(between.pushed, instance.name).to.deep.equal([]);
      if (between && first) expect(first.honest, instance.name).to.be.below(between.honest);
      const repaired = repairPlan(instance, kept);
      if (between) expect(judge(instance, repaired.ops).broken, instance.name).to.deep.equal([]);
    }
  });
});
