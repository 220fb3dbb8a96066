import { toShown } from './units.ts';
import type { UnitSystem } from './units.ts';

const NUMBER = String.raw`\d+(?:\.\d+)?`;
const TEMPERATURES = new RegExp(`(${NUMBER})((?: to | and | or )(${NUMBER}))?([\\s\\u00a0])°C`, 'g');
const LENGTHS = new RegExp(`(${NUMBER})((?: to | and | × )(${NUMBER}))?([\\s\\u00a0])mm\\b`, 'g');

/**
 * A sentence that was written in °C and mm with its temperatures and lengths in the units shown:
 * "130 to 140 °C" reads "266 to 284 °F". What carries no unit stays.
 */
export function inShownUnits(text: string, system: UnitSystem): string {
  const hot = system.temperature === 'F' ? replaced(text, TEMPERATURES, 'temperature', '°F', system) : text;
  return system.length === 'in' ? replaced(hot, LENGTHS, 'length', 'in', system) : hot;
}

function replaced(
  text: string,
  pattern: RegExp,
  kind: 'temperature' | 'length',
  unit: string,
  system: UnitSystem,
): string {
  const digits = kind === 'temperature' ? 0 : 2;
  const shown = (number: string): string => toShown(Number(number), kind, system).toFixed(digits);
  return text.replace(
    pattern,
    (_all, first: string, middle: string | undefined, second: string | undefined, space: string) => {
      const rest = middle === undefined || second === undefined ? '' : middle.replace(second, shown(second));
      return `${shown(first)}${rest}${space}${unit}`;
    },
  );
}
