export { fitInkLaydown, fitPowderLoading } from './laydownFit.ts';
export type { Weighing } from './laydownFit.ts';
export type { Belief } from './linearFit.ts';
export { ENOUGH_TIMES, dayPace, ownTime, workPace } from './ownTimes.ts';
export type { DayPace, OwnTime, Timed, WorkPace } from './ownTimes.ts';
export { expectedLoss, sparesFor } from './sparesFor.ts';
export type { Spoilage } from './sparesFor.ts';
