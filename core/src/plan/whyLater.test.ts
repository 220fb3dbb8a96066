import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { TINY, op, phase } from './fixtures/tinyShop.ts';
import {
  Planning,
  comparePlans,
  machineDown,
  peopleAway,
  phaseLonger,
  repairPlan,
  whyLater,
} from './index.ts';
import type { PlanInstance, PlanOp, PlannedOp } from './index.ts';

/** A printer and a press that are always ready, two people; each of two orders is printed, then pressed. */
const ready = (id: string): PlanInstance['machines'][number] => ({
  id,
  name: id === 'press' ? 'Press A' : 'Printer',
  kind: id,
  windows: [[0, 1000, 1]],
  setup: null,
  changeFixed: 0,
});
const work = (order: string, machine: string, minutes: number): PlanOp => ({
  ...op(`${machine} ${order}`, [phase(minutes, 100)], { machine, state: 1 }),
  orders: [order],
});
const SHOP: PlanInstance = {
  ...TINY,
  horizon: 1000,
  people: [[0, 1000, 200]],
  machines: [ready('printer'), ready('press')],
  pools: [],
  orders: ['A', 'B'].map((id) => ({ id, name: id, due: 500, weight: 1, release: 0, tail: 0 })),
  ops: [work('A', 'printer', 60), work('A', 'press', 30), work('B', 'printer', 60), work('B', 'press', 30)],
  lags: ['A', 'B'].map((id) => ({ from: `printer ${id}`, to: `press ${id}`, min: 0, max: null })),
};
const at = (id: string, start: number): PlannedOp => ({ id, mode: 0, start: [start], setup: null });
const PLAN = [at('printer A', 0), at('press A', 60), at('printer B', 60), at('press B', 120)];

const why = (instance: PlanInstance, order: string, plan: readonly PlannedOp[] = PLAN): string => {
  const said = whyLater(instance, plan, repairPlan(instance, plan).ops)(order);
  return said === null ? 'not later' : inWords(said);
};

describe('why an order is through later', () => {
  it('is nothing in a shop that has not changed', () => {
    expect(why(SHOP, 'A')).to.equal('not later');
  });

  it('is the machine that stands still, for what follows it and what waits behind it too', () => {
    const down = machineDown(SHOP, 'press', [50, 200]);
    expect(why(down, 'A')).to.equal('Press A is not there when “press A” was planned.');
    expect(why(down, 'B')).to.match(/^Press A is not there when “press [AB]” was planned\.$/);
    const printer = machineDown(SHOP, 'printer', [0, 40]);
    expect(why(printer, 'B')).to.equal('Printer is not there when “printer A” was planned.');
  });

  it('is what runs longer, or was not begun, and a night in which nobody is there', () => {
    const running = {
      ...phaseLonger(SHOP, { id: 'printer A', mode: 0, phase: 0 }, 45),
      now: 50,
      fixed: [at('printer A', 0)],
    };
    expect(why(running, 'B')).to.equal('“printer A” is at work, and not over when it was planned to be.');
    expect(why({ ...SHOP, now: 30 }, 'A')).to.equal('“printer A” should have begun by now.');
    expect(why(peopleAway(SHOP, 200, [60, 90]), 'A')).to.equal('Nobody is there when “press A” was planned.');
    // one of two people is away: printing for the next order, which begins at the same minute, keeps the other
    expect(why(peopleAway(SHOP, 100, [60, 90]), 'A')).to.equal(
      'Too few hands are there when “press A” was planned.',
    );
  });

  it('is what is new and was put first', () => {
    const rush = {
      ...SHOP,
      orders: [...SHOP.orders, { ...SHOP.orders[0], id: 'R', name: 'R' }],
      ops: [...SHOP.ops, work('R', 'printer', 20)],
      locked: [{ id: 'printer R', mode: 0, start: [0] }],
    };
    const after = repairPlan(rush, PLAN, { keepsLocks: true }).ops;
    expect(inWords(whyLater(rush, PLAN, after)('A')!)).to.equal('“printer R” is new: it was in no plan.');
  });

  it('is said for every order that is later, in any shop in which a machine goes or people leave', () => {
    let later = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const instance = anyInstance(seed);
      const { ops } = new Planning({ instance, seed }).answer.best;
      const [machine] = instance.machines;
      for (const changed of [
        machineDown(instance, machine.id, [20, 90]),
        peopleAway(instance, 100, [30, 80]),
      ]) {
        const after = repairPlan(changed, ops).ops;
        const reason = whyLater(changed, ops, after);
        for (const { id, before, after: then } of comparePlans(changed, ops, after)) {
          if (before === null || (then !== null && then <= before)) continue;
          later++;
          expect(inWords(reason(id)!), instance.name).to.match(/“.+”/);
        }
      }
    }
    expect(later).to.be.above(50);
  });
});
