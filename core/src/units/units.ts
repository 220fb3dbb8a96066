import type { Language } from '../language/index.ts';
/** What a number measures. Inside Saltflat each kind has one unit, given in {@link SI_UNIT}. */
export type QuantityKind =
  | 'temperature'
  | 'duration'
  | 'length'
  | 'mass'
  | 'volume'
  | 'pressure'
  | 'area'
  | 'arealMass'
  | 'share'
  | 'count'
  /** A place on a machine's own scale: a dial, a speed, a volume in per cent. */
  | 'mark'
  /** 1 for yes, 0 for no. */
  | 'flag';

/** How heat, length and mass are written, everywhere at once. */
export interface UnitSystem {
  temperature: 'C' | 'F';
  length: 'mm' | 'in';
  mass: 'g' | 'oz';
  /** Of words among the figures, as yes and no; English where none is chosen. */
  language?: Language;
}

export const METRIC: UnitSystem = { temperature: 'C', length: 'mm', mass: 'g' };
export const IMPERIAL: UnitSystem = { temperature: 'F', length: 'in', mass: 'oz' };

/** The one unit each kind is stored and computed in. Shares are 0 to 1. */
export const SI_UNIT: Record<QuantityKind, string> = {
  temperature: '°C',
  duration: 's',
  length: 'mm',
  mass: 'g',
  volume: 'ml',
  pressure: 'kPa',
  area: 'm²',
  arealMass: 'g/m²',
  share: '',
  count: '',
  mark: '',
  flag: '',
};

const MM_PER_IN = 25.4; // exact, international inch (1959)
const G_PER_OZ = 28.349523125; // exact, avoirdupois
const ML_PER_FLOZ = 29.5735295625; // exact, US fluid ounce
const KPA_PER_PSI = 6.894757293168361; // pound-force per square inch

/** Degrees Fahrenheit to degrees Celsius. */
export const fahrenheitToCelsius = (tempF: number): number => ((tempF - 32) * 5) / 9;

/** Degrees Celsius to degrees Fahrenheit. */
export const celsiusToFahrenheit = (tempC: number): number => (tempC * 9) / 5 + 32;

interface WrittenUnit {
  kind: QuantityKind;
  toSi: (value: number) => number;
}

const scaled = (kind: QuantityKind, factor: number): WrittenUnit => ({
  kind,
  toSi: (value) => value * factor,
});

/** Every spelling a person may type after a number, lower case and without dots. */
const WRITTEN: Record<string, WrittenUnit> = {
  c: scaled('temperature', 1),
  '°c': scaled('temperature', 1),
  f: { kind: 'temperature', toSi: fahrenheitToCelsius },
  '°f': { kind: 'temperature', toSi: fahrenheitToCelsius },
  s: scaled('duration', 1),
  sec: scaled('duration', 1),
  min: scaled('duration', 60),
  m: scaled('duration', 60),
  h: scaled('duration', 3600),
  mm: scaled('length', 1),
  cm: scaled('length', 10),
  in: scaled('length', MM_PER_IN),
  '"': scaled('length', MM_PER_IN),
  g: scaled('mass', 1),
  kg: scaled('mass', 1000),
  oz: scaled('mass', G_PER_OZ),
  ml: scaled('volume', 1),
  l: scaled('volume', 1000),
  'fl oz': scaled('volume', ML_PER_FLOZ),
  kpa: scaled('pressure', 1),
  bar: scaled('pressure', 100),
  psi: scaled('pressure', KPA_PER_PSI),
  'm²': scaled('area', 1),
  m2: scaled('area', 1),
  'g/m²': scaled('arealMass', 1),
  'g/m2': scaled('arealMass', 1),
  '%': scaled('share', 0.01),
};

export type ParsedQuantity = { ok: true; value: number } | { ok: false; problem: string };

/** Example of what may be typed, for messages. */
const EXAMPLES: Record<QuantityKind, string> = {
  temperature: '150 C or 302 F',
  duration: '15 s, 1:30 or 2 min',
  length: '280 mm or 11 in',
  mass: '24 g or 0.85 oz',
  volume: '12 ml',
  pressure: '35 kPa or 5 psi',
  area: '0.12 m²',
  arealMass: '130 g/m²',
  share: '60 %',
  count: '24',
  mark: '4.5',
  flag: 'yes or no',
};

/**
 * Reads a quantity as people type it: "325F", "14 in", "1:30", "15s", "150" (then in the unit shown).
 *
 * @param text what was typed; decimal point or decimal comma
 * @param kind what the field measures; another kind's unit is refused
 * @param system unit a bare number is taken to be in
 * @returns the value in {@link SI_UNIT}, or a sentence saying what would be right
 */
export function parseQuantity(text: string, kind: QuantityKind, system: UnitSystem = METRIC): ParsedQuantity {
  const typed = text.trim().toLowerCase().replace(',', '.');
  if (typed === '') return { ok: false, problem: `Nothing was typed: write for example ${EXAMPLES[kind]}.` };
  if (kind === 'flag' && ['yes', 'no'].includes(typed)) return { ok: true, value: typed === 'yes' ? 1 : 0 };
  const clock = /^(\d+):([0-5]?\d)(?:\s*min)?$/.exec(typed);
  if (clock && kind === 'duration') return { ok: true, value: Number(clock[1]) * 60 + Number(clock[2]) };
  const match = /^(-?\d*\.?\d+)\s*(.*)$/.exec(typed);
  if (!match)
    return { ok: false, problem: `“${text}” is not a number: write for example ${EXAMPLES[kind]}.` };
  return inWrittenUnit({ number: Number(match[1]), unitText: match[2] }, text, kind, system);
}

function inWrittenUnit(
  typed: { number: number; unitText: string },
  text: string,
  kind: QuantityKind,
  system: UnitSystem,
): ParsedQuantity {
  if (typed.unitText === '') return { ok: true, value: fromShown(typed.number, kind, system) };
  const unit = WRITTEN[typed.unitText];
  if (unit?.kind !== kind) {
    return {
      ok: false,
      problem: `“${text}” is not a ${kind === 'arealMass' ? 'mass per area' : kind}: write for example ${EXAMPLES[kind]}.`,
    };
  }
  return { ok: true, value: unit.toSi(typed.number) };
}

/**
 * A number in the unit the screen shows to the unit it is stored in.
 *
 * @returns the value in {@link SI_UNIT}
 */
export function fromShown(value: number, kind: QuantityKind, system: UnitSystem): number {
  if (kind === 'temperature' && system.temperature === 'F') return fahrenheitToCelsius(value);
  if (kind === 'length' && system.length === 'in') return value * MM_PER_IN;
  if (kind === 'mass' && system.mass === 'oz') return value * G_PER_OZ;
  return kind === 'share' ? value / 100 : value;
}

/**
 * A stored number to the unit the screen shows.
 *
 * @param value in {@link SI_UNIT}
 */
export function toShown(value: number, kind: QuantityKind, system: UnitSystem): number {
  if (kind === 'temperature' && system.temperature === 'F') return celsiusToFahrenheit(value);
  if (kind === 'length' && system.length === 'in') return value / MM_PER_IN;
  if (kind === 'mass' && system.mass === 'oz') return value / G_PER_OZ;
  return kind === 'share' ? value * 100 : value;
}

/** The unit the screen writes after a number of this kind. */
export function shownUnit(kind: QuantityKind, system: UnitSystem): string {
  if (kind === 'temperature') return system.temperature === 'F' ? '°F' : '°C';
  if (kind === 'length') return system.length;
  if (kind === 'mass') return system.mass;
  return kind === 'share' ? '%' : SI_UNIT[kind];
}
