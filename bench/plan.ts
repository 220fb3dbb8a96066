import { Planning } from '@saltflat/core/plan';
import type { PlanInstance } from '@saltflat/core/plan';
import { anyInstance } from '../core/src/plan/fixtures/anyInstance.ts';
import { PRINTER_DOWN, SMALL, TWO_DAYS, WEEK } from '../core/src/plan/fixtures/reference.ts';
import type { ReferenceCase } from '../core/src/plan/fixtures/reference.ts';
import { ROUNDS, median, say, tenth, timeMs } from './race.ts';

/** Time given to each case, s, and lateness that is good enough after it, by the best known. */
const CASES: [ReferenceCase, seconds: number, most: (best: number) => number][] = [
  ...SMALL.map((own): [ReferenceCase, number, (best: number) => number] => [own, 1, (best) => best]),
  [TWO_DAYS, 10, (best) => 1.25 * best + 15],
  [PRINTER_DOWN, 5, (best) => 1.1 * best],
  [WEEK, 20, (best) => 1.5 * best],
];

for (const [{ instance, best, byDueDate }, seconds, most] of CASES) {
  const from = performance.now();
  const planning = new Planning({ instance, seed: 1 });
  const share = (): number => (performance.now() - from) / (1000 * seconds);
  for (let own = share(); own < 1; own = share()) planning.step(own);
  const { score } = planning.answer.best;
  say({
    name: `plan of ${instance.name}, ${seconds} s`,
    rival: 'a list by due date',
    ratio: Number((score.lateness / byDueDate.lateness).toPrecision(2)),
    lateness: score.lateness,
    budget: most(best.lateness),
    bestKnown: best.lateness,
    ownList: planning.answer.byDueDate.score.lateness,
    finish: score.finish,
    setup: score.setup,
    tried: planning.tried,
  });
}

/** A shop of some 700 operations: the week and a half of it again, a day later. */
const { instance: week } = WEEK;
const again = week.ops.slice(0, 273);
const isAgain = new Set(again.map(({ id }) => id));
const large: PlanInstance = {
  ...week,
  ops: [...week.ops, ...again.map((op) => ({ ...op, id: `${op.id}-again`, release: 1440 }))],
  lags: [
    ...week.lags,
    ...week.lags
      .filter(({ from, to }) => isAgain.has(from) && isAgain.has(to))
      .map((lag) => ({ ...lag, from: `${lag.from}-again`, to: `${lag.to}-again` })),
  ],
};
const FIRST: [string, PlanInstance, budgetMs: number][] = [
  ['some 12 operations', anyInstance(2), 20],
  ['106 operations, going on from noon', PRINTER_DOWN.instance, 100],
  [`${large.ops.length} operations`, large, 200],
];
for (const [name, instance, budgetMs] of FIRST)
  say({
    name: `first plan of ${name}`,
    medianMs: tenth(
      median(Array.from({ length: ROUNDS }, () => timeMs(() => new Planning({ instance, seed: 1 }).answer))),
    ),
    budgetMs,
  });
