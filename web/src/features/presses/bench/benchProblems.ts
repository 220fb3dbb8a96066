import { LAYER_MOST, STACK_SPANS } from '@saltflat/core/heat';
import type { BenchStack } from '@saltflat/core/heat';
import { t } from '../../../words/index.ts';

export type BenchField = keyof typeof STACK_SPANS | 'layers' | `layer ${number}` | `water ${number}`;

/** What of a stack cannot be, by field, with what would be right. */
export function problemsOf(stack: BenchStack): Partial<Record<BenchField, string>> {
  const problems: Partial<Record<BenchField, string>> = {};
  for (const [field, [min, max]] of Object.entries(STACK_SPANS) as [
    keyof typeof STACK_SPANS,
    readonly [number, number],
  ][]) {
    const value = stack[field];
    if (value !== null && !(value >= min && value <= max))
      problems[field] = t('From {min} to {max}, not {value}.', { min, max, value });
  }
  if (!Number.isInteger(stack.closings)) problems.closings = t('A whole number.');
  if (stack.layers.length === 0) problems.layers = t('A stack needs a layer at least.');
  stack.layers.forEach(({ dMm, waterGM2 }, i) => {
    if (!(dMm > 0 && dMm <= LAYER_MOST.dMm))
      problems[`layer ${i}`] = t('More than 0 and up to {most} mm, not {dMm}.', {
        most: LAYER_MOST.dMm,
        dMm,
      });
    if (!(waterGM2 >= 0 && waterGM2 <= LAYER_MOST.waterGM2))
      problems[`water ${i}`] = t('From 0 to {most} g/m².', { most: LAYER_MOST.waterGM2 });
  });
  return problems;
}
