export { CalendarService, calendarReader } from './calendarService.ts';
export { FollowedPlan } from './followedPlan.ts';
export { planFileEndpoints } from './planFileEndpoints.ts';
export { PlanFiles } from './planFiles.ts';
export { planEndpoints } from './planEndpoints.ts';
export { PlanService } from './planService.ts';
