import { orderChances, planDay } from '@saltflat/core/plan';
import type { PlanInstance, PlannedOp } from '@saltflat/core/plan';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { serveHere } from './serveHere.ts';

interface ChancesQuestion {
  instance: PlanInstance;
  plan: readonly PlannedOp[];
  seed: number;
  samples: number;
  /** How much hands vary: from operation to operation, and from day to day, as shares of their time. */
  own: number;
  pace: number;
}

const chances = ({ instance, plan, seed, samples, own, pace }: ChancesQuestion) =>
  orderChances(instance, plan, { seed, samples, spread: { of: () => own, pace } });

const TASKS = { plan: planDay, chances: atOnce(chances) } satisfies Tasks;
export type PlanTasks = typeof TASKS;

serveHere(TASKS);
