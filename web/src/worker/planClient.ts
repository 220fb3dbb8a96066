import { TaskClient } from '@saltflat/core/task';
import type { PlanTasks } from './plan.worker.ts';
import { workerPort } from './workerPort.ts';

/** Plans are searched for in as many threads at once, each with a seed of its own. */
const RACERS = 2;

const open = (): TaskClient<PlanTasks> =>
  new TaskClient(() =>
    workerPort(new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })),
  );

/** The threads that plan days; each is made when first needed, and again when it has died. */
export const planRacers: readonly TaskClient<PlanTasks>[] = Array.from({ length: RACERS }, open);

/** What is asked of a plan beside the search: what is shown at once, and what takes its time. */
export const planAside: TaskClient<PlanTasks> = open();
export const planSlow: TaskClient<PlanTasks> = open();
