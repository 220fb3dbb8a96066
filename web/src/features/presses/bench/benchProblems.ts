import type { BenchStack } from '@saltflat/core/heat';
import { t } from '../../../words/index.ts';

/** Spans of what a press and its stack can be. */
const SPANS = {
  plateC: [40, 230],
  lowerC: [20, 180],
  kPa: [1, 200],
  gapMm: [0, 60],
  dwellS: [1, 900],
  closings: [1, 12],
  openS: [1, 600],
} as const;
export type BenchField = keyof typeof SPANS | 'layers' | `layer ${number}` | `water ${number}`;

/** What of a stack cannot be, by field, with what would be right. */
export function problemsOf(stack: BenchStack): Partial<Record<BenchField, string>> {
  const problems: Partial<Record<BenchField, string>> = {};
  for (const [field, [min, max]] of Object.entries(SPANS) as [
    keyof typeof SPANS,
    readonly [number, number],
  ][]) {
    const value = stack[field];
    if (value !== null && !(value >= min && value <= max))
      problems[field] = t('From {min} to {max}, not {value}.', { min, max, value });
  }
  if (!Number.isInteger(stack.closings)) problems.closings = t('A whole number.');
  if (stack.layers.length === 0) problems.layers = t('A stack needs a layer at least.');
  stack.layers.forEach(({ dMm, waterGM2 }, i) => {
    if (!(dMm > 0 && dMm <= 20))
      problems[`layer ${i}`] = t('More than 0 and up to 20 mm, not {dMm}.', { dMm });
    if (!(waterGM2 >= 0 && waterGM2 <= 500)) problems[`water ${i}`] = t('From 0 to 500 g/m².');
  });
  return problems;
}
