import { celsiusToFahrenheit, fahrenheitToCelsius } from './units.ts';
import type { QuantityKind } from './units.ts';

/** A value that reads like another unit: what to ask, and the value it would then be. */
export interface Slip {
  question: string;
  meantValue: number;
}

/** Heat pressing and curing happen between these; trade range over all processes. */
const PRESS_C = { min: 90, max: 215 };

/** Longest dwell under a press that anybody uses; beyond it the number was in another unit. */
const LONGEST_DWELL_S = 600;

/**
 * Asks back when a number looks like it was typed in the wrong unit.
 * Never changes a value: the answer is a person's.
 *
 * @param value as parsed, in the kind's stored unit (°C, s)
 * @param kind only temperature and duration have known slips
 * @returns `null` when the value is plausible as it stands
 */
export function findSlip(value: number, kind: QuantityKind): Slip | null {
  if (kind === 'temperature') return temperatureSlip(value);
  if (kind === 'duration' && value > 0 && value <= 3) {
    return { question: `${value} s is very short. Did you mean ${value} min?`, meantValue: value * 60 };
  }
  if (kind === 'duration' && value > LONGEST_DWELL_S) {
    const meantValue = value / 60;
    return {
      question: `${value} s is ${Math.round(meantValue)} min. Did you mean ${Math.round(meantValue)} s?`,
      meantValue,
    };
  }
  return null;
}

function temperatureSlip(tempC: number): Slip | null {
  const ifFahrenheit = fahrenheitToCelsius(tempC);
  if (tempC > PRESS_C.max && ifFahrenheit >= PRESS_C.min && ifFahrenheit <= PRESS_C.max) {
    return {
      question: `${Math.round(tempC)} °C is hotter than any press here. Did you mean ${Math.round(tempC)} °F, ${Math.round(ifFahrenheit)} °C?`,
      meantValue: ifFahrenheit,
    };
  }
  const ifCelsius = celsiusToFahrenheit(tempC);
  if (tempC >= 30 && tempC < PRESS_C.min && ifCelsius >= PRESS_C.min && ifCelsius <= PRESS_C.max) {
    return {
      question: `${Math.round(ifCelsius)} °F is only ${Math.round(tempC)} °C, too cool to melt anything. Did you mean ${Math.round(ifCelsius)} °C?`,
      meantValue: ifCelsius,
    };
  }
  return null;
}
