import { expect } from 'chai';
import fc from 'fast-check';
import { colourDistance, parseHex } from './colour.ts';
import { drawnArt } from './fixtures/drawnArt.ts';
import { findCleanTolerance, knockOut } from './knockOut.ts';
import type { KnockOut } from './knockOut.ts';
import type { Pixels } from './pixels.ts';
import { scanArt } from './scan.ts';

const art = (width: number, pixels: readonly (readonly number[])[]): Pixels => ({
  width,
  height: pixels.length / width,
  data: Uint8Array.from(pixels.flat()),
});
const BLACK: KnockOut = { hex: '#000000', tol: 8, soft: 14, mode: 'global' };
const alphaOf = ({ data }: Pixels): number[] => [...data].filter((_, i) => i % 4 === 3);

describe('knockOut', () => {
  it('removes within the tolerance, keeps beyond the fade, and un-mixes between', () => {
    const grey = [40, 40, 40, 255];
    const distance = colourDistance({ r: 40, g: 40, b: 40 }, parseHex('#000000'));
    const { image, removedPx, softPx } = knockOut(
      scanArt(art(3, [[4, 4, 4, 255], grey, [255, 255, 255, 255]])),
      {
        ...BLACK,
        soft: 2 * (distance - 8),
      },
    );
    expect(alphaOf(image)).to.deep.equal([0, 128, 255]);
    expect([...image.data.subarray(0, 3)]).to.deep.equal([0, 0, 0]);
    expect(image.data[4]).to.be.above(40); // half black taken out of it: what is left is brighter
    expect([removedPx, softPx]).to.deep.equal([1, 1]);
  });

  it('leaves the colour of faded pixels alone when not asked to clean it', () => {
    const { image } = knockOut(scanArt(art(1, [[40, 40, 40, 255]])), {
      ...BLACK,
      soft: 40,
      decontaminate: false,
    });
    expect([...image.data.subarray(0, 3)]).to.deep.equal([40, 40, 40]);
    expect(image.data[3]).to.be.within(1, 254);
  });

  it('scales what was half transparent already', () => {
    const white = [255, 255, 255, 100];
    expect(alphaOf(knockOut(scanArt(art(2, [white, [0, 0, 0, 100]])), BLACK).image)).to.deep.equal([100, 0]);
  });

  it('floods from the border through nothing and the colour, and treats a rim of two pixels', () => {
    const side = 15;
    const pixels = Array.from({ length: side * side }, (_, i) => {
      const far = Math.max(Math.abs((i % side) - 7), Math.abs(Math.floor(i / side) - 7));
      return far === 4 ? [250, 30, 30, 255] : [0, 0, 0, 255];
    });
    const flooded = knockOut(scanArt(art(side, pixels)), { ...BLACK, mode: 'flood' });
    const everywhere = knockOut(scanArt(art(side, pixels)), BLACK);
    // inside the red ring black stays, but for the rim: two pixels beyond the flood the ring and one row are reached
    expect(everywhere.removedPx - flooded.removedPx).to.equal(25 + 24 - (24 - 4 + 4));
    expect(flooded.image.data[4 * (7 * side + 7) + 3]).to.equal(255);
  });

  it('never adds ink, and takes more for a larger tolerance', () => {
    fc.assert(
      fc.property(
        drawnArt,
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 20 }),
        (image, tol, more) => {
          const spec = { ...BLACK, tol };
          const less = knockOut(scanArt(image), { ...spec, tol: tol + more }).image.data;
          const kept = knockOut(scanArt(image), spec).image.data;
          for (let a = 3; a < kept.length; a += 4) {
            expect(kept[a]).to.be.at.most(image.data[a]);
            expect(less[a]).to.be.at.most(kept[a]);
          }
        },
      ),
      { numRuns: 50 },
    );
  });

  it('refuses what is no tolerance and no colour', () => {
    const scan = scanArt(art(1, [[0, 0, 0, 255]]));
    expect(() => knockOut(scan, { ...BLACK, tol: -1 })).to.throw(RangeError, 'tolerance is -1');
    expect(() => knockOut(scan, { ...BLACK, soft: Number.NaN })).to.throw(RangeError, 'fade is NaN');
    expect(() => knockOut(scan, { ...BLACK, hex: 'black' })).to.throw(RangeError, '“black” is not a colour');
  });
});

describe('findCleanTolerance', () => {
  it('goes up until the noise of a photographed black is gone, and no further', () => {
    const side = 60;
    const pixels = Array.from({ length: side * side }, (_, i) => {
      const [x, y] = [i % side, Math.floor(i / side)];
      if (Math.hypot(x - 30, y - 30) < 12) return [230, 60, 40, 255];
      const noise = (x * 7 + y * 13) % 11 === 0 ? 30 : 3;
      return [noise, noise, noise, 255];
    });
    const work = findCleanTolerance(scanArt(art(side, pixels)), { ...BLACK, tol: 2 }, 0.1);
    let found = work.next();
    const tried: number[] = [];
    while (!found.done) {
      tried.push(found.value);
      found = work.next();
    }
    const needed = colourDistance({ r: 30, g: 30, b: 30 }, parseHex('#000000'));
    expect(found.value).to.be.within(needed, needed + 2);
    expect(tried).to.deep.equal([...tried].sort((p, q) => p - q));
  });
});
