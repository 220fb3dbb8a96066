import type { AmountVerdict, ChartedAmount, SignalRule } from '@saltflat/core/spray';
import { t } from '../words/index.ts';

/** A garment's amount at a glance. */
export const AMOUNT_MARKS: Record<AmountVerdict, { mark: string; word: string }> = {
  ok: { mark: '●', word: t('right') },
  watch: { mark: '◐', word: t('at the edge') },
  'too-little': { mark: '◆', word: t('too little') },
  'too-much': { mark: '◆', word: t('too much') },
};

const SIGNALS: Record<SignalRule, string> = {
  beyond: t('one far out'),
  'two-of-three': t('two of three far out'),
  'four-of-five': t('drifting to one side'),
  'same-side': t('nine in a row on one side'),
  trend: t('steadily falling or rising'),
  jump: t('it jumps about'),
};

/** What the last one's run asks; empty where there is nothing to ask. */
export function amountQuestion({
  signals,
  side,
  pct,
  isAgain,
}: Pick<ChartedAmount, 'signals' | 'side' | 'pct' | 'isAgain'>): string {
  const [signal] = signals;
  if (signal === undefined && !isAgain) return '';
  const what = signal === undefined ? t('twice in a row off to one side') : SIGNALS[signal];
  if (signal === 'jump') return t('{what}: the scale, air in the line, the speed of the hand?', { what });
  const isLow = side === null ? pct < 100 : side === 'low';
  return isLow
    ? t('{what}: the nozzle, the pump, the bottle?', { what })
    : t('{what}: the dial, a double pass?', { what });
}
