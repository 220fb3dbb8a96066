import type { Cloth } from '../cloth.ts';
import type { RoomAir } from '../evaporation.ts';

/** Sheets that may lie between a plate and wet cloth, by their resistance, m²K/W (thickness / conductivity of the class). */
export const DRY_COVERS = {
  none: 0,
  parchment: 5e-5 / 0.12,
  'ptfe-sheet': 1.3e-4 / 0.25,
  'kraft-paper': 1.1e-4 / 0.1,
} as const;
export type DryCover = keyof typeof DRY_COVERS;

/** What is done to a wet garment, one after another. */
export type DryPhase =
  | { kind: 'press'; plateC: number; s: number; kPa: number; cover: DryCover }
  /** Lifted, the cloth on the press's pad. */
  | { kind: 'open'; s: number; airMPerS: number }
  | { kind: 'hover'; plateC: number; gapMm: number; s: number }
  /** Off the press: hung (`sides` 2) or laid, on a wooden bench or on something that gives no heat. */
  | { kind: 'air'; s: number; airMPerS: number; sides: 1 | 2; bench: boolean };

export interface DryProblem {
  /** Pretreatment on the cloth, g/m². */
  depositGm2: number;
  /** Of that, water; 0–1. */
  waterShare: number;
  cloth: Cloth;
  clothGm2: number;
  room: Omit<RoomAir, 'airMPerS'>;
  startC: number;
  padC: number;
  phases: readonly DryPhase[];
}

/** What nobody says otherwise (trade ranges). */
export const USUAL_DRYING = { waterShare: 0.88, padC: 40, kPa: 35, cover: 'parchment' } as const;

/** How the balance may be off, as factors: contact, gain under a hovering plate, still air's part, evaporation in the open. */
export interface DryFactors {
  contact: number;
  hover: number;
  open: number;
}

/** Trade ranges of how far off the model may be. */
export const DRY_BAND = {
  usual: { contact: 1, hover: 1, open: 1 },
  fast: { contact: 1.25, hover: 1.25, open: 1.6 },
  slow: { contact: 0.75, hover: 0.75, open: 0.6 },
} as const satisfies Record<string, DryFactors>;
