import { TaskClient } from '@saltflat/core/task';
import type { SprayTasks } from './spray.worker.ts';
import { workerPort } from './workerPort.ts';

export type { ShownDeposit } from './spray.worker.ts';

/** Asks the thread that sprays; made when first needed, and again when it has died. */
export const sprayTasks = new TaskClient<SprayTasks>(() =>
  workerPort(new Worker(new URL('./spray.worker.ts', import.meta.url), { type: 'module' })),
);
