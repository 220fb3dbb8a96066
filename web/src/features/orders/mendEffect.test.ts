import type { ComparisonAnswer } from '@saltflat/contract';
import { expect } from 'chai';
import { mendEffect } from './mendEffect.ts';

type Look = Record<'opacity' | 'softness' | 'breathing' | 'stretch', number>;
const money = (cents: number): string => `€ ${(cents / 100).toFixed(2)}`;
const FELT: Look = { opacity: 0.9, softness: 0.4, breathing: 0.3, stretch: 0.5 };

/** A comparison of one process that costs so much and feels like that. */
const answer = (totalCents: number, look: Partial<Look> = {}): ComparisonAnswer =>
  ({
    options: [
      { process: 'dtf', plan: { cost: { totalCents }, look: { ...FELT, ...look } } },
      { process: 'dtg', plan: null },
    ],
  }) as unknown as ComparisonAnswer;

describe('what a mend changes', () => {
  it('is said as money and as what is felt', () => {
    expect(mendEffect(answer(310), answer(284, { softness: 0.7, opacity: 0.8 }), 'dtf', money)).to.match(
      /^Mended, a piece costs .*2\.84 instead of .*3\.10: covers less, softer\.$/,
    );
  });

  it('is said too where there is none, and not at all where one of the two cannot be made', () => {
    expect(mendEffect(answer(310), answer(310.2, { softness: 0.41 }), 'dtf', money)).to.match(
      /as much as .*feels the same/,
    );
    expect(mendEffect(answer(310), answer(284), 'dtg', money)).to.equal(null);
    expect(mendEffect(undefined, answer(284), 'dtf', money)).to.equal(null);
  });
});
