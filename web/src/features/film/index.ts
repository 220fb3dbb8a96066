export { FilmView } from './FilmView.tsx';
export { KeptLayoutView } from './KeptLayoutView.tsx';
export { groupsOf } from './filmJob.ts';
export type { FilmGroup } from './filmJob.ts';
