import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import sharp from 'sharp';
import { analyseArtwork, mirrorPlane, previewOnGarment, wholePlane } from './index.ts';
import type { ArtJob, Pixels } from './index.ts';

type Json = number | string | boolean | null | Json[] | { [key: string]: Json };
interface Case {
  name: string;
  art: string;
  job: ArtJob;
  expected: Record<string, Json> & { preview: { meanRGB: number[] }; samples: Record<string, string> };
}

const fixtures = new URL('fixtures/', import.meta.url);
const cases = JSON.parse(readFileSync(new URL('cases.json', fixtures), 'utf8')) as Case[];

async function decode(art: string): Promise<Pixels> {
  const { data, info } = await sharp(readFileSync(new URL(art, fixtures)))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/** Counts agree exactly, shares of thin, soft and gap within 5e-4, everything else within one part in a million. */
function expectAgreement(actual: unknown, wanted: Json, path: string): void {
  if (typeof wanted === 'number') {
    const isCounted = /Px$|hist16|parts\.|unique|\.flat$|bbox\./.test(path) && Number.isInteger(wanted);
    const slack = isCounted
      ? 0
      : /thin|gap|softShare|semiShare/.test(path)
        ? 5e-4
        : 1e-6 * Math.abs(wanted) + 1e-9;
    expect(actual, path).to.be.closeTo(wanted, slack);
  } else if (Array.isArray(wanted) || (typeof wanted === 'object' && wanted !== null)) {
    for (const [key, inner] of Object.entries(wanted))
      expectAgreement((actual as Record<string, unknown>)[key], inner, `${path}.${key}`);
  } else expect(actual, path).to.equal(wanted);
}

describe('analyseArtwork', () => {
  for (const { name, art, job, expected } of cases) {
    it(`agrees with an independent calculation: ${name}`, async function () {
      const image = await decode(art);
      const { figures, whites, scan } = analyseArtwork(image, job);
      const { preview, samples, warnings, solid, ...rest } = expected;
      expectAgreement(figures, rest, 'figures');
      expect(figures.warnings).to.deep.equal(warnings);
      const { circleMm, largestMm2 } = solid as Record<string, number>;
      expect(figures.solid.circleMm).to.be.closeTo(circleMm, 0.5 * figures.pitchMm);
      expect(figures.solid.largestMm2).to.be.closeTo(largestMm2, 1e-6 * largestMm2);
      const seen = previewOnGarment(scan, whites?.underbase ?? null, job.garment, job.process);
      meanRgb(seen).forEach((mean, i) => expect(mean).to.be.closeTo(preview.meanRGB[i], 0.01));
      const plane = whites
        ? wholePlane(whites.underbase, scan.width, scan.height)
        : new Uint8Array(scan.width * scan.height);
      const mirrored = mirrorPlane(plane, scan.width);
      const channel = (i: number) => (at: number) => seen.data[4 * at + i];
      expectSamples(scan, samples.alpha, (at) => scan.pixels[at] >>> 24);
      expectSamples(scan, samples.white, (at) => plane[at]);
      expectSamples(scan, samples.whiteMirrored, (at) => mirrored[at]);
      expectSamples(scan, samples.previewR, channel(0));
      expectSamples(scan, samples.previewG, channel(1));
      expectSamples(scan, samples.previewB, channel(2));
    });
  }

  it('calls an image without ink empty and prints nothing', () => {
    const image: Pixels = { width: 3, height: 2, data: new Uint8Array(24) };
    const { figures, whites } = analyseArtwork(image, { widthMm: 30, garment: '#000000', process: 'dtf' });
    expect(whites).to.equal(null);
    expect(figures.findings.map(({ code }) => code)).to.deep.equal(['empty']);
    expect(figures.inkMm2).to.equal(0);
    expect(figures.water.peakGm2).to.equal(0);
  });

  it('judges a single opaque pixel, and a strip 20 000 px long', () => {
    const dot: Pixels = { width: 1, height: 1, data: Uint8Array.of(255, 0, 0, 255) };
    const job: ArtJob = { widthMm: 0.1, garment: '#000000', process: 'dtf', underbase: { chokeMm: 0 } };
    const { figures } = analyseArtwork(dot, job);
    expect(figures.inkMm2).to.be.closeTo(0.01, 1e-12);
    expect(figures.white.coverageOfInk).to.equal(1);
    expect(figures.parts.components).to.equal(1);
    const strip: Pixels = { width: 1, height: 20_000, data: new Uint8Array(80_000).fill(255) };
    expect(analyseArtwork(strip, { ...job, widthMm: 0.0846 }).figures.heightMm).to.be.closeTo(1692, 1e-9);
  });

  it('refuses what it cannot measure', () => {
    const image: Pixels = { width: 2, height: 2, data: new Uint8Array(15) };
    const job: ArtJob = { widthMm: 100, garment: '#000000', process: 'dtf' };
    expect(() => analyseArtwork(image, job)).to.throw(RangeError, '15 bytes, expected 16');
    const sound = { ...image, data: new Uint8Array(16).fill(255) };
    expect(() => analyseArtwork(sound, { ...job, widthMm: 0 })).to.throw(RangeError, '0 mm');
    expect(() => analyseArtwork(sound, { ...job, garment: 'navy' })).to.throw(
      RangeError,
      '“navy” is not a colour',
    );
    expect(() => analyseArtwork(sound, { ...job, underbase: { chokeMm: -1 } })).to.throw(
      RangeError,
      'choke is -1 mm',
    );
    const step = { kind: 'perforate', holeMm: 0.5, pitchMm: 3 } as const;
    expect(() => analyseArtwork(sound, { ...job, steps: [step] })).to.throw(
      RangeError,
      'hole of “perforate” is 0.5',
    );
  });
});

/** 16 × 16 places over the image; at most two may be off, by one code. */
function expectSamples(
  { width, height }: { width: number; height: number },
  hex: string,
  at: (i: number) => number,
) {
  const off = Array.from({ length: 256 }, (_, i) => {
    const x = Math.floor((((i % 16) + 0.5) * width) / 16);
    const y = Math.floor(((Math.floor(i / 16) + 0.5) * height) / 16);
    return Math.abs(at(y * width + x) - Number.parseInt(hex.slice(2 * i, 2 * i + 2), 16));
  });
  expect(off.filter((by) => by > 0).length).to.be.at.most(2);
  expect(Math.max(...off)).to.be.at.most(1);
}

function meanRgb({ data }: Pixels): number[] {
  const sum = [0, 0, 0];
  for (let p = 0; p < data.length; p += 4) for (let i = 0; i < 3; i++) sum[i] += data[p + i];
  return sum.map((total) => total / (data.length / 4));
}
