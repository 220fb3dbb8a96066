import { expect } from 'chai';
import { quoteStanding } from './quoteStanding.ts';

describe('a quote that was given', () => {
  const goodUntil = '2031-02-17T12:00:00.000Z';
  const at = (time: string, state: 'given' | 'accepted' = 'given') =>
    quoteStanding({ state, goodUntil }, Date.parse(time));

  it('can be accepted until its day, not after, and once', () => {
    expect(at('2031-02-17T11:59:59Z')).to.include({ word: 'given', canBeAccepted: true });
    expect(at('2031-02-17T12:00:01Z')).to.include({ word: 'lapsed', canBeAccepted: false });
    expect(at('2032-01-01T00:00:00Z', 'accepted')).to.include({ word: 'accepted', canBeAccepted: false });
  });
});
