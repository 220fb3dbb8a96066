import type { LinePlacement, PlacementPlan, Reach } from '../placement/index.ts';
import type { Garment } from '../blank/index.ts';
import type { LoadingCard } from './loading.ts';
import type { Flow, Lane, Operation, Ref } from '../work/index.ts';
import type { Said } from '../words/index.ts';
import type { HouseMethods } from './house.ts';
import type {
  Belt,
  CapPress,
  CoolingTable,
  Griddle,
  HandIron,
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
  HoldingLiquid,
  InkSet,
  Powder,
  Pretreatment,
  ShelfTransfer,
  Tape,
} from './materials.ts';
import type { SourceChoice, SourceRole } from './sources/roles.ts';

/** Every way a print gets onto a blank here; each is one file under `processes/`. */
export const PROCESSES = ['dtg', 'dtf', 'dtf-platen', 'sub-film', 'bought-in', 'shelf', 'patch-cap'] as const;
export type Process = (typeof PROCESSES)[number];

/**
 * What the shop works with, each list in the shop's order of preference: of those that fit a line one is chosen, and the
 * route says which and why.
 */
export interface Equipment {
  films: readonly Film[];
  powders: readonly Powder[];
  inkSets: readonly InkSet[];
  pretreatments: readonly Pretreatment[];
  coverSheets: readonly CoverSheet[];
  tapes: readonly Tape[];
  liquids: readonly HoldingLiquid[];
  boughtIns: readonly BoughtIn[];
  shelf: readonly ShelfTransfer[];
  /** The patch a cap is given, with its price. */
  patch: { id: string | null; blank: Garment; cents: number } | null;
  printers: readonly Printer[];
  sprayers: readonly Sprayer[];
  presses: readonly Press[];
  capPresses: readonly CapPress[];
  handIron: HandIron | null;
  ovens: readonly Oven[];
  griddles: readonly Griddle[];
  belts: readonly Belt[];
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
  /**
   * What is to be sprayed with its margin, m²: the rectangle round the print, and what a mask leaves open of it; 0 when nothing
   * is.
   */
  sprayM2: { box: number; shape: number };
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

/** One print of a line: what is printed, where, and by which process. */
export interface LinePrint {
  /** Its name within the line, of digits: "1", "2". Given once and kept. */
  id: string;
  process: Process;
  /** Name of its artwork: what lies on the shelf is known by it. */
  artwork: string;
  print: PrintNeeds;
  placement: LinePlacement;
}

/** A line: one blank in one colour, and every print it gets. */
export interface RouteInput {
  garment: Garment;
  pieces: number;
  equipment: Equipment;
  house: HouseMethods;
  overrides: readonly Override[];
  /** What people chose to work with, in place of what fits best. */
  sources: readonly SourceChoice[];
  /** At least one, in the order they are written; no two at one place. */
  prints: readonly LinePrint[];
}

/** What a practice plans from: a line, and the one of its prints that is planned. */
export type PrintInput = Omit<RouteInput, 'prints'> & LinePrint;

/** A broken limit: where, what, and what could be done instead. Nothing is averaged. */
export interface Conflict {
  operation: string;
  setting: string;
  said: Said;
  waysOut: Said[];
}

/** A slip a colleague would point out, where it was made. */
export interface Slip {
  /** `null` where it is about the line as a whole. */
  operation: string | null;
  setting: string | null;
  said: Said;
}

/** Heat that a print gets when another one is put on. */
export interface HeatedAgain {
  /** The operation it comes from. */
  operation: string;
  reach: Reach;
  /** The hottest plate, °C, and all its closings together, s. */
  tempC: number;
  durationS: number;
}

/** What a print is made with in one role, why, and what else there was. */
export interface RouteSource {
  role: SourceRole;
  id: string;
  name: string;
  why: Said;
  others: { id: string; name: string; why: Said; isPossible: boolean }[];
}

/** A heated machine a line begins with, brought from a cold room to its first temperature. */
export interface WarmUp {
  machine: Ref;
  tempC: number;
  /** Until it is hot, and until it is hot all over, s. */
  heatS: number;
  settleS: number;
}

/** One print as it is made. */
export interface RoutePrint {
  id: string;
  process: Process;
  placement: PlacementPlan;
  sources: RouteSource[];
  heatedAgain: HeatedAgain[];
  /** How it lies on a direct printer's platen; `null` off one, absent in routes from before there were cards. */
  loading?: LoadingCard | null;
}

/** How a line is made: its blank once, its prints in the order that harms least. */
export interface Route {
  summary: string;
  /** In the order they are put on. */
  prints: RoutePrint[];
  /** The ways its parts go, until one takes another's in. */
  lanes: Lane[];
  /** In work order: what an operation needs comes before it. */
  operations: Operation[];
  /** How the floor begins with its pieces; it may change that. */
  flow: Flow;
  /** Before the first piece, unless the day's work has done it already: not in the totals. */
  warmUps: WarmUp[];
  totals: { handsS: number; elapsedS: number };
  /** Rest after the last step before a piece may leave, s. */
  restBeforeDispatchS: number;
  /** False for transfers made for the shelf: no garment is touched. */
  usesBlanks: boolean;
  conflicts: Conflict[];
  slips: Slip[];
}
