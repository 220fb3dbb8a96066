import { TaskClient } from '@saltflat/core/task';
import type { HeatTasks } from './heat.worker.ts';
import { workerPort } from './workerPort.ts';

/** Asks the thread the heat model runs in; made when first needed, and again when it has died. */
export const heatTasks = new TaskClient<HeatTasks>(() =>
  workerPort(new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' })),
);
