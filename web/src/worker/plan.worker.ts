import { orderChances, planDay, promiseDates, whatHelps } from '@saltflat/core/plan';
import type { PlanInstance, PlannedOp, PromiseInput } from '@saltflat/core/plan';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { serveHere } from './serveHere.ts';

/** A model of how work varies, as it goes from thread to thread. */
interface Varies {
  seed: number;
  samples: number;
  /** How much hands vary: from operation to operation, and from day to day, as shares of their time. */
  own: number;
  pace: number;
  /** Of operations that were timed. */
  owns: Readonly<Record<string, number>>;
}
const wishOf = ({ seed, samples, own, owns, pace }: Varies): PromiseInput['chances'] => ({
  seed,
  samples,
  spread: { of: (id) => owns[id] ?? own, pace },
});

interface ChancesQuestion extends Varies {
  instance: PlanInstance;
  plan: readonly PlannedOp[];
}
type PromiseQuestion = Omit<PromiseInput, 'chances'> & Varies;

const chances = ({ instance, plan, ...varies }: ChancesQuestion) =>
  orderChances(instance, plan, wishOf(varies));
const promise = {
  ...promiseDates,
  start: ({ instance, plan, wanted, ...varies }: PromiseQuestion) =>
    promiseDates.start({ instance, plan, wanted, chances: wishOf(varies) }),
};

const TASKS = { plan: planDay, chances: atOnce(chances), promise, helps: whatHelps } satisfies Tasks;
export type PlanTasks = typeof TASKS;

serveHere(TASKS);
