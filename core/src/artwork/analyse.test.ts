import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import sharp from 'sharp';
import { INK_CHANNELS, analyseArtwork, previewOnGarment } from './index.ts';
import type { ArtJob, Pixels } from './index.ts';

interface Case {
  name: string;
  art: string;
  job: ArtJob;
  expected: {
    heightMm: number;
    box: { x: number; y: number; w: number; h: number };
    boxKind: string;
    boxHex: string | null;
    boxShare: number | null;
    previewMean: number[];
    coverage: Record<string, number>;
    ml: Record<string, number>;
  } & Record<
    | 'ghostPx'
    | 'semiShare'
    | 'softShare'
    | 'inkMm2'
    | 'perimeterMm'
    | 'powderG'
    | 'filmM2'
    | 'pretreatmentG'
    | 'lostToChokePx',
    number
  >;
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

describe('analyseArtwork', () => {
  for (const { name, art, job, expected } of cases) {
    it(`agrees with an independent calculation: ${name}`, async function () {
      this.timeout(90_000);
      const image = await decode(art);
      const { figures, white } = analyseArtwork(image, job);
      const close = (actual: number, wanted: number) =>
        expect(actual).to.be.closeTo(wanted, 1e-6 * Math.abs(wanted) + 1e-7);
      close(figures.heightMm, expected.heightMm);
      const { x, y, w, h } = expected.box;
      expect(figures.box).to.deep.equal({ x, y, width: w, height: h });
      expect(figures.opaqueBox.kind).to.equal(expected.boxKind);
      if (figures.opaqueBox.kind === 'uniform-box') {
        expect(figures.opaqueBox.hex).to.equal(expected.boxHex);
        close(figures.opaqueBox.boxShare, expected.boxShare!);
      }
      expect(figures.file.ghostPx).to.equal(expected.ghostPx);
      close(figures.file.semiShare, expected.semiShare);
      expect(figures.file.softShare).to.be.closeTo(expected.softShare, 5e-4);
      close(figures.ink.inkMm2, expected.inkMm2);
      close(figures.ink.perimeterMm, expected.perimeterMm);
      for (const channel of INK_CHANNELS) {
        close(figures.ink.coverage[channel], expected.coverage[channel]);
        close(figures.ink.ml[channel], expected.ml[channel]);
      }
      close(figures.ink.powderG, expected.powderG);
      close(figures.ink.filmM2, expected.filmM2);
      close(figures.ink.pretreatmentG, expected.pretreatmentG);
      expect(figures.lostToChokePx).to.equal(expected.lostToChokePx);
      const mean = meanRgb(previewOnGarment(image, white, job.garmentHex, job.process));
      mean.forEach((channel, i) => expect(channel).to.be.closeTo(expected.previewMean[i], 0.01));
    });
  }

  it('calls an image without ink empty and prints nothing', () => {
    const image: Pixels = { width: 3, height: 2, data: new Uint8Array(24) };
    const { figures, white } = analyseArtwork(image, { widthMm: 30, garmentHex: '#000000', process: 'dtf' });
    expect(white).to.equal(null);
    expect(figures.findings.map((finding) => finding.code)).to.deep.equal(['empty']);
    expect(figures.ink.inkMm2).to.equal(0);
  });

  it('judges a single opaque pixel', () => {
    const image: Pixels = { width: 1, height: 1, data: Uint8Array.of(255, 0, 0, 255) };
    const { figures } = analyseArtwork(image, {
      widthMm: 0.1,
      garmentHex: '#000000',
      process: 'dtf',
      underbase: { chokeMm: 0 },
    });
    expect(figures.ink.inkMm2).to.be.closeTo(0.01, 1e-12);
    expect(figures.whiteShare).to.equal(1);
  });

  it('refuses what it cannot measure', () => {
    const image: Pixels = { width: 2, height: 2, data: new Uint8Array(15) };
    const job: ArtJob = { widthMm: 100, garmentHex: '#000000', process: 'dtf' };
    expect(() => analyseArtwork(image, job)).to.throw(RangeError, '15 bytes, expected 16');
    const sound = { ...image, data: new Uint8Array(16).fill(255) };
    expect(() => analyseArtwork(sound, { ...job, widthMm: 0 })).to.throw(RangeError, '0 mm');
    expect(() => analyseArtwork(sound, { ...job, underbase: { chokeMm: -1 } })).to.throw(
      RangeError,
      'choke is -1 mm',
    );
  });
});

function meanRgb({ data }: Pixels): number[] {
  const sum = [0, 0, 0];
  for (let p = 0; p < data.length; p += 4) for (let i = 0; i < 3; i++) sum[i] += data[p + i];
  return sum.map((total) => total / (data.length / 4));
}
