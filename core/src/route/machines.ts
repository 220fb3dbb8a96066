import type { Range } from './materials.ts';

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

export interface Printer {
  name: string;
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
}

export interface PressureMark {
  mark: number;
  kPa: number;
}

export interface Press {
  name: string;
  opening: 'clam' | 'swing' | 'draw';
  isAutoOpening: boolean;
  hasHeatedLower: boolean;
  plateC: Range;
  kPa: Range;
  /** What the marks of its pressure scale mean, by gauge; empty where nobody measured. */
  pressureScale: readonly PressureMark[];
  widthMm: number;
  heightMm: number;
}

/** A press with a curved form for caps; its lower half may be heated. */
export interface CapPress {
  name: string;
  plateC: Range;
  lowerC: Range | null;
  kPa: Range;
  widthMm: number;
  heightMm: number;
}

export interface HandIron {
  name: string;
  plateC: Range;
}

export interface Oven {
  name: string;
  chamberC: Range;
  /** Of one level film lies flat on, mm. */
  widthMm: number;
  heightMm: number;
}

export interface Griddle {
  name: string;
  surfaceC: Range;
  widthMm: number;
  heightMm: number;
}

export interface Sprayer {
  name: string;
  /** A machine with a dial, or a gun in the hand. */
  isHandGun: boolean;
  widthMm: number;
}

export interface Rack {
  name: string;
  places: number;
}

export interface CoolingTable {
  name: string;
  places: number;
  isMetal: boolean;
}

export const MACHINE_KINDS = [
  'printer',
  'sprayer',
  'press',
  'cap-press',
  'hand-iron',
  'oven',
  'griddle',
  'rack',
  'cooling-table',
] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** The kPa of a dial's mark by the press's own table, straight between marks. `null` outside the table. */
export function kPaAtMark({ pressureScale }: Press, mark: number): number | null {
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
export function markForKPa({ pressureScale }: Press, kPa: number): number | null {
  const marks = [...pressureScale].sort((p, q) => p.kPa - q.kPa);
  const upper = marks.findIndex((point) => point.kPa >= kPa);
  if (marks.length < 2 || upper < 0) return null;
  if (upper === 0) return marks[0].kPa === kPa ? marks[0].mark : null;
  const [low, high] = [marks[upper - 1], marks[upper]];
  const mark = low.mark + ((high.mark - low.mark) * (kPa - low.kPa)) / (high.kPa - low.kPa);
  return Math.round(mark * 2) / 2;
}
