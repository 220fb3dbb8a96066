import type {
  CalendarChange,
  DayPlan,
  DayPlanInput,
  PlanComing,
  PlanGround,
  ShopCalendar,
  WantedAnswer,
  WantedQuery,
  WorkTimes,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const planApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    planGround: build.query<PlanGround, void>({
      query: () => '/plan/ground',
      providesTags: ['Plan', 'Order', 'Line', 'Route', 'Run', 'FilmLayout', 'Catalogue'],
    }),
    planComing: build.query<PlanComing, void>({ query: () => '/plan/coming', providesTags: ['Plan'] }),
    wanted: build.query<WantedAnswer, WantedQuery>({
      query: (body) => ({ url: '/plan/wanted', method: 'POST', body }),
      providesTags: ['Catalogue'],
      keepUnusedDataFor: 20,
    }),
    keepPlan: build.mutation<DayPlan, DayPlanInput>({
      query: (body) => ({ url: '/plan/kept', method: 'POST', body }),
      invalidatesTags: ['Plan'],
    }),
    workTimes: build.query<WorkTimes, void>({
      query: () => '/plan/times',
      providesTags: ['Run', 'Plan'],
    }),
    shopCalendar: build.query<ShopCalendar, void>({ query: () => '/plan/calendar', providesTags: ['Plan'] }),
    changeCalendar: build.mutation<ShopCalendar, CalendarChange>({
      query: (body) => ({ url: '/plan/calendar', method: 'PUT', body }),
      invalidatesTags: ['Plan'],
    }),
  }),
});

export const {
  usePlanComingQuery,
  usePlanGroundQuery,
  useWantedQuery,
  useKeepPlanMutation,
  useWorkTimesQuery,
  useShopCalendarQuery,
  useChangeCalendarMutation,
} = planApi;
