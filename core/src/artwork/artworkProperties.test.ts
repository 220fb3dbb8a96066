import { expect } from 'chai';
import fc from 'fast-check';
import { analyseArtwork, squaredDistances } from './index.ts';
import type { ArtJob, Pixels } from './index.ts';
import { LINEAR, encodeSrgb } from './colour.ts';

const images = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .chain(([width, height]) =>
    fc
      .uint8Array({ minLength: 4 * width * height, maxLength: 4 * width * height })
      .map((data): Pixels => ({ width, height, data })),
  );
const jobs = fc.record({
  widthMm: fc.double({ min: 5, max: 300, noNaN: true }),
  garmentHex: fc.constantFrom('#000000', '#1b2a4a', '#ffffff', '#c8c8cc'),
  process: fc.constantFrom<ArtJob['process']>('dtf', 'dtg-dark', 'dtg-light'),
});
const whiteSum = (image: Pixels, job: ArtJob) =>
  analyseArtwork(image, job).white?.plane.reduce((sum, code) => sum + code, 0) ?? 0;

describe('artwork, on any image', () => {
  it('has the same figures when turned over', () => {
    fc.assert(
      fc.property(images, jobs, (image, job) => {
        const { ink } = analyseArtwork(image, job).figures;
        const turned = analyseArtwork(mirror(image), job).figures.ink;
        for (const key of ['inkMm2', 'perimeterMm', 'powderG', 'filmM2'] as const) {
          expect(turned[key]).to.be.closeTo(ink[key], 1e-9 * (1 + ink[key]));
        }
        expect(turned.ml.w).to.be.closeTo(ink.ml.w, 1e-9);
      }),
    );
  });

  it('uses four times the ink at twice the width, without choke', () => {
    fc.assert(
      fc.property(images, jobs, (image, job) => {
        const still = { ...job, underbase: { chokeMm: 0 } };
        const small = analyseArtwork(image, still).figures.ink.ml;
        const large = analyseArtwork(image, { ...still, widthMm: 2 * job.widthMm }).figures.ink.ml;
        for (const channel of ['c', 'm', 'y', 'k', 'w'] as const) {
          expect(large[channel]).to.be.closeTo(4 * small[channel], 1e-9 * (1 + small[channel]));
        }
      }),
    );
  });

  it('never lays more white for more choke, nor less for more density', () => {
    const fractions = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(images, jobs, fractions, fractions, (image, job, p, q) => {
        const [less, more] = [Math.min(p, q), Math.max(p, q)];
        const pitchMm = job.widthMm / image.width;
        expect(whiteSum(image, { ...job, underbase: { chokeMm: 3 * more * pitchMm } })).to.be.at.most(
          whiteSum(image, { ...job, underbase: { chokeMm: 3 * less * pitchMm } }),
        );
        expect(whiteSum(image, { ...job, underbase: { density: more } })).to.be.at.least(
          whiteSum(image, { ...job, underbase: { density: less } }),
        );
      }),
    );
  });

  it('takes exactly the choke off a straight edge, fractions of a pixel included', () => {
    const image: Pixels = { width: 40, height: 200, data: new Uint8Array(4 * 40 * 200).fill(255) };
    for (const chokePx of [0.5, 1, 1.75, 3.2]) {
      const job: ArtJob = {
        widthMm: 40,
        garmentHex: '#000000',
        process: 'dtf',
        underbase: { chokeMm: chokePx, minDot: 0 },
      };
      const { white } = analyseArtwork(image, job);
      const middle = white!.plane.subarray(100 * 40, 101 * 40).reduce((sum, code) => sum + code / 255, 0);
      expect(middle).to.be.closeTo(40 - 2 * chokePx, 0.01);
    }
  });
});

describe('squaredDistances', () => {
  it('agrees with the definition on any mask', () => {
    const masks = images.map(({ width, height, data }) => ({
      width,
      height,
      mask: Uint8Array.from(data.slice(0, width * height), (v) => (v > 60 ? 1 : 0)),
    }));
    fc.assert(
      fc.property(masks, fc.integer({ min: 1, max: 9 }), ({ width, height, mask }, reach) => {
        expect([...squaredDistances(mask, width, height, reach)]).to.deep.equal(
          bruteForce(mask, width, height, reach),
        );
      }),
      { numRuns: 300 },
    );
  });

  it('refuses a mask of another size', () => {
    expect(() => squaredDistances(new Uint8Array(5), 2, 2, 3)).to.throw(RangeError, '5 px, expected 2 × 2');
  });
});

describe('encodeSrgb', () => {
  it('undoes the decoding of every code and rounds to the nearest', () => {
    for (let code = 0; code < 256; code++) expect(encodeSrgb(LINEAR[code])).to.equal(code);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (light) => {
        const v = light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
        expect(Math.abs(encodeSrgb(light) - 255 * v)).to.be.at.most(0.5 + 1e-6);
      }),
    );
  });
});

function mirror({ width, height, data }: Pixels): Pixels {
  const out = new Uint8Array(data.length);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++)
      out.set(data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4), 4 * (y * width + width - 1 - x));
  }
  return { width, height, data: out };
}

function bruteForce(mask: Uint8Array, width: number, height: number, reach: number): number[] {
  const pad = reach;
  return Array.from({ length: width * height }, (_, i) => {
    let best = reach * reach;
    for (let v = -pad; v < height + pad; v++) {
      for (let u = -pad; u < width + pad; u++) {
        const isIn = u >= 0 && v >= 0 && u < width && v < height;
        if (!isIn || !mask[v * width + u])
          best = Math.min(best, (u - (i % width)) ** 2 + (v - Math.floor(i / width)) ** 2);
      }
    }
    return best;
  });
}
