export { inHours, lateMin } from './minutes.ts';
export { draftOf, planRoom } from './planRoom.ts';
export type { PlanDraft, PlanRoom } from './planRoom.ts';
export { otherShops } from './otherShops.ts';
export { wantedRoom } from './wantedRoom.ts';
export type { WantedRoom } from './wantedRoom.ts';
export { ASSUMED_SPREAD } from './spread.ts';
export { usePlanTime } from './planTimes.ts';
export type { PlanTime } from './planTimes.ts';
