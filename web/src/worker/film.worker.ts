import { layOutFilm } from '@saltflat/core/film';
import type { Tasks } from '@saltflat/core/task';
import { serveHere } from './serveHere.ts';

const TASKS = { layout: layOutFilm } satisfies Tasks;
export type FilmTasks = typeof TASKS;

serveHere(TASKS);
