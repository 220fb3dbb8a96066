import type { Setting } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { Settle } from './practice.ts';
import { tradeReason } from './proposals.ts';
import type { TradeRange } from './tradeRanges.ts';

/** What a white can be set to at all: choke, mm; density, 0–1. */
export const WHITE_ABILITY = { chokeMm: { min: 0, max: 3 }, whiteDensity: { min: 0, max: 1 } } as const;

/** How far white stays inside the colour, on film and on fabric alike; only the range and its reason differ. */
export const settleChoke = (settle: Settle, { min, max, start }: TradeRange, said: Said): Setting =>
  settle({
    key: 'chokeMm',
    sets: 'white-choke',
    label: 'Choke',
    kind: 'length',
    reasons: [tradeReason(start, said)],
    limits: [{ min, max, said: say('limit.white-choke') }],
    ability: WHITE_ABILITY.chokeMm,
  });

/** How dense the white is laid. */
export const settleDensity = (settle: Settle, { min, max, start }: TradeRange, said: Said): Setting =>
  settle({
    key: 'whiteDensity',
    sets: 'white-density',
    label: 'White density',
    kind: 'share',
    reasons: [tradeReason(start, said)],
    limits: [
      {
        min,
        max: max < 1 ? null : max,
        said: say('limit.white-density'),
      },
    ],
    ability: WHITE_ABILITY.whiteDensity,
  });
