import { expect } from 'chai';
import { drawPixels } from './fixtures/drawnArt.ts';
import type { Rgba } from './fixtures/drawnArt.ts';
import { analyseArtwork } from './index.ts';
import type { ArtFigures, ArtJob, Finding, Pixels } from './index.ts';

const RED: Rgba = [205, 45, 60, 255];
/** 300 px per inch unless told otherwise. */
const judge = (image: Pixels, job: Partial<ArtJob> = {}): ArtFigures =>
  analyseArtwork(image, { widthMm: (image.width * 25.4) / 300, garment: '#1b2a4a', process: 'dtf', ...job })
    .figures;
const finding = (figures: ArtFigures, code: Finding['code']): Finding => {
  const found = figures.findings.find((one) => one.code === code);
  if (!found)
    throw new Error(`${code} was not found, only ${figures.findings.map((one) => one.code).join(', ')}`);
  return found;
};
const codes = ({ findings }: ArtFigures): string[] => findings.map(({ code }) => code);
const disc = drawPixels(400, 400, (x, y) => (Math.hypot(x - 200, y - 200) < 199 ? RED : null));

describe('findings', () => {
  it('say nothing of a sound disc at 300 pixels per inch', () => {
    expect(codes(judge(disc))).to.deep.equal([]);
  });

  it('grade the resolution, and offer the width at which it is good', () => {
    const at = (perInch: number): ArtFigures => judge(disc, { widthMm: (400 * 25.4) / perInch });
    expect(codes(at(149))).to.include('resolution-bad');
    expect(codes(at(151))).to.include('resolution-low');
    expect(codes(at(201))).to.include('resolution-soft');
    expect(codes(at(281))).to.deep.equal([]);
    expect(codes(at(621))).to.include('resolution-oversampled');
    const [fix] = finding(at(149), 'resolution-bad').fixes;
    expect(fix).to.deep.equal({ kind: 'print-width', widthMm: 33.9 });
  });

  it('offer no width that would be too small to print', () => {
    const tiny = drawPixels(100, 100, () => RED);
    expect(finding(judge(tiny, { widthMm: 50 }), 'resolution-bad').fixes).to.deep.equal([]);
  });

  it('call a picture blown up by its factor', () => {
    const blown = drawPixels(400, 400, (x, y) =>
      (Math.floor(x / 4) * 7 + Math.floor(y / 4) * 3) % 5 < 3 ? RED : [20, 90, 160, 255],
    );
    const found = finding(judge(blown), 'upscaled');
    expect(found.params).to.include({ factor: 4 });
    expect(Number(found.params.truePerInch)).to.be.closeTo(75, 0.1);
    expect(found.confidence).to.equal('likely');
  });

  it('name the box by its tone, and knock it out everywhere only where the garment has its colour', () => {
    const boxed = (colour: Rgba): Pixels =>
      drawPixels(300, 300, (x, y) => (Math.hypot(x - 150, y - 150) < 90 ? RED : colour));
    const modes = (figures: ArtFigures): unknown[] =>
      finding(figures, 'opaque-box').fixes.map(
        (fix) => fix.kind === 'step' && fix.step.kind === 'knock-out' && fix.step.mode,
      );
    const white = judge(boxed([255, 255, 255, 255]));
    expect(finding(white, 'opaque-box').params).to.include({ tone: 'white', likeGarment: false });
    expect(modes(white)).to.deep.equal(['flood', 'global']);
    const like = judge(boxed([27, 42, 74, 255]));
    expect(finding(like, 'opaque-box').params).to.include({ tone: 'other', likeGarment: true });
    expect(modes(like)).to.deep.equal(['global', 'flood']);
    expect(white.warnings).to.include('opaque-box-white');
    expect(like.warnings).to.include('opaque-box-like-garment');
  });

  it('see through a frame of two faint pixels round the box', () => {
    const framed = drawPixels(300, 300, (x, y) => {
      const edge = Math.min(x, y, 299 - x, 299 - y);
      return edge < 2 ? [4, 4, 4, 60] : Math.hypot(x - 150, y - 150) < 90 ? RED : [4, 4, 4, 255];
    });
    expect(codes(judge(framed))).to.include('opaque-box');
  });

  it('leave a photo that fills its rectangle in doubt', () => {
    const photo = drawPixels(300, 300, (x, y) => [(x * 5) % 256, (y * 7) % 256, ((x + y) * 3) % 256, 255]);
    expect(finding(judge(photo), 'opaque-rectangle')).to.include({ severity: 'note', confidence: 'likely' });
  });

  it('find hair-lines where they are, the longest first', () => {
    const lines = drawPixels(600, 300, (x, y) => {
      if (y === 50 && x > 10 && x < 500) return RED;
      if (y === 150 && x > 10 && x < 100) return RED;
      return x > 520 && x < 580 && y > 200 && y < 280 ? RED : null;
    });
    const found = finding(judge(lines), 'hairlines');
    expect(found.placeCount).to.equal(2);
    expect(found.places[0]).to.deep.equal({ x: 11, y: 50, w: 489, h: 1 });
    expect(found.places[1]).to.include({ y: 150 });
  });

  it('warn of gaps only where powder could bridge them', () => {
    const slits = drawPixels(300, 300, (x) => (x % 20 < 2 ? null : RED));
    expect(codes(judge(slits))).to.include('narrow-gaps');
    expect(codes(judge(slits, { process: 'dtg-dark' }))).to.not.include('narrow-gaps');
  });

  it('point at art in the garment’s own colour, unless a box of it was named already', () => {
    const half = drawPixels(300, 300, (x, y) => {
      if (Math.hypot(x - 150, y - 150) > 148) return null;
      return x < 150 ? [27, 42, 74, 255] : RED;
    });
    const found = finding(judge(half), 'garment-coloured');
    expect(Number(found.params.share)).to.be.closeTo(0.5, 0.02);
    expect(found.places[0]?.x).to.be.below(5);
  });

  it('tell what sublimation ink loses, and refuse a dark garment', () => {
    const pale = drawPixels(300, 300, (x) => (x < 150 ? [255, 255, 255, 255] : RED));
    const onGrey = judge(pale, { process: 'sub', garment: '#dcdcdc' });
    expect(Number(finding(onGrey, 'needs-white').params.share)).to.be.closeTo(0.5, 0.02);
    expect(onGrey.ml.w).to.equal(0);
    const onNavy = judge(pale, { process: 'sub' });
    expect(onNavy.findings[0]).to.include({ code: 'garment-too-dark', severity: 'stop' });
    expect(onNavy.warnings).to.include('garment-too-dark');
  });

  it('come in order of harm', () => {
    const bad = drawPixels(500, 500, (x, y) => {
      if (y < 60) return y === 20 && x > 10 && x < 480 ? RED : null;
      return x > 60 && x < 440 && y > 100 && y < 440 ? RED : null;
    });
    const order = codes(judge(bad, { widthMm: 200 }));
    expect(order.indexOf('resolution-bad')).to.equal(0);
    expect(order.at(-1)).to.equal('empty-margin');
  });
});
