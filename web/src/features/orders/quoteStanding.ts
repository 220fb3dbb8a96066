import type { GivenQuote } from '@saltflat/contract';

/** Where a quote stands at a time: its mark, its word, and whether a yes can still be noted. */
export function quoteStanding(
  { state, goodUntil }: Pick<GivenQuote, 'state' | 'goodUntil'>,
  nowMs: number,
): { mark: string; word: string; tone: 'done' | 'hands' | undefined; canBeAccepted: boolean } {
  if (state === 'accepted') return { mark: '●', word: 'accepted', tone: 'done', canBeAccepted: false };
  return Date.parse(goodUntil) < nowMs
    ? { mark: '■', word: 'lapsed', tone: undefined, canBeAccepted: false }
    : { mark: '◐', word: 'given', tone: undefined, canBeAccepted: true };
}
