import type { FromHost, HostPort } from '@saltflat/core/task';

/** A thread of the page as a host of tasks. */
export function workerPort(worker: Worker): HostPort {
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
