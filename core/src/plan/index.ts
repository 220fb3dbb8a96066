export { checkInstance, faultsOfInstance, LONGEST_MIN } from './checkInstance.ts';
export type { InstanceFault } from './checkInstance.ts';
export { asOf, comparePlans, machineDown, peopleAway, phaseLonger, powerOut } from './changes.ts';
export type { OrderMove } from './changes.ts';
export { checkPlan } from './checkPlan.ts';
export type { Breach, CheckedPlan } from './checkPlan.ts';
export type { WhyOut } from './decoder.ts';
export type {
  LockedOp,
  MachineSetup,
  MachineState,
  PlanInstance,
  PlanLag,
  PlanMachine,
  PlanMode,
  PlanOp,
  PlanOrder,
  PlanPhase,
  PlanPool,
  PlannedOp,
} from './instance.ts';
export { problemOf } from './problem.ts';
export { orderChances } from './orderChances.ts';
export type { OrderChance, Spread } from './orderChances.ts';
export type { PlanBound } from './planBound.ts';
export { planFaults } from './planFaults.ts';
export { Planning, planDay } from './planDay.ts';
export type { PlanAnswer, PlanInput } from './planDay.ts';
export type { Plan, PlanScore } from './readPlan.ts';
export { movePlanned } from './movePlanned.ts';
export type { MovedPlan } from './movePlanned.ts';
export { promiseDates } from './promise.ts';
export type { PromiseAnswer, PromiseInput, Promised } from './promise.ts';
export { repairPlan } from './repairPlan.ts';
export { onOneFilm } from './shop/onOneFilm.ts';
export { shopInstance } from './shop/shopInstance.ts';
export type { FormerOp, ShopInstance, ShopJob, ShopLine, ShopNow, ShopOp } from './shop/shopInstance.ts';
export { handsOn, planPicture, spanOf } from './shop/planPicture.ts';
export type { PicturedChange, PicturedOp, PicturedOrder, PlanPicture } from './shop/planPicture.ts';
export type { ShopMachine } from './shop/shopMachines.ts';
export { readHours, readSpans, writeHours, writeSpans } from './shop/hoursText.ts';
export { daysFrom, machineThere, peopleThere, workOf } from './shop/workCalendar.ts';
export type {
  CalendarPerson,
  DaySpan,
  MinuteOf,
  Stretch,
  WallSpan,
  WeekHours,
  WorkCalendar,
} from './shop/workCalendar.ts';
export { whyLater } from './whyLater.ts';
export { whatHelps } from './whatHelps.ts';
export type { Help, HelpAnswer, HelpInput, Tried } from './whatHelps.ts';
export { workOfRun } from './workOfRun.ts';
export type { BegunOp, MachineChoice, PlanWork, RunToPlan } from './workOfRun.ts';
export { deadlines, handsNeeded, nextNight, overnight, stationsNow, switchedOn } from './shop/roomNow.ts';
export type { Deadline, HandsNeeded, Overnight, StationNow, SwitchOn, WaitingOp } from './shop/roomNow.ts';
