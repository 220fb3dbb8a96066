export {
  IMPERIAL,
  METRIC,
  SI_UNIT,
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  fromShown,
  parseQuantity,
  shownUnit,
  toShown,
} from './units.ts';
export type { ParsedQuantity, QuantityKind, UnitSystem } from './units.ts';
export {
  formatClock,
  formatDuration,
  formatMoney,
  formatQuantity,
  formatTemperatureDifference,
  parseMoney,
  scaleDigits,
} from './format.ts';
export { findSlip } from './slips.ts';
export type { Slip } from './slips.ts';
export { CURRENCIES, USUAL_WRITING, formatDate, isZone } from './writing.ts';
export type { Currency, DateKind, DateWriting, Writing } from './writing.ts';
