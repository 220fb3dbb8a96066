export { DEFAULT_HOUSE, PROCESSES, REASON_SOURCES, STATIONS } from './documents.ts';
export type {
  Consumption,
  CoverSheet,
  Equipment,
  Film,
  Garment,
  HouseMethods,
  InkSet,
  Limit,
  Operation,
  Oven,
  Override,
  Powder,
  Press,
  Pretreatment,
  PrintNeeds,
  Printer,
  Process,
  Reason,
  Route,
  RouteInput,
  Setting,
  Station,
} from './documents.ts';
export { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
export { traceHeat } from './heatTrace.ts';
export type { TraceSegment } from './heatTrace.ts';
export { PROCESS_NAMES, planRoute } from './planRoute.ts';
export { artJobFor, printNeedsOf } from './printNeeds.ts';
export { suggestProcess } from './suggestProcess.ts';
export type { ProcessSuggestion } from './suggestProcess.ts';
