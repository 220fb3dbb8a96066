import type { Setting } from '../work/index.ts';
import type { Settle } from './practice.ts';
import { tradeReason } from './practiceParts.ts';
import type { TradeRange } from './tradeRanges.ts';

/** What a white can be set to at all: choke, mm; density, 0–1. */
export const WHITE_ABILITY = { chokeMm: { min: 0, max: 3 }, whiteDensity: { min: 0, max: 1 } } as const;

/** How far white stays inside the colour, on film and on fabric alike; only the range and its reason differ. */
export const settleChoke = (settle: Settle, { min, max, start }: TradeRange, text: string): Setting =>
  settle({
    key: 'chokeMm',
    sets: 'white-choke',
    label: 'Choke',
    kind: 'length',
    reasons: [tradeReason(start, text)],
    limits: [
      { min, max, text: 'outside usual practice: a rim shows, or fine lines lose their white (trade).' },
    ],
    ability: WHITE_ABILITY.chokeMm,
  });

/** How dense the white is laid. */
export const settleDensity = (settle: Settle, { min, max, start }: TradeRange, text: string): Setting =>
  settle({
    key: 'whiteDensity',
    sets: 'white-density',
    label: 'White density',
    kind: 'share',
    reasons: [tradeReason(start, text)],
    limits: [
      {
        min,
        max: max < 1 ? null : max,
        text: 'outside usual practice: what is under it shows through thin white (trade).',
      },
    ],
    ability: WHITE_ABILITY.whiteDensity,
  });
