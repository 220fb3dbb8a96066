export { compareRoutes } from './compareRoutes.ts';
export type { RouteDifference, Shown } from './compareRoutes.ts';
export { PROCESSES } from './documents.ts';
export type {
  Conflict,
  Equipment,
  HeatedAgain,
  LinePrint,
  Override,
  PrintInput,
  PrintNeeds,
  Process,
  Route,
  RouteInput,
  RoutePrint,
  RouteSource,
  Slip,
  WarmUp,
} from './documents.ts';
export { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
export { heatedAgainSaid } from './heatedAgainSaid.ts';
export { sheetWords } from './keptSheet.ts';
export { DEFAULT_HOUSE, HOUSE_KEYS, HOUSE_METHODS, houseFor } from './house.ts';
export type { HouseKey, HouseMethods } from './house.ts';
export { PRINTER_TASKS, kPaAtMark, markForKPa } from './machines.ts';
export type {
  Belt,
  CapPress,
  CoolingTable,
  Griddle,
  HandIron,
  Oven,
  Press,
  Printer,
  PrinterTask,
  Rack,
  Sprayer,
  SprayerDial,
  NozzleFit,
} from './machines.ts';
export { INK_USES, SHEET_KINDS } from './materials.ts';
export type {
  BoughtIn,
  CoverSheet,
  Film,
  HoldingLiquid,
  InkSet,
  InkUse,
  Powder,
  Pretreatment,
  SheetKind,
  ShelfTransfer,
  Tape,
  TransferInstructions,
} from './materials.ts';
export { ON_FILM, transfersOf } from './transfersOf.ts';
export type { LineTransfers } from './transfersOf.ts';
export { MOST_PRINTS, PLANNER_VERSION, planRoute } from './planRoute.ts';
export type { RouteAdvice, RoutePlan } from './planRoute.ts';
export { PROCESS_NAMES, PROCESS_SHORT_NAMES, isFilmProcess, shortNames } from './processNames.ts';
export { refusalText } from './refusal.ts';
export type { Refusal } from './refusal.ts';
export { artJobFor, printNeedsOf, withTriedWhite } from './printNeeds.ts';
export { printsWhite } from './printsWhite.ts';
export { processKey, processesIn } from './processKey.ts';
export { provenOverrides } from './provenOverrides.ts';
export { PROCESS_MODULES } from './processes/index.ts';
export type { LineInput, Look, ProcessModule } from './processes/index.ts';
export { promiseSlip } from './slips.ts';
export { leadDaysOf } from './leadDays.ts';
export { lostSources } from './routeSources.ts';
export { PRINTS_WITH, SOURCE_ROLES } from './sources/index.ts';
export type { SourceChoice, SourceRole } from './sources/index.ts';
export { TRADE } from './tradeRanges.ts';
export { warmUpSaid } from './warmUps.ts';
export { meltsFully } from './practices/filmMelt.ts';
export { asLaid } from './asLaid.ts';
export type { LaidFilm } from './asLaid.ts';
export { judgePowder } from './judgePowder.ts';
export type { PowderUse } from './judgePowder.ts';
export { shelfMakes, shelfTakes } from './shelfFlow.ts';
export type { ShelfTake } from './shelfFlow.ts';
export { isShelfSize } from './sources/index.ts';
export { shelfInstructions } from './shelfInstructions.ts';
export { isFullFuse } from './meltSettings.ts';
export { powderClosesS, powderOpensS } from './wetClock.ts';
export { withMoreSpares } from './withMoreSpares.ts';
export type { MoreSpares } from './withMoreSpares.ts';
export type { LoadedSize, LoadingCard } from './loading.ts';
