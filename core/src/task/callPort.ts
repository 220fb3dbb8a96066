import type { FromHost, HostPort, ToHost } from './protocol.ts';
import { serveTasks } from './serveTasks.ts';
import type { Pacing } from './serveTasks.ts';
import type { Tasks } from './task.ts';

/** A host in the very thread that asks: for a command line, and for tests. */
export function callPort(tasks: Tasks, pacing: Pacing): HostPort {
  let toHost: (message: ToHost) => void = () => undefined;
  let fromHost: (message: FromHost) => void = () => undefined;
  serveTasks({ send: (message) => fromHost(message), listen: (hear) => (toHost = hear) }, tasks, pacing);
  return {
    send: (message) => toHost(message),
    listen: (hear) => (fromHost = hear),
    onDeath: () => undefined, // it dies with whoever asks
    end: () => (fromHost = () => undefined),
  };
}
