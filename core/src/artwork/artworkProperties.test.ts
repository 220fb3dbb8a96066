import { expect } from 'chai';
import fc from 'fast-check';
import { analyseArtwork, openArt, wholePlane } from './index.ts';
import type { ArtFigures, ArtJob, Pixels } from './index.ts';
import { LINEAR, encodeSrgb } from './colour.ts';
import { drawBlobs, drawnArt, noiseArt } from './fixtures/drawnArt.ts';
import { finishScan, mergeScans, scanArt, scanRows, startScan } from './scan.ts';

const images = fc.oneof(drawnArt, noiseArt);
const jobs = fc.record({
  widthMm: fc.double({ min: 0.5, max: 30, noNaN: true }),
  garment: fc.constantFrom('#000000', '#1b2a4a', '#ffffff', '#c8c8cc'),
  process: fc.constantFrom<ArtJob['process']>('dtf', 'dtg-dark', 'dtg-light', 'sub'),
});
const figuresOf = (image: Pixels, job: ArtJob): ArtFigures => analyseArtwork(image, job).figures;
const whiteOf = (image: Pixels, job: ArtJob): Uint8Array => {
  const { whites } = analyseArtwork(image, job);
  return whites ? wholePlane(whites.underbase, image.width, image.height) : new Uint8Array(0);
};

/** What must not change when the art is turned, flipped or given a margin. */
function unmoved(figures: ArtFigures): Record<string, unknown> {
  const { inkMm2, maskMm2, semiShare, softShare, thin, gap, parts, perimeterMm, white, ml, powderG, water } =
    figures;
  const { coverageOfInk, lostToChokePx, chokeLostShare } = white; // the others are relative to the whole image
  const rest = { coverageOfInk, lostToChokePx, chokeLostShare };
  const all = {
    inkMm2,
    maskMm2,
    semiShare,
    softShare,
    ...thin,
    gap3: gap['0.3'],
    gap5: gap['0.5'],
    ...parts,
    perimeterMm,
    ...rest,
    ...ml,
    powderG,
  };
  return {
    ...all,
    circleMm: figures.solid.circleMm,
    peak: water.peakGm2,
    warnings: figures.warnings.filter((code) => code !== 'upscaled'), // what a file is blown up by depends on where its squares begin
  };
}

/** Figures that are the same but for how sums come out in another order: by a hundred-millionth, a peak by a millionth. */
function expectSame(after: Record<string, unknown>, before: Record<string, unknown>): void {
  const apart = Object.keys({ ...before, ...after }).filter((key) => {
    const [p, q] = [after[key], before[key]];
    if (typeof p !== 'number' || typeof q !== 'number' || Object.is(p, q)) return false;
    return !(Math.abs(p - q) <= (key === 'peak' ? 1e-6 : 1e-8 * Math.abs(q)));
  });
  expect(apart.map((key) => [key, after[key], before[key]])).to.deep.equal([]);
  const others = (own: Record<string, unknown>): [string, unknown][] =>
    Object.entries(own).filter(([, value]) => typeof value !== 'number');
  expect(others(after)).to.deep.equal(others(before));
}

describe('artwork, on any image', () => {
  it('has the same figures mirrored, upside down, turned by a quarter, and with an empty margin', () => {
    fc.assert(
      fc.property(images, jobs, fc.integer({ min: 2, max: 90 }), (image, job, pitch) => {
        // a pitch that halves exactly, so that turning the art does not move it across a limit by rounding
        const at = (picture: Pixels) => ({ ...job, widthMm: (picture.width * pitch) / 128 });
        const before = unmoved(figuresOf(image, at(image)));
        const flips = [
          place(image, image.width, image.height, (x, y) => [image.width - 1 - x, y]),
          place(image, image.width, image.height, (x, y) => [x, image.height - 1 - y]),
          place(image, image.height, image.width, (x, y) => [image.height - 1 - y, x]),
          place(image, image.width + 7, image.height + 40, (x, y) => [x + 3, y + 31]),
        ];
        for (const flipped of flips) expectSame(unmoved(figuresOf(flipped, at(flipped))), before);
      }),
      { numRuns: 60 },
    );
  });

  it('uses four times the ink at twice the width, without choke', () => {
    fc.assert(
      fc.property(images, jobs, (image, job) => {
        const still = { ...job, underbase: { chokeMm: 0 } };
        const small = figuresOf(image, still).ml;
        const large = figuresOf(image, { ...still, widthMm: 2 * job.widthMm }).ml;
        for (const channel of ['c', 'm', 'y', 'k', 'w'] as const)
          expect(large[channel]).to.be.closeTo(4 * small[channel], 1e-9 * (1 + small[channel]));
      }),
      { numRuns: 40 },
    );
  });

  it('never lays more white anywhere for more choke, nor less for more density, nor any where there is no ink', () => {
    const fractions = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(images, jobs, fractions, fractions, (image, job, p, q) => {
        const [less, more] = [Math.min(p, q), Math.max(p, q)];
        const pitchMm = job.widthMm / image.width;
        const wide = whiteOf(image, { ...job, underbase: { chokeMm: Math.min(20, 2 * less * pitchMm) } });
        const narrow = whiteOf(image, { ...job, underbase: { chokeMm: Math.min(20, 2 * more * pitchMm) } });
        const thin = whiteOf(image, { ...job, underbase: { density: less } });
        const full = whiteOf(image, { ...job, underbase: { density: more } });
        for (let i = 0; i < wide.length; i++) {
          expect(narrow[i]).to.be.at.most(wide[i]);
          expect(full[i]).to.be.at.least(thin[i]);
          if (image.data[4 * i + 3] < 8) expect(wide[i]).to.equal(0);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('looks the same on a garment of the colour that is knocked out', () => {
    const specs = fc.record({
      tol: fc.integer({ min: 0, max: 20 }),
      soft: fc.integer({ min: 1, max: 30 }),
      mode: fc.constantFrom<'global' | 'flood'>('global', 'flood'),
    });
    const opaque = drawnArt.map((art): Pixels => ({
      ...art,
      data: art.data.map((v, i) => (i % 4 === 3 ? 255 : v)),
    }));
    fc.assert(
      fc.property(opaque, specs, ({ width, height, data }, { tol, soft, mode }) => {
        const hex = '#000000';
        const kept = analyseArtwork(
          { width, height, data },
          {
            widthMm: 20,
            garment: hex,
            process: 'dtg-dark',
            steps: [{ kind: 'knock-out', hex, tol, soft, mode }],
          },
        ).image;
        for (let p = 0; p < data.length; p += 4) {
          const alpha = kept.data[p + 3] / 255;
          if (alpha === 0) continue; // within the tolerance: called the garment's colour
          const brightest = Math.max(LINEAR[data[p]], LINEAR[data[p + 1]], LINEAR[data[p + 2]]);
          if (brightest > alpha - 1 / 255) continue; // a fade too steep for this colour: no ink is bright enough to make up for it
          for (let i = 0; i < 3; i++) {
            const mixed = encodeSrgb(alpha * LINEAR[kept.data[p + i]]);
            const slack = alpha >= 0.5 ? 1 : 3; // alpha has 8 bits: the fainter the pixel, the coarser its steps
            expect(Math.abs(mixed - data[p + i]), `${data[p + i]} became ${mixed}`).to.be.at.most(slack);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it('finds the same in bands, in any order, as at once', () => {
    fc.assert(
      fc.property(drawnArt, fc.integer({ min: 1, max: 20 }), (image, band) => {
        const own = startScan(image);
        const other = startScan(image);
        for (let y = 0; y < image.height; y += band)
          scanRows((y / band) % 2 === 0 ? own : other, y, Math.min(image.height, y + band));
        mergeScans(other, own);
        const merged = finishScan(other);
        const whole = scanArt(image);
        for (const key of ['inkPx', 'shapePx', 'opaquePx', 'ghostPx', 'alphaPx', 'nnScale', 'box'] as const)
          expect(merged[key], key).to.deep.equal(whole[key]);
        const flat = ({ colours }: typeof whole) => colours.map((rgb) => colours.flatPx(colours.known(rgb)));
        expect([...flat(merged)].sort()).to.deep.equal([...flat(whole)].sort());
      }),
      { numRuns: 60 },
    );
  });

  it('takes exactly the choke off a straight edge, fractions of a pixel included', () => {
    const image: Pixels = { width: 40, height: 200, data: new Uint8Array(4 * 40 * 200).fill(255) };
    for (const chokePx of [0.5, 1, 1.75, 3.2, 36]) {
      const underbase = { chokeMm: chokePx / 4, minDot: 0 };
      const white = whiteOf(image, { widthMm: 10, garment: '#000000', process: 'dtf', underbase });
      const middle = white.subarray(100 * 40, 101 * 40).reduce((sum, one) => sum + one / 255, 0);
      expect(middle).to.be.closeTo(Math.max(0, 40 - 2 * chokePx), 0.01);
    }
  });

  it('gives a second white only to what is light and grey', () => {
    const image = drawBlobs(60, 20, [
      { x: 10, y: 10, r: 8, rgba: [255, 255, 255, 255], isDisc: false },
      { x: 40, y: 10, r: 8, rgba: [250, 40, 40, 255], isDisc: false },
    ]);
    const job: ArtJob = {
      widthMm: 60,
      garment: '#000000',
      process: 'dtg-dark',
      underbase: { highlight: 1, chokeMm: 0 },
    };
    const { figures, whites } = analyseArtwork(image, job);
    const second = wholePlane(whites!.highlight!, 60, 20);
    expect([second[10 * 60 + 10], second[10 * 60 + 40]]).to.deep.equal([255, 0]);
    expect(figures.ml.h).to.be.closeTo((17 * 17 * 35) / 1e6, 1e-12);
  });
});

describe('openArt', () => {
  it('previews the same white and ink that it then measures, and remembers nothing wrongly between jobs', () => {
    fc.assert(
      fc.property(images, fc.array(jobs, { minLength: 2, maxLength: 4 }), (image, all) => {
        const desk = openArt(image);
        for (const job of all) {
          const { whites } = desk.preview(job);
          const { coverage, ml, powderG, filmM2, pretreatG, pretreatM2 } = analyseArtwork(image, job).figures;
          expect(desk.previewInk(job)).to.deep.equal({
            coverage,
            ml,
            powderG,
            filmM2,
            pretreatG,
            pretreatM2,
          });
          expect(whites?.underbase.plane ?? null).to.deep.equal(
            analyseArtwork(image, job).whites?.underbase.plane ?? null,
          );
        }
      }),
      { numRuns: 40 },
    );
  });

  it('tells its progress, ever nearer to one', () => {
    const image = drawBlobs(70, 50, [{ x: 20, y: 20, r: 15, rgba: [9, 9, 200, 255], isDisc: true }]);
    const shares: number[] = [];
    const work = openArt(image).analysing({ widthMm: 20, garment: '#ffffff', process: 'dtf' });
    for (let next = work.next(); !next.done; next = work.next()) shares.push(next.value);
    expect(shares.length).to.be.above(8);
    expect(shares).to.deep.equal([...shares].sort((p, q) => p - q));
    expect(Math.max(...shares)).to.be.below(1);
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

/** The image on a sheet of another size, each pixel moved. */
function place(
  { width, height, data }: Pixels,
  toWidth: number,
  toHeight: number,
  to: (x: number, y: number) => [number, number],
): Pixels {
  const out = new Uint8Array(4 * toWidth * toHeight);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [u, v] = to(x, y);
      out.set(data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4), 4 * (v * toWidth + u));
    }
  return { width: toWidth, height: toHeight, data: out };
}
