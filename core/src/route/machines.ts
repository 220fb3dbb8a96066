import type { SprayerTable } from '../spray/index.ts';
import type { Range } from '../work/index.ts';

/** What every thing of the set-up has. */
export interface Named {
  id: string;
  name: string;
}

export const PRINTER_TASKS = ['film', 'direct', 'sublimation'] as const;
/** What a printer can be asked to do. */
export type PrinterTask = (typeof PRINTER_TASKS)[number];

export interface PrintMode {
  name: string;
  passes: number;
  /** Printing time, min per m² of print, colour and white together. */
  minPerM2: number;
}

export interface Platen {
  name: string;
  widthMm: number;
  heightMm: number;
}

export interface Printer extends Named {
  tasks: readonly PrinterTask[];
  /** Coarsest and quickest first. */
  modes: readonly PrintMode[];
  /** Largest print, mm. */
  widthMm: number;
  heightMm: number;
  /** Empty for a printer without platens. */
  platens: readonly Platen[];
  /** Colour and white in one job, or in two with a pause between. */
  whiteJobs: 'one' | 'two';
  /** Its print software mirrors film by itself: then nobody else may. */
  isMirroring: boolean;
  /** Thickness of the pad that grips film on its platen, mm; `null` where it has none, or nobody measured. */
  gripPadMm: number | null;
}

export interface PressureMark {
  mark: number;
  kPa: number;
}

export interface Press extends Named {
  opening: 'clam' | 'swing' | 'draw';
  isAutoOpening: boolean;
  hasHeatedLower: boolean;
  plateC: Range;
  /** How fast it gets hotter with the heat on, and cooler with it off, °C a minute. */
  heatsPerMin: number;
  coolsPerMin: number;
  kPa: Range;
  /** What the marks of its pressure scale mean, by gauge; empty where nobody measured. */
  pressureScale: readonly PressureMark[];
  widthMm: number;
  heightMm: number;
}

/** A press with a curved form for caps; its lower half may be heated. */
export interface CapPress extends Named {
  plateC: Range;
  heatsPerMin: number;
  coolsPerMin: number;
  lowerC: Range | null;
  kPa: Range;
  /** As {@link Press.pressureScale}. */
  pressureScale: readonly PressureMark[];
  widthMm: number;
  heightMm: number;
}

/** How long a press takes from one temperature to another by its own rates, in whole minutes, s. */
export const heatChangeS = (
  { heatsPerMin, coolsPerMin }: Pick<Press, 'heatsPerMin' | 'coolsPerMin'>,
  fromC: number,
  toC: number,
): number => Math.ceil(Math.abs(toC - fromC) / (toC > fromC ? heatsPerMin : coolsPerMin)) * 60;

export interface HandIron extends Named {
  plateC: Range;
}

export interface Oven extends Named {
  chamberC: Range;
  /** Of one level film lies flat on, mm. */
  widthMm: number;
  heightMm: number;
}

export interface Griddle extends Named {
  surfaceC: Range;
  widthMm: number;
  heightMm: number;
}

/** A belt that carries film through a heated tunnel. */
export interface Belt extends Named {
  tunnelC: Range;
  /** Across the belt, and of the tunnel, mm. */
  widthMm: number;
  tunnelMm: number;
}

export interface Sprayer extends Named {
  /** A machine with a dial, or a gun in the hand. */
  isHandGun: boolean;
  widthMm: number;
  /** What its dial gives in one pass, by its maker; empty where nobody knows. */
  dial: readonly { mark: number; gM2: number }[];
  /** What is set on it; `null` where nothing is. */
  setting: SprayerDial | null;
  /** The nozzle that is in it, by the shop's own name. */
  nozzle: string;
  /** What weighings say of it. */
  fits: readonly NozzleFit[];
}

/** A dial, a speed, a volume in per cent: whatever its maker calls it, and which way it goes. */
export interface SprayerDial {
  name: string;
  least: number;
  most: number;
  /** Smallest change. */
  step: number;
  /** `up`: more is more fluid. */
  sense: 'up' | 'down';
}

/** What a sprayer gives of one fluid by one of its nozzles. */
export interface NozzleFit extends SprayerTable {
  fluidId: string;
  nozzle: string;
}

export interface Rack extends Named {
  places: number;
}

export interface CoolingTable extends Named {
  places: number;
  isMetal: boolean;
}

/** The kPa of a dial's mark by the press's own table, straight between marks. `null` outside the table. */
export function kPaAtMark({ pressureScale }: Pick<Press, 'pressureScale'>, mark: number): number | null {
  const marks = [...pressureScale].sort((p, q) => p.mark - q.mark);
  const upper = marks.findIndex((point) => point.mark >= mark);
  if (upper < 0) return null;
  const high = marks[upper];
  if (high.mark === mark) return high.kPa;
  if (upper === 0) return null;
  const low = marks[upper - 1];
  return low.kPa + ((high.kPa - low.kPa) * (mark - low.mark)) / (high.mark - low.mark);
}

/** The dial's mark nearest to a pressure, by the press's own table, in halves; `null` where nobody measured. */
export function markForKPa({ pressureScale }: Pick<Press, 'pressureScale'>, kPa: number): number | null {
  const marks = [...pressureScale].sort((p, q) => p.kPa - q.kPa);
  const upper = marks.findIndex((point) => point.kPa >= kPa);
  if (marks.length < 2 || upper < 0) return null;
  if (upper === 0) return marks[0].kPa === kPa ? marks[0].mark : null;
  const [low, high] = [marks[upper - 1], marks[upper]];
  const mark = low.mark + ((high.mark - low.mark) * (kPa - low.kPa)) / (high.kPa - low.kPa);
  return Math.round(mark * 2) / 2;
}
