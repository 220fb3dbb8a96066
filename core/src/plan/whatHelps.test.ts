import { expect } from 'chai';
import { runTask } from '../task/index.ts';
import { TINY, op, phase } from './fixtures/tinyShop.ts';
import { Planning, whatHelps } from './index.ts';
import type { HelpAnswer, PlanInstance, PlanOp, PlanOrder } from './index.ts';

async function ask(
  instance: PlanInstance,
  order: string,
  others: Parameters<typeof whatHelps.start>[0]['others'] = [],
): Promise<HelpAnswer> {
  const planning = new Planning({ instance, seed: 1 });
  while (planning.tried < 200) planning.stepOn();
  const plan = planning.answer.best.ops;
  const end = await runTask(whatHelps, { instance, plan, order, others });
  if (end.how === 'cancelled') throw new Error('nobody cancels it');
  return end.answer;
}

const order = (id: string, due: number): PlanOrder => ({ id, name: id, due, weight: 1, release: 0, tail: 0 });
const fold = (id: string, minutes: number, own: Parameters<typeof op>[2] = {}): PlanOp => ({
  ...op(`fold ${id}`, [phase(minutes, 100, { brk: true })], own),
  orders: [id],
});
/** One pair of hands from 0 to 480, today and tomorrow. */
const shop = (orders: PlanOrder[], ops: PlanOp[], more: Partial<PlanInstance> = {}): PlanInstance => ({
  ...TINY,
  horizon: 2880,
  people: [
    [0, 480, 100],
    [1440, 1920, 100],
  ],
  machines: [],
  orders,
  ops,
  lags: [],
  ...more,
});

describe('what would help a late order', () => {
  it('is another pair of hands where it waits for somebody who is busy with what is due first', async () => {
    const { best, tried } = await ask(
      shop([order('first', 60), order('late', 60)], [fold('first', 60), fold('late', 55)]),
      'late',
    );
    // alone it cannot be both; with a second pair from the first minute on it is through after its own 55
    expect(best).to.deep.include({ help: { kind: 'hands', from: 0 }, through: 55 });
    expect(tried.some(({ help }) => help.kind === 'overtime')).to.equal(false); // all is over long before the evening
  });

  it('is an hour more in the evening where that saves the night', async () => {
    const { best } = await ask(shop([order('late', 540)], [fold('late', 530)]), 'late');
    expect(best).to.deep.include({ help: { kind: 'overtime', from: 480 }, through: 530 });
  });

  it('is a machine that stands still where hands are there and no machine', async () => {
    const [press] = TINY.machines;
    const cold = { ...press, setup: null, windows: [[0, 2880, 1]] as const };
    const work = (id: string): PlanOp => fold(id, 100, { machine: 'press', state: 1 });
    const two: PlanInstance = shop([order('first', 100), order('late', 110)], [work('first'), work('late')], {
      people: [[0, 480, 200]],
      machines: [cold],
    });
    const withBoth: PlanInstance = {
      ...two,
      machines: [cold, { ...cold, id: 'spare' }],
      ops: two.ops.map((own) => ({ ...own, modes: [...own.modes, { ...own.modes[0], machine: 'spare' }] })),
    };
    const help = { kind: 'machine', machine: 'spare' } as const;
    const { best } = await ask(two, 'late', [{ help, instance: withBoth }]);
    expect(best).to.deep.include({ help, through: 100, spared: 90 });
  });

  it('is nothing where nothing that was tried helps, and only another plan where that is enough', async () => {
    expect((await ask(shop([order('late', 10)], [fold('late', 60)]), 'late')).best).to.equal(null);
    const instance = shop([order('first', 300), order('late', 60)], [fold('first', 60), fold('late', 60)]);
    const badly = ['fold first', 'fold late'].map((id, i) => ({ id, mode: 0, start: [60 * i], setup: null }));
    const end = await runTask(whatHelps, { instance, plan: badly, order: 'late', others: [] });
    if (end.how === 'cancelled') throw new Error('nobody cancels it');
    expect(end.answer.best).to.deep.equal({ help: { kind: 'plan' }, through: 60, spared: 0 });
  });
});
