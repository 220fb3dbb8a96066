import type { Range } from '../work/index.ts';
import type { Named } from './machines.ts';

/** A thing that is used up; `null` or absent where nobody counts it. */
export interface Stocked extends Named {
  stock?: number | null;
  /** What the stock is counted in, as the shop writes it. */
  stockUnit?: string;
}

export interface Film extends Stocked {
  peel: 'hot' | 'warm' | 'cold';
  pull: 'slow' | 'fast';
  /** Sides that take ink. */
  coated: 'one' | 'both';
  isGlitter: boolean;
  widthMm: number;
  /** `null` for a roll. */
  heightMm: number | null;
  pressC: Range;
  dwellS: Range;
  centsPerM2: number;
}

export interface Powder extends Stocked {
  grain: 'fine' | 'medium' | 'coarse';
  /** Where it begins to melt and where it has melted, °C. */
  meltC: Range;
  cureC: Range;
  cureS: Range;
  /** Made to keep a fabric's dye from wandering through it. */
  blocksDye: boolean;
  /** Picked up by wet ink, g/m². */
  gM2: number;
  centsPerKg: number;
  status: 'assumed' | 'weighed';
}

export const INK_USES = ['film', 'textile', 'sublimation'] as const;
export type InkUse = (typeof INK_USES)[number];

export interface InkSet extends Stocked {
  use: InkUse;
  /** Letters of its channels, white and highlight white included: "CMYKW". */
  channels: string;
  colourMlM2: number;
  whiteMlM2: number;
  /** The ink maker's cure under the press, on cotton where the sheet tells fabrics apart; only textile ink. */
  cureC: Range | null;
  cureS: Range | null;
  /** The same on polyester; `null` where the sheet says nothing of its own for it. */
  polyesterCureC: Range | null;
  polyesterCureS: Range | null;
  colourCentsPerMl: number;
  whiteCentsPerMl: number;
  status: 'assumed' | 'weighed';
}

export interface Pretreatment extends Stocked {
  fibre: 'cotton' | 'polyester';
  gM2: Range;
  /** To be dried within, s; longer and it sets unevenly. */
  dryByS: number;
  centsPerKg: number;
}

export const SHEET_KINDS = [
  'parchment',
  'kraft',
  'ptfe',
  'silicone-thin',
  'silicone-thick',
  'silicone-textured',
] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

export interface CoverSheet extends Stocked {
  kind: SheetKind;
  /** A sheet that has covered pretreatment leaves it on prints: one is kept for each. */
  purpose: 'ink' | 'pretreatment';
  thicknessMm: number;
  /** Presses it lasts. */
  uses: number;
  usesSoFar: number;
  centsEach: number;
}

/** What film is held on a platen with, by the drop; plain water needs no entry. */
export interface HoldingLiquid extends Stocked {
  centsPerL: number;
}

export interface Tape extends Stocked {
  maxC: number;
  centsPerM: number;
}

/** How a transfer is pressed that was made elsewhere or before: what came with it governs all that it names. */
export interface TransferInstructions {
  peel: 'hot' | 'warm' | 'cold';
  pull: 'slow' | 'fast';
  pressC: Range;
  dwellS: Range;
  kPa: number;
  secondPressS: number;
  sheet: SheetKind;
  /** On caps; `null` where its sheet says nothing for them. */
  capPressC: Range | null;
  capDwellS: Range | null;
  capKPa: number | null;
}

/** A transfer from a supplier, made to order. */
export interface BoughtIn extends Named, TransferInstructions {
  /** Comes ganged on a sheet and is trimmed here. */
  isTrimmed: boolean;
  minimum: number;
  leadDays: number;
  centsPerM2: number;
}

/** A transfer that lies on the shelf, made here or bought: of one artwork at one size. */
export interface ShelfTransfer extends Stocked, TransferInstructions {
  /** Name of the artwork it carries. */
  artwork: string;
  widthMm: number;
  centsEach: number;
}
