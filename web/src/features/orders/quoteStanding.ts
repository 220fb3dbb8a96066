import { t } from '../../words/t.ts';
import type { GivenQuote } from '@saltflat/contract';

/** Where a quote stands at a time: its mark, its word, and whether a yes can still be noted. */
export function quoteStanding(
  { state, goodUntil }: Pick<GivenQuote, 'state' | 'goodUntil'>,
  nowMs: number,
): { mark: string; word: string; tone: 'calm' | 'go'; canBeAccepted: boolean } {
  if (state === 'accepted') return { mark: '●', word: t('accepted'), tone: 'calm', canBeAccepted: false };
  return Date.parse(goodUntil) < nowMs
    ? { mark: '■', word: t('lapsed'), tone: 'calm', canBeAccepted: false }
    : { mark: '◐', word: t('given'), tone: 'go', canBeAccepted: true };
}
