import { phrase } from '@saltflat/core/language';
import type { PhraseParts } from '@saltflat/core/language';
import { formatDate, formatDuration, formatMoney, formatQuantity } from '@saltflat/core/units';
import type { QuantityKind, Writing } from '@saltflat/core/units';
import { allInWords, inWords } from '@saltflat/core/words';
import type { AnySaid } from '@saltflat/core/words';

/** How papers are written: as the shop writes, by the clock of the shop. */
export interface PaperWriting extends Writing {
  /** Time zone of the shop. */
  zone: string;
}

/** How a paper says things: as the shop writes them, whoever asks for it. */
export interface PaperWords {
  said: (said: AnySaid) => string;
  allSaid: (said: readonly AnySaid[]) => string[];
  q: (value: number, kind: QuantityKind) => string;
  duration: (durationS: number) => string;
  money: (cents: number) => string;
  /** What stands on it by itself: headings, names of rows. @param english as {@link phrase} takes it */
  t: (english: string, parts?: PhraseParts) => string;
  /** "Thu 26 Nov". */
  weekday: (at: string) => string;
  /** "26 Nov 2026". */
  date: (at: string) => string;
}

export function paperWords(writing: PaperWriting): PaperWords {
  const speech = { system: writing, currency: writing.currency, language: writing.language };
  return {
    said: (said) => inWords(said, speech),
    allSaid: (said) => allInWords(said, speech),
    q: (value, kind) => formatQuantity(value, kind, writing),
    duration: formatDuration,
    t: (english, parts) => phrase(english, writing.language, parts),
    money: (cents) => formatMoney(cents, writing.currency),
    weekday: (at) => formatDate(at, 'weekday', writing, writing.zone),
    date: (at) => formatDate(at, 'date', writing, writing.zone),
  };
}
