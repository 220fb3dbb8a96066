import { expect } from 'chai';
import { runTask } from '../task/index.ts';
import { inWords } from '../words/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { judge } from './fixtures/judge.ts';
import { PRINTER_DOWN, SMALL, TWO_DAYS, WEEK } from './fixtures/reference.ts';
import { BY_HAND, TINY, op, phase } from './fixtures/tinyShop.ts';
import type { PlanInstance, PlanScore, PlannedOp } from './index.ts';
import { Planning, checkInstance, planDay } from './index.ts';

const planned = (
  instance: PlanInstance,
  tries: number,
  more: { seed?: number; from?: readonly PlannedOp[] } = {},
): Planning => {
  const planning = new Planning({ instance, seed: 1, ...more });
  while (planning.tried < tries) planning.stepOn();
  return planning;
};
const ranks = ({ lateness, finish, setup, moved }: PlanScore): number[] => [lateness, finish, setup, moved];
/** Below 0: the first is better; decided by the first figure that differs. */
const compare = (p: PlanScore, q: PlanScore): number =>
  ranks(p).reduce((so, own, k) => so || own - ranks(q)[k], 0);
const expectValid = (instance: PlanInstance, ops: readonly PlannedOp[], score: PlanScore): void =>
  void expect(judge(instance, ops), instance.name).to.deep.equal({ broken: [], ...score });

describe('plans of any shop', () => {
  it('hold, are counted right, are whole, no later than by due date and never below the bound', () => {
    for (let seed = 1; seed <= 600; seed++) {
      const instance = anyInstance(seed);
      const { best, byDueDate, bound, faults } = planned(instance, 40, { seed }).answer;
      expect(best.leftOut, instance.name).to.deep.equal([]);
      expect(faults).to.deep.equal([]);
      expectValid(instance, best.ops, best.score);
      expectValid(instance, byDueDate.ops, byDueDate.score);
      expect(best.score.lateness).to.be.at.most(byDueDate.score.lateness);
      expect(best.score.lateness, instance.name).to.be.at.least(bound.lateness - 1e-6);
      expect(best.score.finish, instance.name).to.be.at.least(bound.finish);
    }
  });

  it('are the same for the same seed and number of tries, and with more tries never worse', () => {
    for (let seed = 1; seed <= 15; seed++) {
      const instance = anyInstance(seed);
      let before: PlanScore | null = null;
      for (const tries of [4, 30, 200, 2500, 5000]) {
        const { best } = planned(instance, tries, { seed: 7 }).answer;
        if (before !== null) expect(compare(best.score, before), `${seed}, ${tries}`).to.be.at.most(0);
        before = best.score;
        if (tries === 200) expect(planned(instance, tries, { seed: 7 }).answer.best).to.deep.equal(best);
      }
    }
  });

  it('leave what is locked where it is', () => {
    for (let seed = 1; seed <= 100; seed++) {
      const instance = anyInstance(seed);
      const { ops } = planned(instance, 30, { seed }).answer.best;
      const locked = ops
        .filter((_, i) => i % 3 === seed % 3)
        .map(({ id, mode, start }) => ({ id, mode, start }));
      const { best } = planned({ ...instance, locked }, 60, { seed: seed + 1 }).answer;
      const left = best.leftOut.map(({ id }) => id);
      expect(left.filter((id) => locked.some((own) => own.id === id))).to.deep.equal([]);
      if (left.length === 0) expectValid({ ...instance, locked }, best.ops, best.score);
    }
  });

  it('are never later with another person or another press than the plan that stands', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const instance = anyInstance(seed);
      const { best } = planned(instance, 200, { seed }).answer;
      const people = instance.people.map(([from, to, count]): [number, number, number] => [
        from,
        to,
        count + 100,
      ]);
      const [press] = instance.machines;
      const richer: PlanInstance[] = [
        { ...instance, people },
        {
          ...instance,
          machines: [...instance.machines, { ...press, id: 'press-c' }],
          ops: instance.ops.map((own) => ({
            ...own,
            modes: own.modes.flatMap((mode) =>
              mode.machine === 'press-a' ? [mode, { ...mode, machine: 'press-c' }] : [mode],
            ),
          })),
        },
      ];
      // with another mode in between, the same way has another number
      const from = [
        best.ops,
        best.ops.map((own, i) => ({
          ...own,
          mode:
            own.mode +
            instance.ops[i].modes.slice(0, own.mode).filter(({ machine }) => machine === 'press-a').length,
        })),
      ];
      for (const [k, shop] of richer.entries()) {
        const better = planned(shop, 20, { seed, from: from[k] }).answer.best;
        expect(better.score.lateness, `${seed}`).to.be.at.most(best.score.lateness);
        expectValid(shop, better.ops, better.score);
      }
    }
  });
});

describe('plans of the reference cases', () => {
  for (const { instance, best } of SMALL)
    it(`are the best there is: ${instance.name}`, () => {
      const { ops, score } = planned(instance, 10_000).answer.best;
      expectValid(instance, ops, score);
      expect(score).to.deep.equal({ ...best, moved: 0 });
    });

  it('are close to the best known for two days', () => {
    const { instance, best, byDueDate } = TWO_DAYS;
    expect(planned(instance, 4).answer.best.score.lateness).to.be.at.most(byDueDate.lateness);
    const { ops, score } = planned(instance, 30_000).answer.best;
    expectValid(instance, ops, score);
    expect(score.lateness).to.be.at.most(1.25 * best.lateness + 15);
  });

  it('begin no worse than a list by due date for a week, and are soon much better', () => {
    const { instance, byDueDate } = WEEK;
    const first = planned(instance, 4).answer.best;
    expect(first.score.lateness).to.be.at.most(byDueDate.lateness);
    const { ops, score } = planned(instance, 1500).answer.best;
    expectValid(instance, ops, score);
    expect(score.lateness).to.be.at.most(byDueDate.lateness / 3);
  });

  it('go on from noon without moving what has begun, and prove that they cannot be less late', () => {
    const { instance, best } = PRINTER_DOWN;
    const { best: own, boundSaid } = planned(instance, 4000).answer;
    expectValid(instance, own.ops, own.score);
    expect(own.score.lateness).to.equal(best.lateness);
    expect(inWords(boundSaid)).to.equal('No plan can be less late: this is proven.');
  });
});

describe('the bound', () => {
  it('is exact for one machine and orders that count alike: the shortest first', () => {
    // 10, 20 and 30 min, all due at once: 10 + 30 + 60
    const orders = ['A', 'B', 'C'].map((id) => ({ id, name: id, due: 0, weight: 1, release: 0, tail: 0 }));
    const ops = [30, 10, 20].map((d, k) => ({
      ...op(`press ${k}`, [phase(d, 0)], { machine: 'press', state: 20 }),
      orders: [orders[k].id],
    }));
    const { bound, best } = planned({ ...TINY, orders, ops, lags: [] }, 500).answer;
    expect(bound).to.deep.equal({ lateness: 100, finish: 60 });
    expect(best.score.lateness).to.equal(100);
  });

  it('is exact for hands: two hundred minutes of one person in two shifts of sixty and forty-five', () => {
    const ops = [0, 1].map((k) => op(`fold ${k}`, [phase(50, 100, { brk: true })]));
    // 50 till 50, then 10 till 60, the pause, and 40 more till 115
    expect(planned({ ...TINY, ops, lags: [] }, 5).answer.bound.finish).to.equal(115);
  });
});

describe('what stands in the way of a plan', () => {
  const said = (instance: PlanInstance): { words: string[]; left: string[]; ops: number } => {
    const { faults, best } = planned(instance, 10).answer;
    return {
      words: faults.map((own) => inWords(own)),
      left: best.leftOut.map(({ id }) => id),
      ops: best.ops.length,
    };
  };
  const extra = op('fold', [phase(5, 100)]);
  const shop = { ...TINY, ops: [...TINY.ops, extra] };

  it('is told in a sentence, and the rest is planned', () => {
    expect(said({ ...shop, now: 50, horizon: 300, people: [[0, 300, 100]] })).to.deep.include({
      words: ['“bibs” was due before now: it is planned, and late whatever is done.'],
      ops: 4,
    });
    expect(said({ ...shop, people: [...TINY.people, [100, 90, 100]] })).to.deep.include({
      words: [
        'The shift on day 1 ends at 01:30, before it begins at 01:40: it is left out. A shift ends after it begins.',
      ],
      ops: 4,
    });
    const twoDays = { ...shop, horizon: 2880 };
    const machines = shop.machines.map((own) => ({
      ...own,
      windows: [...own.windows, [1440, 1900, 20] as const],
    }));
    expect(said({ ...twoDays, machines: [machines[0], shop.machines[1]] }).words).to.deep.equal([
      'press can be used on day 2, but nobody is there all the while: it does nothing that needs a hand.',
    ]);
    const { words, left, ops } = said({
      ...shop,
      machines: [{ ...TINY.machines[0], windows: [] }, TINY.machines[1]],
    });
    expect(words).to.deep.equal([
      'press has no time in which it can be used: one operation has no other way and cannot be planned.',
    ]);
    expect([left, ops]).to.deep.equal([['press'], 3]);
  });

  it('leaves out a circle of waits, and what waits for it', () => {
    const lags = [
      ...TINY.lags,
      { from: 'press', to: 'powder', min: 0, max: null },
      { from: 'press', to: 'fold', min: 0, max: null },
    ];
    const { words, left, ops } = said({ ...shop, lags });
    expect(words).to.have.length(1);
    expect(words[0]).to.match(/^(powder and press|press and powder) wait for one another in a circle/);
    expect([left.sort(), ops]).to.deep.equal([['fold', 'powder', 'press'], 1]);
  });

  it('leaves out what is longer than its machine is ever there, and orders that are more than fits', () => {
    const long = op('cure', [phase(130, 0)], { machine: 'press', state: 20 });
    expect(said({ ...TINY, horizon: 200, ops: [long], lags: [] }).words[0]).to.match(
      /^“cure” takes 2.h.10.min, and press can never be used longer than 2.h.* at once: make its batch smaller\.$/,
    );
    const many = Array.from({ length: 12 }, (_, k) => op(`fold ${k}`, [phase(10, 100)]));
    // 60 and 45 minutes hold six and four
    const { words, left, ops } = said({ ...TINY, ops: many, lags: [] });
    expect(words).to.deep.equal([
      '“bibs” is more than fits: 2 of its operations have no place before the end. Give it more days or more hands, or a part of it.',
    ]);
    expect([left.length, ops]).to.deep.equal([2, 10]);
    const later = said({ ...TINY, orders: [{ ...TINY.orders[0], release: 120 }] });
    expect(later.words).to.deep.equal([
      '“bibs” cannot begin before the end of the plan: what it needs is not here by then.',
    ]);
  });

  it('tells what is spoiled when what has begun was too long ago', () => {
    const fixed = [{ id: 'print', mode: 0, start: [4, 6], setup: 0 }];
    const { words, left } = said({ ...TINY, now: 30, fixed });
    expect(words).to.deep.equal([
      '“powder” cannot follow “print” in time: what was made then is spoiled and has to be made again.',
    ]);
    expect(left).to.deep.equal(['powder', 'press']);
  });

  it('refuses what is no instance', () => {
    expect(() =>
      checkInstance({ ...TINY, lags: [{ from: 'print', to: 'fold', min: 0, max: null }] }),
    ).to.throw(RangeError, 'There is no operation “fold”: name one that is listed.');
    expect(() => checkInstance({ ...TINY, horizon: 1.5 })).to.throw(RangeError, '/horizon');
  });
});

describe('a plan of little', () => {
  it('is made of nothing, of what has begun alone, and of work for no order', () => {
    expect(planned({ ...TINY, ops: [], lags: [] }, 60).answer.best.ops).to.deep.equal([]);
    const fixed = BY_HAND.map((own) => ({ ...own }));
    const begun = planned({ ...TINY, now: 30, fixed }, 60).answer.best;
    expect(begun.ops).to.deep.equal(BY_HAND);
    expect(begun.score.lateness).to.equal(0);
    const forNobody = { ...TINY, orders: [], ops: TINY.ops.map((own) => ({ ...own, orders: [] })) };
    const { ops, score } = planned(forNobody, 300).answer.best;
    expectValid(forNobody, ops, score);
    expect(score.finish).to.equal(25);
  });
});

describe('planning as a task', () => {
  it('has a plan as soon as it is begun, and tells better ones until it has tried enough', async () => {
    const { instance } = SMALL[2];
    const state = await planDay.start({ instance, seed: 3, tries: 600 });
    expect(planDay.answer(state)?.best.ops).to.have.length(instance.ops.length);
    const end = await runTask(planDay, { instance, seed: 3, tries: 600 });
    if (end.how === 'cancelled') throw new Error('it was not cancelled');
    expect(end.answer.best).to.deep.equal(planned(instance, 600, { seed: 3 }).answer.best);
  });
});
