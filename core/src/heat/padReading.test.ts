import { expect } from 'chai';
import { plateFromPad } from './padReading.ts';

describe('a plate read off its pad', () => {
  const from = (lateS: number, pad: 'sponge-pad' | 'solid-pad' = 'sponge-pad', closedS = 60) =>
    plateFromPad({ pad, closedS, lateS, roomC: 24 });

  it('was hotter than the pad reads, more the later it is read', () => {
    // an independent solver: a sponge pad heated 60 s to 156 °C has lost 20, 27, 32 and 40 K after 1, 2, 3 and 5 s
    for (const [lateS, lostK] of [
      [1, 20],
      [2, 27],
      [3, 32],
      [5, 40],
    ] as const) {
      const { plateC, low, high } = from(lateS)(156 - lostK);
      expect(plateC, `${lateS} s`).to.be.within(154, 164); // the pad’s face is some kelvin below the plate
      expect(low).to.be.below(plateC);
      expect(high).to.be.above(plateC);
    }
  });

  it('is surer when it is read sooner, and off a solid pad', () => {
    const width = (lateS: number, pad?: 'sponge-pad' | 'solid-pad'): number => {
      const { low, high } = from(lateS, pad)(140);
      return high - low;
    };
    expect(width(1)).to.be.below(width(4));
    expect(from(2, 'solid-pad')(140).plateC).to.be.below(from(2)(140).plateC);
  });
});
