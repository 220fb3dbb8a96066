import type { Operation } from '@saltflat/core/work';
import { expect } from 'chai';
import { cautionsOnce } from './cautionsOnce.ts';

const at = (id: string, station: Operation['station'], ...codes: string[]): Operation =>
  ({ id, station, cautions: codes.map((code) => ({ code, params: {} })) }) as unknown as Operation;

const told = (operations: readonly Operation[]): Record<string, string[]> =>
  Object.fromEntries([...cautionsOnce(operations)].map(([id, own]) => [id, own.map(({ code }) => code)]));

describe('what is to be minded', () => {
  it('is said once a station, and at a press at every visit', () => {
    expect(
      told([
        at('pre-press', 'press', 'hot'),
        at('spray', 'sprayer', 'gloves'),
        at('dry', 'press', 'hot', 'steam'),
        at('again', 'press', 'hot'),
        at('print', 'direct-printer'),
        at('touch-up', 'sprayer', 'gloves', 'air'),
        at('cure', 'press', 'hot'),
      ]),
    ).to.deep.equal({
      'pre-press': ['hot'],
      spray: ['gloves'],
      dry: ['hot', 'steam'], // another visit
      again: [], // the same visit
      print: [],
      'touch-up': ['air'], // the gloves were said at this station
      cure: ['hot'],
    });
  });
});
