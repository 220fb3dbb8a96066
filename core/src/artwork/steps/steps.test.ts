import { expect } from 'chai';
import { drawPixels } from '../fixtures/drawnArt.ts';
import { analyseArtwork } from '../index.ts';
import type { ArtFigures, ArtJob, ArtStep, Pixels } from '../index.ts';
import { openShare } from './index.ts';

/** 10 px per mm throughout: a pixel is 0.1 mm. */
const jobFor = (image: Pixels, steps: ArtStep[] = []): ArtJob => ({
  widthMm: image.width / 10,
  garment: '#000000',
  process: 'dtf',
  steps,
});
const judged = (image: Pixels, steps: ArtStep[] = []): ArtFigures =>
  analyseArtwork(image, jobFor(image, steps)).figures;
const codes = ({ findings }: ArtFigures): string[] => findings.map(({ code }) => code);
/** The first fix of a finding, as a step. */
function fixOf(figures: ArtFigures, code: string): ArtStep {
  const fix = figures.findings.find((finding) => finding.code === code)?.fixes[0];
  if (fix?.kind !== 'step') throw new Error(`${code} offers no step`);
  return fix.step;
}
const RED: [number, number, number, number] = [200, 30, 40, 255];

describe('steps done to a file before it is printed', () => {
  it('take a black box out: white, powder and the finding go with it', () => {
    const image = drawPixels(300, 300, (x, y) => (Math.hypot(x - 150, y - 150) < 60 ? RED : [4, 4, 4, 255]));
    const before = judged(image);
    const after = judged(image, [fixOf(before, 'opaque-box')]);
    expect(codes(before)[0]).to.equal('opaque-box');
    expect(codes(after)).to.not.include('opaque-box');
    expect(after.inkMm2).to.be.closeTo(Math.PI * 36, 1);
    expect(after.ml.w).to.be.below(0.2 * before.ml.w);
    expect(after.powderG).to.be.below(0.2 * before.powderG);
    expect(after.knockout?.removedPx).to.be.above(75_000);
  });

  it('flood from the border and leave the same colour inside alone', () => {
    const image = drawPixels(200, 200, (x, y) => {
      const far = Math.hypot(x - 100, y - 100);
      return far < 60 && far >= 30 ? RED : [255, 255, 255, 255];
    });
    const spec = { kind: 'knock-out', hex: '#ffffff', tol: 8, soft: 14 } as const;
    const flooded = judged(image, [{ ...spec, mode: 'flood' }]);
    const everywhere = judged(image, [{ ...spec, mode: 'global' }]);
    expect(flooded.inkMm2 - everywhere.inkMm2).to.be.closeTo(Math.PI * 9, 0.5);
  });

  it('crop the empty margin, so that the art is as wide as the ticket says', () => {
    const image = drawPixels(400, 300, (x, y) => (x >= 100 && x < 300 && y >= 100 && y < 200 ? RED : null));
    const before = judged(image);
    const after = judged(image, [fixOf(before, 'empty-margin')]);
    expect(before.bboxMm?.w).to.be.closeTo(20, 1e-9);
    expect(after.bboxMm).to.deep.include({ x: 0, y: 0, w: 40 });
    expect(after.px).to.deep.equal([200, 100]);
  });

  it('screen a glow into dots that hold, with about as much ink as before', () => {
    const glow = drawPixels(600, 600, (x, y) => {
      const share = 1 - Math.hypot(x - 300, y - 300) / 280;
      return share <= 0 ? null : [250, 210, 40, Math.round(255 * Math.min(1, share * 1.4))];
    });
    const before = judged(glow);
    const step = fixOf(before, 'soft-alpha');
    expect(step.kind).to.equal('screen-soft');
    const after = judged(glow, [step]);
    expect(before.softShare).to.be.above(0.5);
    expect(after.softShare).to.be.below(0.02);
    expect(after.parts.specks).to.equal(0);
    expect(after.parts.pinholes).to.equal(0);
    expect(after.inkMm2).to.be.within(0.85 * before.inkMm2, 1.05 * before.inkMm2);
    expect(judged(glow, [{ kind: 'harden-edges', threshold: 128 }]).softShare).to.equal(0);
  });

  it('thicken hair-lines by what is asked, and nothing else', () => {
    const image = drawPixels(400, 200, (x, y) => {
      if (x >= 20 && x < 380 && y >= 40 && y < 42) return RED;
      return x >= 20 && x < 120 && y >= 80 && y < 180 ? RED : null;
    });
    const before = judged(image);
    const after = judged(image, [fixOf(before, 'hairlines')]);
    expect(before.thin['0.3']).to.be.closeTo(720 / 10_720, 1e-9);
    expect(after.thin['0.3']).to.equal(0);
    expect(after.inkMm2 - before.inkMm2).to.be.closeTo(36 * 0.2, 0.2); // 36 mm of line, 0.2 mm wider
  });

  it('drop specks and leave what is larger', () => {
    const image = drawPixels(300, 300, (x, y) => {
      if (x >= 100 && x < 200 && y >= 100 && y < 200) return RED;
      return x < 96 && x % 9 < 2 && y % 9 < 2 ? RED : null;
    });
    const before = judged(image);
    const after = judged(image, [fixOf(before, 'specks')]);
    expect(before.parts.specks).to.be.above(300);
    expect(after.parts).to.include({ components: 1, specks: 0 });
    expect(after.inkMm2).to.be.closeTo(100, 1e-9);
  });

  it('perforate a solid by as much as the lattice opens', () => {
    const image = drawPixels(1400, 1400, () => RED);
    const before = judged(image);
    const after = judged(image, [fixOf(before, 'solid-stiff')]);
    expect(openShare(1.2, 3)).to.be.closeTo(0.145, 5e-4);
    expect(1 - after.inkMm2 / before.inkMm2).to.be.closeTo(openShare(1.2, 3), 0.01);
    expect(after.solid.circleMm).to.be.below(10);
    expect(after.gap['0.5']).to.equal(0);
  });

  it('take a painted checkerboard out, inside the art too', () => {
    const image = drawPixels(320, 320, (x, y) => {
      const far = Math.hypot(x - 160, y - 160);
      if (far < 110 && far >= 60) return RED;
      const grey = (Math.floor(x / 16) + Math.floor(y / 16)) % 2 === 0 ? 255 : 204;
      return [grey, grey, grey, 255];
    });
    const before = judged(image);
    expect(codes(before)[0]).to.equal('fake-checkerboard');
    const after = judged(image, [fixOf(before, 'fake-checkerboard')]);
    expect(codes(after)).to.not.include('fake-checkerboard');
    expect(after.inkMm2).to.be.closeTo(Math.PI * (121 - 36), 2);
  });

  it('are done in their order, left out when switched off, and never touch the original', () => {
    const image = drawPixels(300, 200, (x) => (x < 150 ? [4, 4, 4, 255] : RED));
    const original = image.data.slice();
    const knock: ArtStep = { kind: 'knock-out', hex: '#040404', tol: 8, soft: 14, mode: 'global' };
    expect(judged(image, [knock, { kind: 'crop-margin' }]).px).to.deep.equal([150, 200]);
    expect(judged(image, [{ kind: 'crop-margin' }, knock]).px).to.deep.equal([300, 200]);
    expect(judged(image, [{ ...knock, isOff: true }]).inkMm2).to.equal(judged(image).inkMm2);
    expect(image.data).to.deep.equal(original);
  });
});
