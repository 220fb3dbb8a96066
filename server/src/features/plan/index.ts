export { CalendarService } from './calendarService.ts';
export { planEndpoints } from './planEndpoints.ts';
export { PlanService } from './planService.ts';
