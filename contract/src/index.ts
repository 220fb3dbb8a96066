export { ArtworkJob, artJobOf } from './artworkJob.ts';
export { ArtworkReport } from './artworkReport.ts';
export { UPLOAD_LIMIT_BYTES, UPLOAD_LIMIT_PIXELS, Artwork, ArtworkUpload } from './artworks.ts';
export { Catalogue, MACHINE_DOCUMENTS, MATERIAL_DOCUMENTS } from './catalogue.ts';
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
export { equipmentOf, garmentOf } from './equipment.ts';
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
export { PLACEMENTS } from './placements.ts';
export type { PlacementKey } from './placements.ts';
export { DomainError, PROBLEMS } from './problems.ts';
export type { FieldProblem, Problem, ProblemCode } from './problems.ts';
export { Preparation, PreparationInput, ProofAnswer, ProofAnswerInput, RightsInput } from './preparations.ts';
export { RoutePlanInput, RouteVersion } from './routes.ts';
export type { SettingOverride } from './routes.ts';
export { LedgerPage, LedgerQuery, Run, RunEvents, RunQuery, RunStart } from './runs.ts';
export type { LedgerRow, RunEventInput } from './runs.ts';
export { parse } from './validate.ts';
export { LaydownFit, WeighingInput } from './weighings.ts';
