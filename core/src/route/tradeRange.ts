import type { Range } from '../work/index.ts';

/** A span of practice, with where to begin. `source` says what kind of knowledge it is. */
export interface TradeRange extends Range {
  start: number;
  source: 'trade range' | 'textbook' | 'assumption';
}

export const trade = (min: number, max: number, start: number): TradeRange => ({
  min,
  max,
  start,
  source: 'trade range',
});
export const assumed = (min: number, max: number, start: number): TradeRange => ({
  min,
  max,
  start,
  source: 'assumption',
});
export const textbook = (min: number, max: number, start: number): TradeRange => ({
  min,
  max,
  start,
  source: 'textbook',
});
