import { TaskClient } from '@saltflat/core/task';
import type { ArtworkTasks } from './artwork.worker.ts';
import { workerPort } from './workerPort.ts';

/** Asks the one thread that holds an artwork's pixels; made when first needed, and again when it has died. */
export const artworkTasks = new TaskClient<ArtworkTasks>(
  () => workerPort(new Worker(new URL('./artwork.worker.ts', import.meta.url), { type: 'module' })),
  {
    diedWords: () =>
      'The measuring stopped unexpectedly, perhaps for want of memory. Nothing is lost: try again.',
  },
);
