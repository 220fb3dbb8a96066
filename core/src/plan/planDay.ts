import type { Step, Task } from '../task/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { checkInstance } from './checkInstance.ts';
import { earliestTimes } from './earliest.ts';
import type { PlanInstance, PlannedOp } from './instance.ts';
import { planBound } from './planBound.ts';
import { whyLeftOut } from './planFaults.ts';
import type { PlanBound } from './planBound.ts';
import { problemOf } from './problem.ts';
import type { Plan, PlanScore } from './readPlan.ts';
import { PlanSearch } from './search.ts';
import { soundInstance } from './soundInstance.ts';

export interface PlanInput {
  instance: PlanInstance;
  seed: number;
  /** Plans to try. */
  tries: number;
  /** What a minute by which planned work is moved costs, in minutes of the day's end ÷ 10. */
  movedCost?: number;
  /** A plan to begin with: where it holds, nothing worse is given. */
  from?: readonly PlannedOp[];
}

export interface PlanAnswer {
  best: Plan;
  /** The plan by earliest due date alone. */
  byDueDate: Plan;
  bound: PlanBound;
  /** What the bound means. */
  boundSaid: Said;
  /** What is wrong with the instance; the rest is planned. */
  faults: readonly Said[];
  tried: number;
}

/** Plans that are tried before the first is shown. */
const FIRST_PLANS = 4;
/** Plans tried in the first round. */
const FIRST_ROUND = 2000;
/** Plans tried in one go of a task. */
const TRIES_A_STEP = 4;
const USUAL_MOVED_COST = 1;

/** Planning that is under way: whoever holds it says how much of the time is over. */
export class Planning {
  readonly #search: PlanSearch;
  readonly #known: Pick<PlanAnswer, 'bound' | 'byDueDate' | 'faults'>;
  readonly #leftOut: Plan['leftOut'];
  readonly #instance: PlanInstance;
  #shown: PlanAnswer | null = null;
  #roundFrom = 0;
  #round = FIRST_ROUND;

  /** @throws RangeError where the instance is none, see `checkInstance` */
  constructor({ instance: asked, seed, movedCost = USUAL_MOVED_COST, from }: Omit<PlanInput, 'tries'>) {
    checkInstance(asked);
    const { instance, faults, leftOut } = soundInstance(asked);
    const problem = problemOf(instance);
    this.#instance = asked;
    this.#leftOut = leftOut;
    const earliest = earliestTimes(problem);
    this.#search = new PlanSearch(problem, earliest, { seed, movedCost, from });
    for (let k = 0; k < FIRST_PLANS; k++) this.#search.step(0);
    this.#known = { bound: planBound(problem, earliest), byDueDate: this.#search.byDueDate, faults };
  }

  get tried(): number {
    return this.#search.tried;
  }

  /** Tries one more plan. @param share of the time that is over, 0–1 */
  step(share: number): void {
    this.#search.step(share);
  }

  /**
   * Tries one more plan where nobody knows how much time there is: in rounds, each twice as long as the one before, so
   * that whoever waits longer never gets less, whatever was expected.
   */
  stepOn(): void {
    if (this.tried >= this.#roundFrom + this.#round) {
      this.#roundFrom += this.#round;
      this.#round *= 2;
    }
    this.#search.step((this.tried - this.#roundFrom) / this.#round);
  }

  /** The best plan of so many tries, fewer where nothing can be better. */
  within(tries: number): Plan {
    while (this.tried < tries && !this.isBest) this.step(this.tried / tries);
    return this.answer.best;
  }

  /** The best plan so far: the same object as long as none is better. */
  get answer(): PlanAnswer {
    const { best, tried } = this.#search;
    if (this.#shown !== null && this.#shown.best.ops === best.ops) return this.#shown;
    const leftOut = [...this.#leftOut, ...best.leftOut];
    this.#shown = {
      ...this.#known,
      best: { ...best, leftOut },
      boundSaid: boundSaid(this.#known.bound, best.score),
      faults: [...this.#known.faults, ...whyLeftOut(this.#instance, best.leftOut)],
      tried,
    };
    return this.#shown;
  }

  /** Whether nothing can be better any more: on time, and as early as can be. */
  get isBest(): boolean {
    const { lateness, finish, setup } = this.#search.best.score;
    return lateness <= this.#known.bound.lateness && finish <= this.#known.bound.finish && setup === 0;
  }
}

function boundSaid({ lateness }: PlanBound, score: PlanScore): Said {
  if (score.lateness <= lateness) return say('bound.met');
  return lateness === 0 ? say('bound.in-time') : say('bound.late', { minutes: lateness });
}

/**
 * Plans work, at once and then ever better; never worse than earliest due date, never worse than before. The same
 * instance, seed and number of tries give the same plan.
 */
export const planDay: Task<PlanInput, { planning: Planning; tries: number }, PlanAnswer> = {
  start: ({ tries, ...input }) => ({ planning: new Planning(input), tries }),
  improve: ({ planning, tries }): Step => {
    for (let k = 0; k < TRIES_A_STEP && planning.tried < tries; k++) planning.stepOn();
    const isDone = planning.tried >= tries || planning.isBest;
    return { share: isDone ? 1 : planning.tried / tries, isDone };
  },
  answer: ({ planning }) => planning.answer,
  isTelling: true,
};
