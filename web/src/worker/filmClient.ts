import { TaskClient } from '@saltflat/core/task';
import type { FilmTasks } from './film.worker.ts';
import { workerPort } from './workerPort.ts';

/** Layouts are searched for in as many threads at once, each with a seed of its own. */
const RACERS = 2;

const open = (): TaskClient<FilmTasks> =>
  new TaskClient(() =>
    workerPort(new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' })),
  );

/** The threads that lay film out; each is made when first needed, and again when it has died. */
export const filmRacers: readonly TaskClient<FilmTasks>[] = Array.from({ length: RACERS }, open);
