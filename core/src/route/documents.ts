import type { PlacementPlan, LinePlacement } from '../placement/index.ts';
import type { QuantityKind } from '../units/index.ts';
import type { Garment } from '../blank/index.ts';
import type { HouseMethods } from './house.ts';
import type {
  CapPress,
  CoolingTable,
  Griddle,
  HandIron,
  MachineKind,
  Oven,
  Press,
  Printer,
  Rack,
  Sprayer,
} from './machines.ts';
import type {
  BoughtIn,
  CoverSheet,
  Film,
  InkSet,
  InkUse,
  Powder,
  Pretreatment,
  Range,
  Tape,
} from './materials.ts';

/** Every way a print gets onto a blank here; each is one file under `processes/`. */
export const PROCESSES = ['dtg', 'dtf', 'dtf-platen', 'sub-film', 'bought-in', 'patch-cap'] as const;
export type Process = (typeof PROCESSES)[number];

/**
 * What the shop works with; a route names the ones it used. Lists are in the shop's order of preference.
 * What is not set up is `null` or absent: a process that needs it says so.
 */
export interface Equipment {
  films: readonly Film[];
  powder: Powder | null;
  inkSets: Partial<Record<InkUse, InkSet>>;
  pretreatments: Partial<Record<'cotton' | 'polyester', Pretreatment>>;
  coverSheets: readonly CoverSheet[];
  tape: Tape | null;
  boughtIn: BoughtIn | null;
  /** The patch a cap is given, with its price. */
  patch: { blank: Garment; cents: number } | null;
  printers: readonly Printer[];
  sprayers: readonly Sprayer[];
  presses: readonly Press[];
  capPress: CapPress | null;
  handIron: HandIron | null;
  oven: Oven | null;
  griddle: Griddle | null;
  rack: Rack | null;
  coolingTable: CoolingTable | null;
}

/** The art as the route sees it: one print's sizes and uses. */
export interface PrintNeeds {
  /** The whole file at the line's printed width, mm; empty margins included. */
  lineWidthMm: number;
  widthMm: number;
  heightMm: number;
  /** Ink on the piece, mm². */
  inkMm2: number;
  /** White relative to the inked area, 0–1. */
  whiteShare: number;
  colourMl: number;
  whiteMl: number;
  powderG: number;
  filmM2: number;
  /** Area to be sprayed, m²; 0 when nothing is. */
  pretreatmentM2: number;
}

/** A person's own value for one setting. */
export interface Override {
  operation: string;
  setting: string;
  /** In the setting's stored unit. */
  value: number;
  who: string;
  why: string;
}

export interface RouteInput {
  process: Process;
  garment: Garment;
  print: PrintNeeds;
  pieces: number;
  placement: LinePlacement;
  equipment: Equipment;
  house: HouseMethods;
  overrides: readonly Override[];
}

/** Where a reason comes from, strongest first: a person's override beats all, a trade range is where one starts. */
export const REASON_SOURCES = ['override', 'proven', 'maker', 'house', 'model', 'trade'] as const;
export type ReasonSource = (typeof REASON_SOURCES)[number];

export interface Reason {
  source: ReasonSource;
  text: string;
  /** What this reason alone would set, in the setting's stored unit; `null` when it only explains. */
  value: number | null;
}

export interface Limit {
  min: number | null;
  max: number | null;
  /** Whose limit it is, and why it is one. */
  text: string;
}

export interface Setting {
  key: string;
  label: string;
  kind: QuantityKind;
  /** In the kind's stored unit. */
  value: number;
  /** Strongest first; the first with a value is the one in force. */
  reasons: Reason[];
  limits: Limit[];
  /** What the machine can be set to at all; beyond it no override is taken. */
  ability: Range;
  /** Sentences for each limit that the value breaks; empty when all is well. */
  conflicts: string[];
}

export const STATIONS = [
  'preparation',
  'film-printer',
  'direct-printer',
  'powder',
  'oven',
  'cutting',
  'sprayer',
  'rack',
  'press',
  'cap-press',
  'cooling',
  'storage',
  'inspection',
] as const;
export type Station = (typeof STATIONS)[number];

/** A stretch of heat or rest in an operation, for the heat trace. */
export interface HeatPhase {
  /** `heat`: at a commanded temperature; `rest`: at room temperature. */
  kind: 'heat' | 'rest';
  tempC: number;
  durationS: number;
  /** A person's hands are on it. */
  isHandsOn: boolean;
  label: string;
  /** What is over the work and what bears on it; `null` off the press. */
  press: PressState | null;
}

/** Boundary of the stack while it is heated, as a model of the press needs it. */
export interface PressState {
  over: 'platen' | 'hover' | 'chamber' | 'below';
  /** Of the lower plate, °C; `null` where it is not heated. */
  lowerC: number | null;
  kPa: number;
  /** Between plate and work, mm; 0 when it is closed. */
  gapMm: number;
}

/** Materials of a press stack, by class; the figures of each class are a heat model's. */
export const STACK_MATERIALS = [
  'parchment',
  'kraft',
  'ptfe',
  'silicone-mat',
  'film',
  'transfer-ink',
  'direct-ink',
  'adhesive-fused',
  'adhesive-powder',
  'cotton-jersey',
  'fleece',
  'polyester-knit',
  'cap-twill',
  'canvas',
  'buckram',
  'cap-foam',
  'leatherette',
  'sponge-pad',
] as const;
export type StackMaterial = (typeof STACK_MATERIALS)[number];

/** One layer under the plate, top to bottom. */
export interface StackLayer {
  material: StackMaterial;
  dMm: number;
  /** Water it brings along, g/m². */
  waterGM2: number;
}

/** A stretch of an operation as a plan sees it: how long, how much of a person, what may interrupt it. */
export interface WorkPhase {
  label: 'load' | 'run' | 'unload' | 'hands';
  durationS: number;
  /** Share of one person's attention, 0–1. */
  people: number;
  /** A break may fall into it. */
  canPause: boolean;
  /** Longest it may wait on its machine before the next phase, s; `null`: as long as need be. */
  maxWaitS: number | null;
}

export interface Consumption {
  what: string;
  amount: number;
  kind: QuantityKind;
  cents: number;
  /** The figure rests on an assumption, not on a weighing. */
  isAssumed: boolean;
}

/** Weigh before and after; the difference should come out near the target. */
export interface WeighIn {
  targetG: number;
  toleranceG: number;
}

export interface Operation {
  id: string;
  station: Station;
  /** What it runs on; `null` for a table and a pair of hands. */
  machineKind: MachineKind | null;
  machine: string | null;
  title: string;
  /** Done once for all pieces, or for each piece. */
  per: 'batch' | 'piece';
  /** Pieces its machine takes at once where a batch may need several loads; `null` where all go together. */
  perLoad: number | null;
  /** Hands-on time, s (per piece, or for the whole batch with all its loads). */
  handsS: number;
  /** Time it runs by itself on its machine, s; of a batch all loads together. */
  machineS: number;
  /** The floor's countdown, s, for one piece or one load; 0 when nothing is timed. */
  timerS: number;
  /** What each piece in a batch or load adds to that countdown, s: printing goes piece by piece, melting does not. */
  timerPieceS: number;
  settings: Setting[];
  sheet: string | null;
  checks: string[];
  /** What right looks like. */
  look: string;
  cautions: string[];
  /** Rest after it before the next operation may start, s, with the longest allowed (`null`: no hurry). */
  waitAfter: { minS: number; maxS: number | null; why: string } | null;
  phases: HeatPhase[];
  /** How its time is spent, per piece or per batch as {@link Operation.per} says. */
  work: WorkPhase[];
  /** What lies under the plate, top to bottom; empty off the press. */
  stack: StackLayer[];
  /** Per piece, whatever `per` says. */
  consumes: Consumption[];
  weighIn: WeighIn | null;
  isInspection: boolean;
}

/** A broken limit: where, what, and what could be done instead. Nothing is averaged. */
export interface Conflict {
  operation: string;
  setting: string;
  text: string;
  waysOut: string[];
}

/** A slip a colleague would point out, where it was made. */
export interface Slip {
  /** `null` where it is about the line as a whole. */
  operation: string | null;
  setting: string | null;
  text: string;
}

export interface Route {
  process: Process;
  summary: string;
  operations: Operation[];
  placement: PlacementPlan;
  totals: { handsS: number; elapsedS: number };
  /** Rest after the last step before a piece may leave, s. */
  restBeforeDispatchS: number;
  /** False for transfers made for the shelf: no garment is touched. */
  usesBlanks: boolean;
  conflicts: Conflict[];
  slips: Slip[];
}
