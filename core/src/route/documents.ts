import type { QuantityKind } from '../units/index.ts';

/** The processes this shop can plan today. */
export const PROCESSES = ['dtf', 'dtg'] as const;
export type Process = (typeof PROCESSES)[number];

/** Fibre shares, each 0–1, together 1. */
export interface Fibres {
  cotton: number;
  polyester: number;
  elastane: number;
  other: number;
}

/** The blank a print goes onto, in one colour. */
export interface Garment {
  name: string;
  fibres: Fibres;
  construction: 'knit' | 'woven' | 'fleece';
  massGM2: number;
  colourName: string;
  colourHex: string;
  /** How a print room sees the colour: anything not white or nearly white is dark, pale tints excepted. */
  tone: 'light' | 'tint' | 'dark';
  /** The garment maker's highest press temperature, °C; `null` when the label does not say. */
  maxPressC: number | null;
}

/** A lowest and a highest value, both allowed. */
export interface Range {
  min: number;
  max: number;
}

export interface Film {
  name: string;
  peel: 'hot' | 'warm' | 'cold';
  pressC: Range;
  dwellS: Range;
  centsPerM2: number;
}

export interface Powder {
  name: string;
  cureC: Range;
  cureS: Range;
  /** Picked up by wet ink, g/m². */
  gM2: number;
  centsPerKg: number;
  status: 'assumed' | 'weighed';
}

export interface InkSet {
  name: string;
  process: Process;
  colourMlM2: number;
  whiteMlM2: number;
  /** The ink maker's cure under the press; only direct print. */
  cureC: Range | null;
  cureS: Range | null;
  colourCentsPerMl: number;
  whiteCentsPerMl: number;
  status: 'assumed' | 'weighed';
}

export interface Pretreatment {
  name: string;
  fibre: 'cotton' | 'polyester';
  gM2: Range;
  centsPerKg: number;
}

export interface CoverSheet {
  name: string;
  kind: 'parchment' | 'kraft' | 'ptfe' | 'silicone';
  uses: number;
  centsEach: number;
}

export interface Press {
  name: string;
  plateC: Range;
  kPa: Range;
  widthMm: number;
  heightMm: number;
}

export interface Oven {
  name: string;
  chamberC: Range;
}

export interface Printer {
  name: string;
  process: Process;
  /** Printing time, min per m² of print, colour and white together. */
  minPerM2: number;
  widthMm: number;
  heightMm: number;
}

/** What the shop works with; a route names the ones it used. */
export interface Equipment {
  film: Film;
  powder: Powder;
  inkSets: Record<Process, InkSet>;
  pretreatments: Record<'cotton' | 'polyester', Pretreatment>;
  coverSheet: CoverSheet;
  press: Press;
  oven: Oven;
  printers: Record<Process, Printer>;
}

/** Schools a shop chooses once. */
export interface HouseMethods {
  pretreatmentDrying: 'press' | 'air';
  directCure: 'single' | 'bursts';
  /** Second press of a transfer, s; 0 skips it. */
  secondPressS: number;
}

export const DEFAULT_HOUSE: HouseMethods = {
  pretreatmentDrying: 'press',
  directCure: 'single',
  secondPressS: 10,
};

/** The art as the route sees it: one print's sizes and uses. */
export interface PrintNeeds {
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
  'film-printer',
  'direct-printer',
  'powder',
  'oven',
  'cutting',
  'sprayer',
  'rack',
  'press',
  'cooling',
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
  title: string;
  /** Done once for all pieces, or for each piece. */
  per: 'batch' | 'piece';
  /** Hands-on time, s (per piece, or for the whole batch). */
  handsS: number;
  /** Time it runs by itself on its machine, s. */
  machineS: number;
  /** The floor's countdown, s; 0 when nothing is timed. */
  timerS: number;
  settings: Setting[];
  sheet: string | null;
  checks: string[];
  /** What right looks like. */
  look: string;
  cautions: string[];
  /** Rest after it before the next operation may start, s, with the longest allowed (`null`: no hurry). */
  waitAfter: { minS: number; maxS: number | null; why: string } | null;
  phases: HeatPhase[];
  /** Per piece, whatever `per` says. */
  consumes: Consumption[];
  weighIn: WeighIn | null;
  isInspection: boolean;
}

export interface Route {
  process: Process;
  summary: string;
  operations: Operation[];
  totals: { handsS: number; elapsedS: number };
  /** Every broken limit, with where it is. */
  conflicts: { operation: string; setting: string; text: string }[];
}
