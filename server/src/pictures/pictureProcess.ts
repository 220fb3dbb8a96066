import { serveTasks } from '@saltflat/core/task';
import type { FromHost, ToHost } from '@saltflat/core/task';
import sharp from 'sharp';
import { framePort } from './framePort.ts';
import { PICTURE_TASKS } from './pictureTasks.ts';

sharp.cache(false);
sharp.concurrency(1);

/** A process of its own: hosts the tasks of pictures for whoever is at the other end of its standard input. */
serveTasks(framePort<FromHost, ToHost>(process.stdin, process.stdout), PICTURE_TASKS, {
  now: () => performance.now(),
  pause: () => new Promise((resolve) => setImmediate(resolve)),
  everyMs: 100, // nobody else wants this thread: only to hear and to tell
});
