import { serveTasks } from '@saltflat/core/task';
import type { Tasks, ToHost } from '@saltflat/core/task';

/** Serves tasks to the page this thread belongs to. */
export const serveHere = (tasks: Tasks): void =>
  serveTasks(
    {
      send: (message, moves = []) => postMessage(message, { transfer: moves as Transferable[] }), // what tasks say can be moved
      listen: (hear) => addEventListener('message', ({ data }: MessageEvent<ToHost>) => hear(data)),
    },
    tasks,
    { now: () => performance.now(), pause: () => new Promise((resolve) => setTimeout(resolve)) },
  );
