export { compareRoutes } from './compareRoutes.ts';
export type { RouteDifference } from './compareRoutes.ts';
export { PROCESSES, REASON_SOURCES, STACK_MATERIALS, STATIONS } from './documents.ts';
export type {
  Conflict,
  Consumption,
  Equipment,
  Limit,
  Operation,
  Override,
  PrintNeeds,
  Process,
  Reason,
  Route,
  RouteInput,
  Setting,
  Slip,
  Station,
} from './documents.ts';
export { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
export { traceHeat } from './heatTrace.ts';
export type { TraceSegment } from './heatTrace.ts';
export { DEFAULT_HOUSE, HOUSE_KEYS, HOUSE_METHODS, houseFor } from './house.ts';
export type { HouseKey, HouseMethods, School } from './house.ts';
export { MACHINE_KINDS, PRINTER_TASKS, kPaAtMark, markForKPa } from './machines.ts';
export type {
  CapPress,
  CoolingTable,
  Griddle,
  HandIron,
  MachineKind,
  Oven,
  Press,
  Printer,
  PrinterTask,
  Rack,
  Sprayer,
} from './machines.ts';
export { INK_USES, SHEET_KINDS } from './materials.ts';
export type {
  BoughtIn,
  CoverSheet,
  Film,
  InkSet,
  InkUse,
  Powder,
  Pretreatment,
  Range,
  SheetKind,
  Tape,
} from './materials.ts';
export {
  PLANNER_VERSION,
  PROCESS_NAMES,
  PROCESS_SHORT_NAMES,
  isFilmProcess,
  planRoute,
} from './planRoute.ts';
export type { RoutePlan } from './planRoute.ts';
export { refusalText } from './refusal.ts';
export type { Refusal } from './refusal.ts';
export { artJobFor, printNeedsOf } from './printNeeds.ts';
export { printsWhite } from './printsWhite.ts';
export { provenOverrides } from './provenOverrides.ts';
export { PROCESS_MODULES } from './processes/index.ts';
export type { LineInput, Look, ProcessModule } from './processes/index.ts';
export { promiseSlip } from './slips.ts';
export { STATION_NAMES } from './stationNames.ts';
export { TRADE } from './tradeRanges.ts';
export { goesWords, loadsOf, piecesInLoad } from './loads.ts';
export { planWork } from './workPlan.ts';
