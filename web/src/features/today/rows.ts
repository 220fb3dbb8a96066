import type { PicturedOp } from '@saltflat/core/plan';
import type { PlanTime } from '../../planned/index.ts';

/** What all lists of the page say with: codes of orders, where a piece of work leads, minutes by the shop’s clock. */
export interface Shown {
  codesOf: (op: PicturedOp) => string;
  toOf: (op: PicturedOp) => string;
  time: PlanTime;
  now: number;
}

/** A row of a list of links. */
export const ROW = { display: 'flex', gap: 12, alignItems: 'baseline' } as const;
/** High enough for a thumb beside the next. */
export const ROW_LINK = { flex: 1, padding: '4px 0' } as const;

/** Where the first of some order lines leads. */
export const lineTo = (lines: readonly string[]): string => `/route/${lines[0] ?? ''}`;
