export {
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
export { formatClock, formatDuration, formatMoney, formatQuantity, parseMoney } from './format.ts';
export { findSlip } from './slips.ts';
export type { Slip } from './slips.ts';
