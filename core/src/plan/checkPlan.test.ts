import { expect } from 'chai';
import { seededRandom } from '../work/index.ts';
import { anyInstance } from './fixtures/anyInstance.ts';
import { judge } from './fixtures/judge.ts';
import { BY_HAND, TINY, op, phase } from './fixtures/tinyShop.ts';
import type { PlanInstance, PlannedOp } from './instance.ts';
import { Planning, checkPlan, problemOf } from './index.ts';

const moved = (id: string, change: Partial<PlannedOp>): PlannedOp[] =>
  BY_HAND.map((own) => (own.id === id ? { ...own, ...change } : own));
const check = (instance: PlanInstance, plan: readonly PlannedOp[]): ReturnType<typeof checkPlan> =>
  checkPlan(problemOf(instance), plan);
const second = op('second', [phase(4, 0)], { machine: 'press', state: 120 });

/** What is done to the plan made by hand, or to its shop, and which rule that breaks. */
const BROKEN: [string, PlanInstance, readonly PlannedOp[], judged: string, told: string][] = [
  ['an operation left out', TINY, BY_HAND.slice(1), 'once', 'breach.missing'],
  ['powder on dry ink', TINY, moved('powder', { start: [22] }), 'lag', 'breach.too-late'],
  ['powder before the print is out', TINY, moved('powder', { start: [15] }), 'lag', 'breach.too-soon'],
  ['a print that stands in the printer', TINY, moved('print', { start: [4, 7] }), 'wait', 'breach.phases'],
  ['a press loaded in the pause', TINY, moved('press', { start: [65] }), 'open', 'breach.closed'],
  ['a printer nobody made ready', TINY, moved('print', { setup: null }), 'change', 'breach.change'],
  ['a printer made ready too late', TINY, moved('print', { setup: 1 }), 'change', 'breach.change'],
  ['a press that runs past the end', TINY, moved('press', { start: [117] }), 'horizon', 'breach.end'],
  [
    'a press that is still cold',
    { ...TINY, lags: [] },
    moved('press', { start: [9] }),
    'change',
    'breach.change',
  ],
  [
    'one person at two things',
    { ...TINY, lags: TINY.lags.slice(0, 1) },
    moved('press', { start: [17] }),
    'people',
    'breach.people',
  ],
  ['a rack for one', { ...TINY, pools: [{ id: 'rack', cap: 1 }] }, BY_HAND, 'pool', 'breach.pool'],
  [
    'a start before the garments are there',
    { ...TINY, orders: [{ ...TINY.orders[0], release: 5 }] },
    BY_HAND,
    'release',
    'breach.release',
  ],
  [
    'two at one press',
    { ...TINY, ops: [...TINY.ops, second] },
    [...BY_HAND, { id: 'second', mode: 0, start: [20], setup: null }],
    'machine',
    'breach.machine',
  ],
  [
    'a press that is not there so long',
    { ...TINY, machines: [{ ...TINY.machines[0], windows: [[0, 24, 20]] }, TINY.machines[1]] },
    BY_HAND,
    'window',
    'breach.window',
  ],
  [
    'a lock that is not kept',
    { ...TINY, locked: [{ id: 'press', mode: 0, start: [20] }] },
    BY_HAND,
    'locked',
    'breach.given',
  ],
  [
    'what has begun, moved',
    { ...TINY, now: 3, fixed: [{ id: 'print', mode: 0, start: [5, 7], setup: 0 }] },
    BY_HAND,
    'fixed',
    'breach.given',
  ],
];

describe('the check of a plan', () => {
  it('finds nothing in one made by hand, and counts it as by hand', () => {
    // through at 25, 5 of rest, due at 40; ink 4 + 5, press 100 K at 10 a minute + 5
    const score = { lateness: 0, finish: 25, setup: 24, moved: 0 };
    expect(judge(TINY, BY_HAND)).to.deep.equal({ broken: [], ...score });
    expect(check(TINY, BY_HAND)).to.deep.equal({
      breaches: [],
      score,
      changes: [
        { op: 'press', from: 20, to: 120, minutes: 10, people: 0 },
        { op: 'print', from: 'cold', to: 'ink', minutes: 4, people: 100 },
      ],
    });
  });

  it('goes on after the pause with what pauses, and counts that as late', () => {
    // 57 to 60, 75 to 78; 78 + 5 − 40 = 43 late, twice
    const paused = moved('press', { start: [57] });
    const score = { lateness: 86, finish: 78, setup: 24, moved: 0 };
    expect(judge(TINY, paused)).to.deep.equal({ broken: [], ...score });
    expect(check(TINY, paused)).to.deep.include({ breaches: [], score });
  });

  it('counts what was moved, an hour at most', () => {
    const planned = [
      { id: 'powder', start: 20 },
      { id: 'press', start: 119 },
    ];
    expect(check({ ...TINY, planned }, BY_HAND).score.moved).to.equal(4 + 60);
    expect(judge({ ...TINY, planned }, BY_HAND).moved).to.equal(4 + 60);
  });

  for (const [what, instance, plan, judged, told] of BROKEN)
    it(`finds ${what}`, () => {
      expect(judge(instance, plan).broken.map((rule) => rule.split(':')[0])).to.include(judged);
      expect(check(instance, plan).breaches.map(({ said }) => said.code as string)).to.include(told);
    });

  it('agrees with the judge on any plan that was tampered with', () => {
    const random = seededRandom(5);
    let broken = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const instance = anyInstance(seed);
      const ops = new Planning({ instance, seed }).answer.best.ops.map((own) => ({ ...own }));
      for (let k = 0; k < 2; k++) {
        const own = ops[Math.floor(random() * ops.length)];
        const by = Math.round(40 * (random() - 0.5));
        own.start = own.start.map((at) => at + by);
        if (own.setup !== null) own.setup += by;
        const [judged, checked] = [judge(instance, ops), check(instance, ops)];
        const { broken: rules, ...score } = judged;
        expect(checked.breaches.length > 0, `${seed}: ${rules.join()}`).to.equal(rules.length > 0);
        if (rules.length === 0) expect(checked.score).to.deep.equal(score);
        else broken++;
      }
    }
    expect(broken).to.be.within(100, 590); // both kinds were there
  });
});
