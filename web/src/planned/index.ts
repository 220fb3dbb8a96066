export { inHours, lateMin } from './minutes.ts';
export { draftOf, planRoom } from './planRoom.ts';
export type { PlanDraft, PlanRoom } from './planRoom.ts';
export { usePlanTime } from './planTimes.ts';
export type { PlanTime } from './planTimes.ts';
