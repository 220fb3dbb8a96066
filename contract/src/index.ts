export { ArtworkJob, artJobOf } from './artworkJob.ts';
export { ArtworkReport } from './artworkReport.ts';
export { UPLOAD_LIMIT_BYTES, UPLOAD_LIMIT_PIXELS, Artwork, ArtworkUpload, Photo } from './artworks.ts';
export {
  BlankInput,
  Catalogue,
  MACHINE_DOCUMENTS,
  MATERIAL_DOCUMENTS,
  MATERIAL_KINDS,
  MachineInput,
  MaterialInput,
  TransferSheet,
} from './catalogue.ts';
export type {
  GarmentColour,
  GarmentStyle,
  Learnt,
  Machine,
  MachineKind,
  Material,
  MaterialKind,
} from './catalogue.ts';
export { BackupSettings, Backups, BackupsChange, DEFAULT_BACKUPS } from './backups.ts';
export { FilmWaiting, WaitingTransfers } from './film.ts';
export {
  FILM_SIDES,
  FilmLayout,
  FilmLayoutDocument,
  FilmLayoutHead,
  FilmLayoutInput,
  FilmLayoutPage,
  FilmLayoutQuery,
  FilmLayoutStart,
  LaySettings,
  MarkWishes,
  PRINT_DPI,
} from './filmLayouts.ts';
export { LAYOUT_FORMAT, readFilmLayout } from './formats/filmLayout.ts';
export { planDocument, readPlanInstance } from './planInstance.ts';
export { isMaskRow, readFilmInstance } from './filmInstance.ts';
export { readHeatCase } from './heatCase/index.ts';
export { dotted, readSprayJob, sprayBatch } from './sprayJob/index.ts';
export type { SprayJob, SprayWarning } from './sprayJob/index.ts';
export { Device, DeviceDrive } from './devices.ts';
export { FindQuery, Found } from './find.ts';
export type { LiveMessage } from './devices.ts';
export { equipmentOf, garmentOf, patchOf } from './equipment.ts';
export {
  CARE_KINDS,
  Care,
  MissingNozzles,
  PlatenHeight,
  PlatenHeightInput,
  PrintStart,
  PrintStartInput,
  Upkeep,
  UpkeepDone,
  UpkeepInput,
  UpkeepRow,
} from './care.ts';
export type { CareInputs, CareKind } from './care.ts';
export { ComparisonAnswer, ComparisonQuery, WrittenLine } from './comparisons.ts';
export {
  ArtworkChoice,
  ArtworkUse,
  Customer,
  CustomerQuery,
  LINE_STATES,
  LineOnOrder,
  ORDER_STATES,
  Order,
  OrderChange,
  OrderInput,
  OrderPage,
  OrderQuery,
  ProcessChoice,
  OpenLine,
  OpenLines,
  OpenLinesQuery,
  VersionOnly,
} from './orders.ts';
export { ArtOverruleInput } from './orders.ts';
export type {
  ArtOverrule,
  LinePrint,
  OrderLine,
  OrderLineInput,
  OrderSummary,
  PrintInput,
  SizeQuantity,
} from './orders.ts';
export { LineDocument } from './lineDocument.ts';
export { routeInputOf } from './routeInput.ts';
export { readArtworkJob } from './formats/jobFormat.ts';
export { readKeptLine, readLineDocument } from './formats/lineFormat.ts';
export { ROUTE_FORMAT, readStoredRoute } from './formats/storedRoute.ts';
export { PlanInput, ShopFacts, putTogether, readPlanInput, takeApart } from './planInput.ts';
export type { PrintArt } from './planInput.ts';
export {
  GivenQuote,
  LineQuote,
  OrderQuotes,
  QUOTE_STATES,
  QuoteAcceptance,
  QuoteDocument,
  QuoteGiving,
} from './quotes.ts';
export type { QuotedLine } from './quotes.ts';
export { JOB_KINDS, JOB_STATES, Job } from './jobs.ts';
export { Lot, LotInput } from './lots.ts';
export type { OverruleWords } from './orders.ts';
export { ShopWriting, WritingChange, WritingDocument } from './writing.ts';
export { Beginnings } from './beginnings.ts';
export { Health, Readiness } from './health.ts';
export { PLACEMENTS } from './placements.ts';
export type { PlacementKey } from './placements.ts';
export { DomainError, PROBLEMS, refused } from './problems.ts';
export type { FieldProblem, Problem, ProblemCode } from './problems.ts';
export {
  Judgement,
  JudgementQuery,
  NewPreparation,
  Preparation,
  PreparationInput,
  ProofAnswer,
  ProofAnswerInput,
  RightsInput,
} from './preparations.ts';
export { ProvenLine, RoutePlanInput, RouteVersion } from './routes.ts';
export type { SettingOverride, Signed, SourceChoice } from './routes.ts';
export {
  Floor,
  FloorKnown,
  Guest,
  LedgerDays,
  LedgerDaysQuery,
  LedgerPage,
  LedgerQuery,
  LedgerRow,
  Run,
  RunEvents,
  RunHead,
  RunLine,
  RunNews,
  RunNewsQuery,
  RunPage,
  RunQuery,
  RunReceipt,
  RunStart,
} from './runs.ts';
export type { FloorRun, RunEventInput, StoredEvent } from './runs.ts';
export { runPlanOf } from './runPlan.ts';
export {
  DayPlan,
  DayPlanInput,
  PlanComing,
  PlanGround,
  WantedAnswer,
  WantedQuery,
  plannedPart,
} from './dayPlans.ts';
export { WorkTimes } from './workTimes.ts';
export type { DayPlanDocument, PlanJob, PlanLine, PlannedOperation } from './dayPlans.ts';
export {
  CalendarChange,
  ShopCalendar,
  WorkCalendarDocument,
  parseCalendar,
  staleCalendar,
} from './workCalendar.ts';
export { assumedCalendar } from './calendarRules.ts';
export {
  columnName,
  fieldsOf,
  fromCell,
  toCell,
  valueAt,
  withValueAt,
  withoutEmptyObjects,
} from './recordFields.ts';
export type { RecordField } from './recordFields.ts';
export {
  BlankChange,
  ExportQuery,
  HouseChange,
  ImportQuery,
  ImportReport,
  MachineChange,
  MaterialChange,
  RatesChange,
  SHOP_LISTS,
  ShopChange,
  ShopChanged,
  parseBlank,
  parseMachine,
  parseMaterial,
} from './shop.ts';
export { Replanned } from './shop.ts';
export type { ImportLine, ShopList } from './shop.ts';
export { BLANK_FIELDS, machineFields, materialFields } from './shopFields.ts';
export { HouseDocument, RatesDocument } from './shopSettings.ts';
export type { HouseChoices } from './shopSettings.ts';
export { MOST_COUNTED, PrintId, strictObject } from './scalars.ts';
export { parse, refusedFields } from './validate.ts';
export { LaydownFit, WeighingInput } from './weighings.ts';
export { RIGHTS } from './rights.ts';
export { pressPlates } from './pressPlates.ts';
export type { PressPlate } from './pressPlates.ts';
export { BenchStackDocument } from './benchStack.ts';
export {
  Calibration,
  CalibrationInput,
  KnownPresses,
  PressChecks,
  PressureTest,
  PressureTestInput,
  Survey,
  SurveyInput,
} from './pressChecks.ts';
export { calibrationOf } from './calibrationOf.ts';
export type { CalibrationMeasured } from './calibrationOf.ts';
export type { PressCheckInputs, PressCheckKind } from './pressChecks.ts';
export { BenchNote, BenchNoteInput } from './benchNotes.ts';
export {
  BoughtPacketInput,
  LeftOverInput,
  ORIGINS,
  SHELF_MOVES,
  Shelf,
  ShelfLabelsQuery,
  ShelfLine,
  ShelfMoveInput,
  ShelfPacket,
  ShelfPacketInput,
  ShelfPacketWhole,
  ShelfPrintInput,
  ShelfQuery,
  ShelfUses,
  ShelfWish,
  ShelfWishes,
} from './shelf.ts';
export type { ShelfMove } from './shelf.ts';
export {
  FilmPrinter,
  JOB_PARTS,
  PRINTER_FAULTS,
  PlatenMove,
  PrinterDrive,
  PrinterJob,
  PrinterJobInput,
} from './printers.ts';
export {
  FloorWeighing,
  FloorWeighingInput,
  NozzleFit,
  SprayInput,
  SprayWeighing,
  SprayWeighingInput,
  SprayerDevice,
  SprayerDrive,
  WithdrawnInput,
} from './sprayers.ts';
