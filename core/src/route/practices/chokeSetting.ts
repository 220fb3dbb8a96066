import type { Setting } from '../documents.ts';
import type { Settle } from '../practice.ts';
import type { TradeRange } from '../tradeRanges.ts';

/** How far white stays inside the colour, on film and on fabric alike; only the range and its reason differ. */
export const settleChoke = (settle: Settle, { min, max, start }: TradeRange, text: string): Setting =>
  settle({
    key: 'chokeMm',
    label: 'Choke',
    kind: 'length',
    reasons: [{ source: 'trade', text, value: start }],
    limits: [
      { min, max, text: 'outside usual practice: a rim shows, or fine lines lose their white (trade).' },
    ],
    ability: { min: 0, max: 3 },
  });
