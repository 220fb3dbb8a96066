export { FilmView } from './FilmView.tsx';
export { groupsOf, runOf } from './filmJob.ts';
export type { FilmGroup } from './filmJob.ts';
