import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { ArtworkWorker } from './artwork.worker.ts';

interface Thread {
  remote: Remote<ArtworkWorker>;
  /** Settles, by failing, when the thread dies. */
  death: Promise<never>;
}
let thread: Thread | null = null;

/** Told to whoever waits for an answer of a thread that died. */
export class WorkerDied extends Error {
  override readonly name = 'WorkerDied';
}

function start(): Thread {
  const worker = new Worker(new URL('./artwork.worker.ts', import.meta.url), { type: 'module' });
  const death = new Promise<never>((_, reject) => {
    worker.onerror = (event) => {
      event.preventDefault();
      worker.terminate();
      thread = null; // the next question starts a new one
      reject(
        new WorkerDied(
          'The measuring stopped unexpectedly, perhaps for want of memory. Nothing is lost: try again.',
        ),
      );
    };
  });
  death.catch(() => undefined); // nobody may be waiting
  return { remote: wrap<ArtworkWorker>(worker), death };
}

/**
 * Asks the one thread that holds an artwork's pixels; made when first needed, and again when it has died.
 *
 * @throws WorkerDied when the thread dies before it answers
 */
export async function askArtwork<T>(question: (worker: Remote<ArtworkWorker>) => Promise<T>): Promise<T> {
  thread ??= start();
  const { remote, death } = thread;
  return Promise.race([question(remote), death]);
}
