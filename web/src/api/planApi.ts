import type { CalendarChange, DayPlan, DayPlanInput, PlanGround, ShopCalendar } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const planApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    planGround: build.query<PlanGround, void>({
      query: () => '/plan/ground',
      providesTags: ['Plan', 'Order', 'Line', 'Route', 'Run', 'FilmLayout'],
    }),
    keepPlan: build.mutation<DayPlan, DayPlanInput>({
      query: (body) => ({ url: '/plan/kept', method: 'POST', body }),
      invalidatesTags: ['Plan'],
    }),
    shopCalendar: build.query<ShopCalendar, void>({ query: () => '/plan/calendar', providesTags: ['Plan'] }),
    changeCalendar: build.mutation<ShopCalendar, CalendarChange>({
      query: (body) => ({ url: '/plan/calendar', method: 'PUT', body }),
      invalidatesTags: ['Plan'],
    }),
  }),
});

export const { usePlanGroundQuery, useKeepPlanMutation, useShopCalendarQuery, useChangeCalendarMutation } =
  planApi;
