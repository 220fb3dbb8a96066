import { expect } from 'chai';
import { seededRandom } from '../work/index.ts';
import { inWords } from '../words/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { judge } from './fixtures/judge.ts';
import { BY_HAND, TINY, op, phase } from './fixtures/tinyShop.ts';
import { Planning, movePlanned } from './index.ts';
import type { MovedPlan, PlanInstance, PlannedOp } from './index.ts';

const said = (moved: MovedPlan): string => (moved.ok ? 'it holds' : inWords(moved.said));
const startOf = (plan: readonly PlannedOp[], id: string): number =>
  plan.find((own) => own.id === id)!.start[0];

describe('an operation that is put elsewhere', () => {
  it('is locked there, and what is in its way goes after it', () => {
    const moved = movePlanned(TINY, BY_HAND, { id: 'print', mode: 0, start: 20 });
    if (!moved.ok) throw new Error(said(moved));
    // printed from 20 to 32, so powder at 32 and the press at 35
    expect(moved.plan.map(({ id, start }) => [id, start[0]])).to.deep.equal([
      ['print', 20],
      ['powder', 32],
      ['press', 35],
    ]);
    expect(moved.locked).to.deep.equal([{ id: 'print', mode: 0, start: [20, 22] }]);
  });

  it('is refused with the rule: before what it waits for, too long after, in a break, while it runs already', () => {
    const move = (id: string, start: number, own: Partial<PlanInstance> = {}): string =>
      said(movePlanned({ ...TINY, ...own }, BY_HAND, { id, mode: 0, start }));
    expect(move('powder', 10)).to.equal('“powder” comes after “print”, which would not be over.');
    expect(move('powder', 30)).to.match(
      /“powder” would come 14.min after “print”: it may stand 5.min at most\./,
    );
    expect(move('press', 62)).to.equal('“press” would begin while nobody is there.');
    expect(move('print', 59)).to.match(/“print”.*1 .*(person|people)|nobody/);
    expect(move('print', -3)).to.match(/would begin 3.min before it can/);
    const fixed = [{ id: 'print', mode: 0, start: [4, 6], setup: 0 }];
    expect(move('print', 20, { now: 8, fixed })).to.equal(
      '“print” has begun, or is locked: it stays where it is.',
    );
  });

  it('gives a plan without a breach and with its lock kept, whatever is wished of whichever plan, or says why not', () => {
    const random = seededRandom(5);
    let [taken, refused] = [0, 0];
    for (let seed = 1; seed <= 120; seed++) {
      const instance = anyInstance(seed);
      const { ops } = new Planning({ instance, seed }).answer.best;
      const free = ops.filter(({ id }) => !instance.fixed.some((own) => own.id === id));
      const own = free[Math.floor(random() * free.length)];
      if (own === undefined) continue;
      const wish = { ...own, start: own.start[0] + Math.floor(random() * 60) - 20 };
      const moved = movePlanned(instance, ops, wish);
      if (!moved.ok) {
        refused++;
        expect(inWords(moved.said)).to.have.length.above(10);
        continue;
      }
      taken++;
      expect(judge({ ...instance, locked: moved.locked }, moved.plan).broken, `${seed}`).to.deep.equal([]);
      expect(startOf(moved.plan, own.id)).to.equal(wish.start);
    }
    expect(taken).to.be.above(30);
    expect(refused).to.be.above(10);
  });

  it('holds where something else had no place before, or the floor has more in hand than there are hands', () => {
    const two = op('two', [phase(8, 200)]);
    const running = ['a', 'b'].map((id) => op(id, [phase(6, 100)]));
    const fixed = running.map(({ id }) => ({ id, mode: 0, start: [0], setup: null }));
    const busy = { ...TINY, now: 1, ops: [...TINY.ops, two, ...running], fixed };
    const plan = [
      ...BY_HAND.map((own) => ({
        ...own,
        start: own.start.map((at) => at + 10),
        setup: own.setup === null ? null : 10,
      })),
      ...fixed,
    ];
    // one person is there: a piece that takes two has no place, and two pieces of one each are in hand at once
    const moved = movePlanned(busy, plan, { id: 'press', mode: 0, start: 40 });
    if (!moved.ok) throw new Error(said(moved));
    expect(startOf(moved.plan, 'press')).to.equal(40);
    expect(moved.plan.some(({ id }) => id === 'two')).to.equal(false);
    expect(said(movePlanned(busy, plan, { id: 'powder', mode: 0, start: 20 }))).to.match(
      /^“powder” comes after “print”/,
    );
  });

  it('goes to another machine that can do it', () => {
    const [print, powder, press] = TINY.ops;
    const second = { ...TINY.machines[0], id: 'other press' };
    const instance = {
      ...TINY,
      machines: [...TINY.machines, second],
      ops: [
        print,
        powder,
        { ...press, modes: [...press.modes, { ...press.modes[0], machine: 'other press' }] },
      ],
    };
    const moved = movePlanned(instance, BY_HAND, { id: 'press', mode: 1, start: 25 });
    if (!moved.ok) throw new Error(said(moved));
    expect(moved.plan.find(({ id }) => id === 'press')).to.deep.equal({
      id: 'press',
      mode: 1,
      start: [25],
      setup: null,
    });
  });

  it('waits for the end of a break with what may wait on its machine, and is refused where it may not', () => {
    const patient = op('oven', [phase(10, 0, { wait: 20 }), phase(2, 100)]);
    const hasty = op('oven', [phase(10, 0, { wait: 5 }), phase(2, 100)]);
    const move = (own: typeof patient): MovedPlan =>
      movePlanned({ ...TINY, ops: [own], lags: [] }, [{ id: 'oven', mode: 0, start: [0, 10], setup: null }], {
        id: 'oven',
        mode: 0,
        start: 55,
      });
    const moved = move(patient);
    // in the oven till 65, in the pause; somebody takes it out at 75
    expect(moved.ok && moved.plan[0].start).to.deep.equal([55, 75]);
    expect(move(hasty).ok).to.equal(false);
  });
});
