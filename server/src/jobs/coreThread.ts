import { parentPort } from 'node:worker_threads';
import { serveTasks } from '@saltflat/core/task';
import type { ToHost } from '@saltflat/core/task';
import { CORE_TASKS } from './coreTasks.ts';

/** A thread of its own: hosts the core's heavy work for the one that answers. */
const port = parentPort;
if (port === null) throw new Error('this is started as a thread');
serveTasks(
  {
    send: (message) => port.postMessage(message),
    listen: (hear) => port.on('message', (message: ToHost) => hear(message)), // from our own program
  },
  CORE_TASKS,
  { now: () => performance.now(), pause: () => new Promise((resolve) => setImmediate(resolve)) },
);
