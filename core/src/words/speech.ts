import {
  METRIC,
  formatDuration,
  formatMoney,
  formatQuantity,
  formatTemperatureDifference,
} from '../units/index.ts';
import type { Currency, QuantityKind, UnitSystem } from '../units/index.ts';
import type { Language } from '../language/index.ts';

/** How things are said to somebody: in which units and currency, in which language. */
export interface Speech {
  system: UnitSystem;
  currency: Currency;
  language: Language;
}

/** °C, mm and euros, English: logs, and wherever nobody has said otherwise. */
export const METRIC_ENGLISH: Speech = { system: METRIC, currency: 'EUR', language: 'en' };

/** Names for pressures as people say them, each up to this many kPa (assumption: what gauges show at these words). */
const PRESSURE_WORDS = [
  [12, 'lightest'],
  [25, 'light'],
  [45, 'medium'],
  [65, 'firm'],
  [90, 'hard'],
  [Infinity, 'extra hard'],
] as const;
export type PressureWord = (typeof PRESSURE_WORDS)[number][1];

/** "lightest" to "extra hard" for a pressure in kPa. */
export const pressureWord = (kPa: number): PressureWord =>
  PRESSURE_WORDS.find(([upTo]) => kPa <= upTo)?.[1] ?? 'extra hard';

/** The hardest that is still called so, kPa; infinite for the last. */
export const hardestOf = (word: PressureWord): number =>
  PRESSURE_WORDS.find(([, own]) => own === word)?.[0] ?? Infinity;

/** Figures as one speech writes them. A span carries its unit once: "130 to 140 °C". */
export class Figures {
  readonly speech: Speech;
  constructor(speech: Speech) {
    this.speech = speech;
  }

  q = (value: number, kind: QuantityKind, digits?: number): string =>
    formatQuantity(value, kind, this.speech.system, digits);

  span(min: number, max: number, kind: QuantityKind): string {
    const [low, high] = [this.q(min, kind), this.q(max, kind)];
    if (min === max) return low;
    const [unit] = /[\s\u00a0][^\d\s\u00a0]+$/.exec(high) ?? [''];
    return `${unit !== '' && low.endsWith(unit) ? low.slice(0, -unit.length) : low} to ${high}`;
  }

  temp = (tempC: number): string => this.q(tempC, 'temperature');
  apart = (differenceK: number): string => formatTemperatureDifference(differenceK, this.speech.system);
  temps = (min: number, max: number): string => this.span(min, max, 'temperature');
  mm = (lengthMm: number): string => this.q(lengthMm, 'length');
  mms = (min: number, max: number): string => this.span(min, max, 'length');
  size = (widthMm: number, heightMm: number): string =>
    `${this.mm(Math.round(widthMm))} × ${this.mm(Math.round(heightMm))}`;
  money = (cents: number): string => formatMoney(cents, this.speech.currency);
  s = (durationS: number): string => formatDuration(durationS);
  seconds = (min: number, max: number): string => this.span(min, max, 'duration');
  percent = (share: number): string => `${Math.round(100 * share)} %`;
}

const joinedBy =
  (last: 'and' | 'or') =>
  (parts: readonly string[]): string =>
    parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} ${last} ${parts[parts.length - 1]}`;

/** "a, b and c". */
export const listed = joinedBy('and');
/** "a, b or c". */
export const alternatives = joinedBy('or');

export const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
