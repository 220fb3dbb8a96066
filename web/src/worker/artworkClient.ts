import { TaskClient } from '@saltflat/core/task';
import type { FromHost, HostPort } from '@saltflat/core/task';
import type { ArtworkTasks } from './artwork.worker.ts';

/** The thread that holds an artwork's pixels, as a host of tasks. */
function openWorker(): HostPort {
  const worker = new Worker(new URL('./artwork.worker.ts', import.meta.url), { type: 'module' });
  return {
    send: (message, moves = []) => worker.postMessage(message, moves as Transferable[]), // questions move nothing yet
    listen: (hear) => worker.addEventListener('message', ({ data }: MessageEvent<FromHost>) => hear(data)),
    onDeath: (die) =>
      worker.addEventListener('error', (event) => {
        event.preventDefault();
        worker.terminate();
        die(event.message);
      }),
    end: () => worker.terminate(),
  };
}

/** Asks the one thread for artwork; made when first needed, and again when it has died. */
export const artworkTasks = new TaskClient<ArtworkTasks>(openWorker, {
  diedWords: () =>
    'The measuring stopped unexpectedly, perhaps for want of memory. Nothing is lost: try again.',
});
