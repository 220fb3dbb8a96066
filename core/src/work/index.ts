export { ROOM_C, traceHeat } from './heatTrace.ts';
export type { TraceSegment } from './heatTrace.ts';
export { needsOf, operationsIn, partsIn } from './lanes.ts';
export type { Laned, Need } from './lanes.ts';
export { FLOWS, PARTS, ROLES, UNITS } from './operation.ts';
export type {
  Consumption,
  Flow,
  Heat,
  Lane,
  Mode,
  Operation,
  Part,
  Phase,
  PressState,
  Role,
  Unit,
  Wait,
  WeighIn,
} from './operation.ts';
export { plannedPhases, streamPhase } from './plannedPhases.ts';
export type { PlannedPhase } from './plannedPhases.ts';
export { seededRandom } from './random.ts';
export { MACHINE_KINDS, STATIONS, STATION_NAMES } from './references.ts';
export type { MachineKind, Ref, Station } from './references.ts';
export { REASON_SOURCES, SETTING_ROLES } from './settings.ts';
export type { Limit, Range, Reason, ReasonSource, Setting, SettingRole } from './settings.ts';
export { JOINTS, STACK_MATERIALS, stackFrom } from './stack.ts';
export type { Joint, Stack, StackLayer, StackMaterial } from './stack.ts';
export { median } from './median.ts';
export {
  aloneIn,
  aloneS,
  countdownS,
  goesWords,
  handsS,
  inOwnTime,
  phaseS,
  plannedMode,
  settingFor,
  timedPhases,
  unitsOf,
  workKind,
  workedS,
} from './times.ts';
export type { TimeFactors } from './times.ts';
