import { expect } from 'chai';
import fc from 'fast-check';
import { bitsWhere, drawnArt } from './fixtures/drawnArt.ts';
import {
  layWhite,
  mirrorPixels,
  mirrorPlane,
  pictureBits,
  pictureWhite,
  previewOnGarment,
  scanArt,
  wholePlane,
} from './index.ts';
import { narrowestChordPx, whiteAt } from './probe.ts';

describe('pictures', () => {
  it('show the garment where nothing is printed, and white as white on full white', () => {
    const image = { width: 2, height: 1, data: Uint8Array.of(0, 0, 0, 0, 255, 255, 255, 255) };
    const scan = scanArt(image);
    const whites = layWhite(scan, 1, '#102030', 'dtf', undefined);
    const seen = previewOnGarment(scan, whites?.underbase ?? null, '#102030', 'dtf').data;
    expect([...seen.subarray(0, 4)]).to.deep.equal([16, 32, 48, 255]);
    const bare = previewOnGarment(scan, null, '#102030', 'dtf').data;
    expect([...bare.subarray(4, 7)]).to.deep.equal([16, 32, 48]); // transparent ink on bare fabric cannot be lighter than it
  });

  it('never show a colour lighter than what lies under the ink', () => {
    fc.assert(
      fc.property(drawnArt, (image) => {
        const scan = scanArt(image);
        const without = previewOnGarment(scan, null, '#808080', 'dtg-light').data;
        for (let p = 0; p < without.length; p++) if (p % 4 !== 3) expect(without[p]).to.be.at.most(128);
      }),
      { numRuns: 30 },
    );
  });

  it('are mirrored back by mirroring twice, planes and pictures alike', () => {
    fc.assert(
      fc.property(drawnArt, (image) => {
        expect(mirrorPixels(mirrorPixels(image)).data).to.deep.equal(new Uint8Array(image.data));
        const plane = Uint8Array.from({ length: image.width * image.height }, (_, i) => i % 251);
        expect(mirrorPlane(mirrorPlane(plane, image.width), image.width)).to.deep.equal(plane);
      }),
      { numRuns: 30 },
    );
  });

  it('lay a plane of the ink’s rectangle where it belongs', () => {
    fc.assert(
      fc.property(drawnArt, (image) => {
        const whites = layWhite(scanArt(image), 1, '#000000', 'dtf');
        if (!whites) return;
        const whole = wholePlane(whites.underbase, image.width, image.height);
        const pictured = pictureWhite(whites.underbase, image.width, image.height).data;
        for (let i = 0; i < whole.length; i++) {
          expect(whiteAt(whites.underbase, i % image.width, Math.floor(i / image.width))).to.equal(whole[i]);
          expect(pictured[4 * i + 3]).to.equal(whole[i]);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('mark just the set pixels of a mask', () => {
    const bits = bitsWhere(40, 3, (x, y) => (x + y) % 5 === 0);
    const marked = pictureBits(bits, { r: 9, g: 8, b: 7 }).data;
    for (let i = 0; i < 120; i++)
      expect(marked[4 * i + 3]).to.equal(((i % 40) + Math.floor(i / 40)) % 5 === 0 ? 255 : 0);
  });

  it('measure how wide the art is under the pointer', () => {
    const data = new Uint8Array(4 * 100 * 40);
    for (let x = 5; x < 95; x++) for (let y = 10; y < 17; y++) data.set([0, 0, 0, 255], 4 * (y * 100 + x));
    const scan = scanArt({ width: 100, height: 40, data });
    expect(narrowestChordPx(scan, 50, 13, 60)).to.equal(7);
    expect(narrowestChordPx(scan, 50, 30, 60)).to.equal(0);
    expect(narrowestChordPx(scan, 50, 13, 5)).to.equal(5);
  });
});
