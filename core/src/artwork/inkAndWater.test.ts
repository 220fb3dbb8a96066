import { expect } from 'chai';
import fc from 'fast-check';
import { drawnArt } from './fixtures/drawnArt.ts';
import { DEFAULT_SEPARATION, defaultLaydown, separator } from './ink.ts';
import { analyseArtwork, layWhite, wholePlane } from './index.ts';
import type { Pixels } from './index.ts';
import { scanArt } from './scan.ts';
import { measureWater } from './water.ts';
import { defaultUnderbase } from './white.ts';

const colours = fc.integer({ min: 0, max: 0xffffff });

describe('separator', () => {
  it('gives worked values for white, black, red and a middle grey', () => {
    const separate = separator(DEFAULT_SEPARATION); // of 0xBBGGRR
    expect(separate(0xffffff)).to.deep.equal({ c: 0, m: 0, y: 0, k: 0 });
    expect(separate(0x000000)).to.deep.equal({ c: 0, m: 0, y: 0, k: 1 });
    expect(separate(0x0000ff)).to.deep.equal({ c: 0, m: 1, y: 1, k: 0 });
    const grey = separate(0x666666); // 60 % of each: (0.6 − 0.2) / 0.8 = ½, to the 1.5th
    expect(grey.k).to.be.closeTo(0.5 ** 1.5, 1e-12);
    expect(grey.c).to.be.closeTo(0.6 - 0.5 ** 1.5, 1e-12);
  });

  it('never lays more ink than a surface holds, nor less than none', () => {
    const totals = fc.double({ min: 1, max: 4, noNaN: true });
    fc.assert(
      fc.property(colours, totals, (colour, totalInk) => {
        const { c, m, y, k } = separator({ ...DEFAULT_SEPARATION, totalInk })(colour);
        expect(c + m + y + k).to.be.at.most(totalInk + 1e-9);
        for (const share of [c, m, y, k]) expect(share).to.be.within(0, 1);
      }),
    );
  });
});

describe('measureInk', () => {
  it('adds up a red square of film by hand', () => {
    const image: Pixels = { width: 100, height: 100, data: new Uint8Array(40_000) };
    for (let y = 20; y < 70; y++)
      for (let x = 10; x < 90; x++) image.data.set([255, 0, 0, 255], 4 * (y * 100 + x));
    const { figures } = analyseArtwork(image, {
      widthMm: 100,
      garment: '#000000',
      process: 'dtf',
      underbase: { chokeMm: 0, density: 0.5 },
    });
    expect(figures.inkMm2).to.equal(4000);
    expect(figures.ml.m).to.be.closeTo((4000 * 7) / 1e6, 1e-12);
    expect(figures.ml.c).to.equal(0);
    expect(figures.ml.w).to.be.closeTo(((128 / 255) * 4000 * 16) / 1e6, 1e-12);
    expect(figures.perimeterMm).to.be.closeTo((Math.PI / 4) * 260, 1e-9);
    expect(figures.powderG).to.be.closeTo(((4000 + 0.05 * figures.perimeterMm) * 45) / 1e6, 1e-12);
    expect(figures.filmM2).to.be.closeTo((90 * 60) / 1e6, 1e-12);
  });
});

describe('measureWater', () => {
  it('finds the wettest square of ten millimetres, as a search of all of them does', () => {
    fc.assert(
      fc.property(drawnArt, fc.double({ min: 0.5, max: 6, noNaN: true }), (image, pitchMm) => {
        const scan = scanArt(image);
        const whites = layWhite(scan, pitchMm, '#000000', 'dtg-dark', {
          ...defaultUnderbase('dtg-dark'),
          chokeMm: 0,
        });
        const colourGm2 = (rgb: number): number => 1 + (rgb % 7);
        const laid = whites ? [{ white: whites.underbase, fullGm2: 50 }] : [];
        const water = measureWater(scan, pitchMm, colourGm2, laid);
        const plane = whites ? wholePlane(whites.underbase, image.width, image.height) : new Uint8Array(0);
        const wet = Array.from({ length: image.width * image.height }, (_, i) => {
          const alpha = image.data[4 * i + 3];
          const colour = colourGm2(scan.pixels[i] & 0xffffff);
          return alpha < 8 ? 0 : (colour * alpha) / 255 + (plane[i] / 255) * 50;
        });
        const total = wet.reduce((sum, gm2) => sum + gm2, 0);
        expect(water.inkG).to.be.closeTo((total * pitchMm * pitchMm) / 1e6, 1e-9);
        expect(water.peakGm2).to.be.closeTo(peakByDefinition(wet, image, water.windowPx), 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('does so where every pixel differs, where none does, and where one turns into the other', () => {
    const image: Pixels = { width: 60, height: 90, data: new Uint8Array(4 * 60 * 90).fill(255) };
    for (let y = 0; y < 90; y++)
      for (let x = 0; x < 60 && y % 30 < 20; x++) {
        const at = 4 * (60 * y + x);
        const noise = Math.imul(at + 1, 2654435761) >>> 8; // Knuth's multiplicative hash
        image.data.set([noise & 255, (noise >>> 8) & 255, x, y < 50 ? 255 : 100 + (noise & 127)], at);
      }
    const scan = scanArt(image);
    const colourGm2 = (rgb: number): number => 1 + (rgb % 7);
    for (const pitchMm of [0.4, 1, 3]) {
      const water = measureWater(scan, pitchMm, colourGm2, []);
      const wet = Array.from(scan.pixels, (word) => (colourGm2(word & 0xffffff) * (word >>> 24)) / 255);
      const total = wet.reduce((sum, gm2) => sum + gm2, 0);
      expect(water.inkG).to.be.closeTo((total * pitchMm * pitchMm) / 1e6, 1e-9);
      expect(water.peakGm2).to.be.closeTo(peakByDefinition(wet, image, water.windowPx), 1e-6);
    }
  });

  it('holds the water of a print smaller than the square against the whole square', () => {
    const image: Pixels = { width: 4, height: 4, data: new Uint8Array(64).fill(255) };
    const { figures } = analyseArtwork(image, { widthMm: 4, garment: '#ffffff', process: 'dtg-light' });
    expect(figures.water.windowPx).to.equal(10);
    expect(figures.water.peakGm2).to.equal(0); // white art without white: no ink at all
    expect(defaultLaydown('dtg-light').pretreatmentGM2).to.equal(0);
  });
});

/** The largest mean over squares of k pixels, each of them added up; a square may reach beyond the image, where nothing is. */
function peakByDefinition(wet: readonly number[], { width, height }: Pixels, k: number): number {
  let peak = 0;
  for (let top = Math.min(0, height - k); top <= Math.max(0, height - k); top++)
    for (let left = Math.min(0, width - k); left <= Math.max(0, width - k); left++) {
      let sum = 0;
      for (let y = Math.max(0, top); y < Math.min(height, top + k); y++)
        for (let x = Math.max(0, left); x < Math.min(width, left + k); x++) sum += wet[y * width + x];
      peak = Math.max(peak, sum / (k * k));
    }
  return peak;
}
