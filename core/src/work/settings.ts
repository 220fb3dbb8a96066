import type { QuantityKind } from '../units/index.ts';
import type { Said } from '../words/index.ts';

/** A lowest and a highest value, both allowed. */
export interface Range {
  min: number;
  max: number;
}

/** Where a reason comes from, strongest first: a person's override beats all, a trade range is where one starts. */
export const REASON_SOURCES = ['override', 'proven', 'maker', 'house', 'model', 'trade'] as const;
export type ReasonSource = (typeof REASON_SOURCES)[number];

export interface Reason {
  source: ReasonSource;
  said: Said;
  /** What this reason alone would set, in the setting's stored unit; `null` when it only explains. */
  value: number | null;
}

export interface Limit {
  min: number | null;
  max: number | null;
  /** Whose limit it is, and why it is one. */
  said: Said;
}

/**
 * What a setting sets, whatever it is called where it stands. Two settings of one operation never set the same.
 */
export const SETTING_ROLES = [
  'temperature', // of the plate, chamber or surface that heats, °C
  'lower-temperature', // of a press's lower half, °C
  'dwell', // one closing, or the time in the heat, s
  'bursts', // closings of that dwell, count
  'hover', // plate above the work before it closes, s
  'gap', // between plate and work while it is held above, mm
  'pressure', // kPa
  'rest', // on a rack, s
  'stand', // wet ink before it is powdered, s
  'pause', // between layers or jobs of one print, s
  'after-pause', // after the last layer, before it goes on, s
  'wet', // ink, until it holds no powder any more, s
  'white-density', // share 0–1
  'white-choke', // mm
  'white-hits', // count
  'mirror', // by the operator: flag
  'passes', // over each line of a print, count
  'one-way', // printed in one direction: flag
  'saturation', // of the file's, share
  'brightness', // likewise
  'contrast', // likewise
  'ink-limit', // of the most ink a place may take, share
  'dial', // of a sprayer, its own marks
  'spray-passes', // over the print, count
  'fluid', // pretreatment, g/m²
  'powder', // picked up, g
] as const;
export type SettingRole = (typeof SETTING_ROLES)[number];

export interface Setting {
  /** Its name within the operation: what an own value is kept under. */
  key: string;
  /** What it sets; `null` in documents that do not say. */
  sets: SettingRole | null;
  label: string;
  kind: QuantityKind;
  /** In the kind's stored unit. */
  value: number;
  /** Strongest first; the first with a value is the one in force. */
  reasons: Reason[];
  limits: Limit[];
  /** What the machine can be set to at all; beyond it no override is taken. */
  ability: Range;
  /** Each limit that the value breaks; empty when all is well. */
  conflicts: Said[];
}
