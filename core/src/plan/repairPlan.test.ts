import { expect } from 'chai';
import { seededRandom } from '../work/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { judge } from './fixtures/judge.ts';
import { BY_HAND, TINY, op, phase } from './fixtures/tinyShop.ts';
import type { PlanInstance, PlannedOp } from './index.ts';
import {
  Planning,
  asOf,
  comparePlans,
  machineDown,
  peopleAway,
  phaseLonger,
  powerOut,
  repairPlan,
} from './index.ts';

const planOf = (instance: PlanInstance, seed = 1): readonly PlannedOp[] => {
  const planning = new Planning({ instance, seed });
  for (let k = 0; k < 40; k++) planning.stepOn();
  return planning.answer.best.ops;
};
const starts = (plan: readonly PlannedOp[]): Record<string, number> =>
  Object.fromEntries(plan.map(({ id, start }) => [id, start[0]]));

describe('a repaired plan', () => {
  it('is the same where nothing has changed, at any minute of it', () => {
    let same = 0;
    for (let seed = 1; seed <= 150; seed++) {
      const instance = anyInstance(seed);
      const plan = planOf(instance, seed);
      for (const now of [0, 40, 200]) {
        const standing = asOf(instance, plan, now);
        // somebody is in the middle of readying a machine for what still waits: that is begun anew
        const isBroken = plan.some(
          ({ id, setup, start }) =>
            setup !== null && setup < now && now <= start[0] && !standing.fixed.some((own) => own.id === id),
        );
        if (isBroken) continue;
        same++;
        const repaired = repairPlan(standing, plan);
        expect(repaired.ops, `${seed} at ${now}`).to.deep.equal(plan);
        expect(repaired.score.moved).to.equal(0);
      }
    }
    expect(same).to.be.above(400);
  });

  it('holds after whatever happened, keeps what has begun, and brings nothing forward', () => {
    const random = seededRandom(11);
    const int = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
    let moved = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const instance = anyInstance(seed);
      const plan = planOf(instance, seed);
      const now = int(0, 150);
      const standing = asOf(instance, plan, now);
      const span = [now, now + int(10, 90)] as const;
      const happened = [
        machineDown(standing, 'press-a', span),
        machineDown(standing, 'printer', span),
        peopleAway(
          standing,
          100,
          span[0] > 0 && standing.fixed.length > 0 ? [latestEnd(standing) + 1, span[1] + 200] : span,
        ),
      ][seed % 3];
      const { ops, leftOut, score } = repairPlan(happened, plan);
      if (leftOut.length > 0) continue; // what begun is spoiled by the time it can go on
      expect(judge(happened, ops), `${seed}`).to.deep.equal({ broken: [], ...score });
      const [before, after] = [starts(plan), starts(ops)];
      for (const id of Object.keys(before)) expect(after[id], `${seed} ${id}`).to.be.at.least(before[id]);
      if (score.moved > 0) moved++;
    }
    expect(moved).to.be.above(30);
  });

  it('leaves out all that waits for what is spoiled, and so holds as it stands', () => {
    let spoiled = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const instance = anyInstance(seed);
      const plan = planOf(instance, seed);
      const now = 20 + (seed % 120);
      const standing = asOf(instance, plan, now);
      // nobody is there for hours, and what is done by itself goes on
      const alone = peopleAway(standing, 100, [now, now + 200]);
      const { ops, leftOut } = repairPlan(alone, plan);
      if (leftOut.length === 0) continue;
      spoiled++;
      const begun = new Set(alone.fixed.map(({ id }) => id));
      const isOut = new Set(leftOut.map(({ id }) => id));
      for (const { from, to } of alone.lags)
        if (isOut.has(from) && !begun.has(to)) expect(isOut, `${seed} ${from} → ${to}`).to.include(to);
      const again = repairPlan(alone, ops);
      expect(again.ops, `${seed}`).to.deep.equal(ops);
    }
    expect(spoiled).to.be.above(20);
  });

  it('moves only what stands in the way: the press is down, film and powder stay', () => {
    // hot again ten minutes after it is back at 30
    const down = machineDown(asOf(TINY, BY_HAND, 5), 'press', [18, 30]);
    expect(starts(repairPlan(down, BY_HAND).ops)).to.deep.equal({ print: 4, powder: 16, press: 40 });
  });

  it('holds wet film back with the powder that has to wait', () => {
    // nobody is there from 14 to 24: powder at 24 takes ink of 19 or later, the print is begun at 7 in place of 4
    const away = peopleAway(TINY, 100, [14, 24]);
    expect(starts(repairPlan(away, BY_HAND).ops)).to.deep.equal({ print: 7, powder: 24, press: 27 });
    // till 34 it cannot even be begun at 17, nobody being there: at 34, then
    const longer = peopleAway(TINY, 100, [14, 34]);
    expect(starts(repairPlan(longer, BY_HAND).ops)).to.deep.equal({ print: 34, powder: 46, press: 49 });
  });

  it('fits in what is new, and pushes on what takes longer', () => {
    const rush = op('rush', [phase(5, 100)]);
    const more = { ...asOf(TINY, BY_HAND, 5), ops: [...TINY.ops, rush] };
    // both hands are free from 6 to 16 while it prints
    expect(starts(repairPlan(more, BY_HAND).ops)).to.deep.equal({ print: 4, rush: 6, powder: 16, press: 19 });
    const longer = phaseLonger(asOf(TINY, BY_HAND, 8), { id: 'print', mode: 0, phase: 1 }, 15);
    expect(starts(repairPlan(longer, BY_HAND).ops)).to.deep.equal({ print: 4, powder: 31, press: 34 });
  });

  it('brings forward what may not stand after work that was begun before its time, and nothing else', () => {
    // planned after the pause, printed at 4 all the same: its ink takes powder till 21, whoever folds has to wait
    const fold = op('fold', [phase(30, 100)]);
    const plan: PlannedOp[] = [
      { id: 'print', mode: 0, start: [80, 82], setup: 76 },
      { id: 'powder', mode: 0, start: [92], setup: null },
      { id: 'press', mode: 0, start: [95], setup: null },
      { id: 'fold', mode: 0, start: [17], setup: null },
    ];
    const early: PlanInstance = {
      ...TINY,
      ops: [...TINY.ops, fold],
      now: 17,
      fixed: [{ id: 'print', mode: 0, start: [4, 6], setup: 0 }],
    };
    const { ops, leftOut } = repairPlan(early, plan);
    expect(leftOut).to.deep.equal([]);
    expect(starts(ops)).to.deep.equal({ print: 4, powder: 17, fold: 20, press: 95 });
    // the ink is dry by now: it is spoiled, and nobody is kept from folding
    const late = repairPlan({ ...early, now: 22 }, plan);
    expect(late.leftOut.map(({ id, why }) => `${id} ${why}`)).to.deep.equal(['powder spoilt', 'press waits']);
    expect(starts(late.ops)).to.deep.equal({ print: 4, fold: 22 });
  });

  it('does nothing without power, and begins cold', () => {
    const out = powerOut(asOf(TINY, BY_HAND, 17), [19, 50]);
    // warm-up from 50 to 60, then the pause till 75
    expect(starts(repairPlan(out, BY_HAND).ops)).to.deep.equal({ print: 4, powder: 16, press: 75 });
  });
});

const latestEnd = ({ fixed, ops }: PlanInstance): number =>
  Math.max(
    0,
    ...fixed.map(({ id, mode, start }) => {
      const { phases } = ops.find((own) => own.id === id)!.modes[mode];
      return start[start.length - 1] + phases[phases.length - 1].d + 60;
    }),
  );

describe('two plans side by side', () => {
  it('name the orders that are through at another time, the losers first', () => {
    const orders = [
      TINY.orders[0],
      { ...TINY.orders[0], id: 'B', name: 'caps', tail: 1440 },
      { ...TINY.orders[0], id: 'C', name: 'same' },
    ];
    const ops = orders.map(({ id }, k) => ({ ...op(`fold ${k}`, [phase(10, 30)]), orders: [id] }));
    const shop = { ...TINY, orders, ops, lags: [] };
    const at = (...own: number[]): PlannedOp[] =>
      own.map((start, k) => ({ id: `fold ${k}`, mode: 0, start: [start], setup: null }));
    expect(comparePlans(shop, at(0, 30, 5), at(20, 10, 5))).to.deep.equal([
      { id: 'A', name: 'bibs', due: 40, before: 15, after: 35 },
      { id: 'B', name: 'caps', due: 40, before: 40 + 1440, after: 20 + 1440 },
    ]);
    expect(comparePlans(shop, at(0, 30, 5), at(0, 30))[0]).to.deep.include({
      id: 'C',
      before: 20,
      after: null,
    });
  });
});
