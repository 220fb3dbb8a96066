import {
  CalendarChange,
  DayPlan,
  DayPlanInput,
  PlanGround,
  ShopCalendar,
  WantedAnswer,
  WantedQuery,
  WorkTimes,
} from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { CalendarService } from './calendarService.ts';
import type { PlanService } from './planService.ts';

/** A plan of a fortnight with some thousand operations. */
const PLAN_BYTES = 4 * 1024 * 1024;
const PLAN_VALUES = 250_000;

export const planEndpoints = (plans: PlanService, calendar: CalendarService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/plan/ground',
      summary:
        'All that a plan is made of: open lines with their routes, what is on the floor, working hours, and the plan that is followed',
      answer: PlanGround,
    },
    () => plans.ground(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/plan/wanted',
      summary: 'Lines that are not taken in yet, as they would be planned together with what is',
      body: WantedQuery,
      answer: WantedAnswer,
    },
    ({ body }) => plans.wanted(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/plan/kept',
      summary: 'Keep a plan for everybody to follow',
      body: DayPlanInput,
      bodyBytes: PLAN_BYTES,
      bodyValues: PLAN_VALUES,
      answer: DayPlan,
      status: 201,
    },
    ({ body }) => plans.keep(body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/plan/times',
      summary: 'How long work takes in this shop, by the times of its runs',
      answer: WorkTimes,
    },
    () => plans.times(),
  ),
  endpoint(
    { method: 'get', path: '/plan/calendar', summary: 'When the shop works', answer: ShopCalendar },
    () => calendar.read(),
  ),
  endpoint(
    {
      method: 'put',
      path: '/plan/calendar',
      summary: 'Say when the shop works',
      body: CalendarChange,
      answer: ShopCalendar,
    },
    ({ body }) => calendar.change(body),
  ),
];
