import { phraseIn } from '../language/index.ts';
import type { QuantityKind, UnitSystem } from './units.ts';
import { METRIC, shownUnit, toShown } from './units.ts';
import { CURRENCIES } from './writing.ts';
import type { Currency } from './writing.ts';

const NO_BREAK = '\u00a0'; // no-break: a number never parts from its unit

/**
 * A stored quantity as the screen writes it, unit included: "150 °C", "1:30", "11.02 in".
 *
 * @param value in the kind's stored unit
 * @param digits digits after the decimal point; by default what the kind is read to in a print room
 */
export function formatQuantity(
  value: number,
  kind: QuantityKind,
  system: UnitSystem = METRIC,
  digits: number = defaultDigits(value, kind, system),
): string {
  if (kind === 'duration') return formatDuration(value);
  if (kind === 'flag') return phraseIn(value >= 0.5 ? 'yes' : 'no', system.language ?? 'en');
  const unit = shownUnit(kind, system);
  const number = plainNumber(toShown(value, kind, system), digits);
  return unit === '' ? number : `${number}${NO_BREAK}${unit}`;
}

/** A difference between temperatures, in K, with its sign's word left to the reader: "10 °C", "18 °F". */
export function formatTemperatureDifference(
  differenceK: number,
  system: UnitSystem = METRIC,
  digits = 0,
): string {
  const shown = system.temperature === 'F' ? differenceK * 1.8 : differenceK;
  return `${plainNumber(shown, digits)}${NO_BREAK}${shownUnit('temperature', system)}`;
}

/** Seconds as a clock face "m:ss" (or "h:mm:ss"), for running timers; below zero it is written with a minus. */
export function formatClock(seconds: number): string {
  const whole = Math.round(Math.abs(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const tail = String(whole % 60).padStart(2, '0');
  const sign = seconds < 0 && whole > 0 ? '−' : '';
  return hours > 0
    ? `${sign}${hours}:${String(minutes).padStart(2, '0')}:${tail}`
    : `${sign}${minutes}:${tail}`;
}

/** Seconds as words for settings: "15 s", "1:30 min", "2 h 05 min". */
export function formatDuration(seconds: number): string {
  if (seconds < 90) return `${plainNumber(seconds, Number.isInteger(seconds) ? 0 : 1)}${NO_BREAK}s`;
  if (seconds < 3600) {
    const clock = formatClock(seconds);
    return `${clock.endsWith(':00') ? clock.slice(0, -3) : clock}${NO_BREAK}min`;
  }
  const minutes = Math.round(seconds / 60);
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)}${NO_BREAK}h${rest === 0 ? '' : ` ${String(rest).padStart(2, '0')}${NO_BREAK}min`}`;
}

/** Integer minor units (cents) as money with two digits: "€ 3.40". */
export const formatMoney = (cents: number, currency: Currency): string =>
  `${CURRENCIES[currency]}${NO_BREAK}${plainNumber(cents / 100, 2)}`;

/** Money as people type it, "3.40" or "€ 3,40", in integer minor units; `null` for what is no amount. Another currency’s sign is none. */
export function parseMoney(text: string, currency: Currency): number | null {
  const sign = CURRENCIES[currency];
  const typed = text.trim();
  const amount = typed.startsWith(sign) ? typed.slice(sign.length) : typed;
  const match = /^[\s\u00a0]*(\d+)(?:[.,](\d{1,2}))?$/.exec(amount);
  if (!match) return null;
  return Number(match[1]) * 100 + Number((match[2] ?? '0').padEnd(2, '0'));
}

function plainNumber(value: number, digits: number): string {
  const fixed = Math.abs(value).toFixed(digits);
  const [whole = '0', fraction] = fixed.split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, NO_BREAK) : whole;
  const isNegative = value < 0 && Number(fixed) !== 0;
  return `${isNegative ? '−' : ''}${grouped}${fraction === undefined ? '' : `.${fraction}`}`;
}

/** Digits of a mass as a print room’s scale shows it: tenths of a gram, thousandths of an ounce. */
export const scaleDigits = ({ mass }: UnitSystem): number => (mass === 'g' ? 1 : 3);

/** A choke or a hair-line: in hundredths of an inch it would read as nothing. */
const SMALL_MM = 2.54;

function defaultDigits(value: number, kind: QuantityKind, system: UnitSystem): number {
  switch (kind) {
    case 'length':
      if (system.length === 'in') return Math.abs(value) < SMALL_MM && value !== 0 ? 3 : 2;
      return Math.abs(value) < 10 && !Number.isInteger(value) ? 2 : 0;
    case 'mass':
      if (system.mass === 'oz') return Math.abs(value) < 100 ? 3 : 2; // a hundredth of an ounce is a quarter of a gram
      return Math.abs(value) < 10 ? 2 : 1;
    case 'volume':
      return Math.abs(value) < 10 ? 2 : 1;
    case 'area':
      return 3;
    case 'mark':
      return Number.isInteger(value) ? 0 : Number.isInteger(Math.round(1000 * value) / 100) ? 1 : 2;
    default:
      return 0;
  }
}
