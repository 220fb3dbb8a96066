export { ArtworkJob, artJobOf } from './artworkJob.ts';
export { ArtworkReport } from './artworkReport.ts';
export { UPLOAD_LIMIT_BYTES, UPLOAD_LIMIT_PIXELS, Artwork, ArtworkUpload } from './artworks.ts';
export {
  BlankInput,
  Catalogue,
  MACHINE_DOCUMENTS,
  MATERIAL_DOCUMENTS,
  MATERIAL_KINDS,
  MachineInput,
  MaterialInput,
} from './catalogue.ts';
export type {
  GarmentColour,
  GarmentStyle,
  Machine,
  MachineKind,
  Material,
  MaterialKind,
} from './catalogue.ts';
export { Device, DeviceDrive } from './devices.ts';
export type { LiveMessage } from './devices.ts';
export { equipmentOf, garmentOf, patchOf } from './equipment.ts';
export { ComparisonQuery } from './comparisons.ts';
export type { ComparisonAnswer } from './comparisons.ts';
export {
  ArtworkChoice,
  ArtworkUse,
  Order,
  OrderChange,
  OrderInput,
  OrderPage,
  OrderQuery,
  VersionOnly,
} from './orders.ts';
export type { OrderLine, OrderLineInput, OrderSummary } from './orders.ts';
export { LineDocument } from './lineDocument.ts';
export { ratesOf, routeInputOf } from './routeInput.ts';
export { readCost, readRoute } from './olderRoutes.ts';
export { PLACEMENTS } from './placements.ts';
export type { PlacementKey } from './placements.ts';
export { DomainError, PROBLEMS } from './problems.ts';
export type { FieldProblem, Problem, ProblemCode } from './problems.ts';
export { Preparation, PreparationInput, ProofAnswer, ProofAnswerInput, RightsInput } from './preparations.ts';
export { ProvenLine, RoutePlanInput, RouteVersion } from './routes.ts';
export type { SettingOverride } from './routes.ts';
export { LedgerPage, LedgerQuery, Run, RunEvents, RunQuery, RunStart } from './runs.ts';
export type { LedgerRow, RunEventInput } from './runs.ts';
export { columnName, fieldsOf, fromCell, toCell, valueAt, withValueAt } from './recordFields.ts';
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
  ShopChanged,
  parseBlank,
  parseMachine,
  parseMaterial,
} from './shop.ts';
export type { ImportLine, ReplanReport, Replanned, ShopList } from './shop.ts';
export { BLANK_FIELDS, machineFields, materialFields } from './shopFields.ts';
export { HouseDocument, RatesDocument } from './shopSettings.ts';
export type { HouseChoices } from './shopSettings.ts';
export { strictObject } from './scalars.ts';
export { parse } from './validate.ts';
export { LaydownFit, WeighingInput } from './weighings.ts';
