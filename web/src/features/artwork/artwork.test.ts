import type { ArtStep, Finding, Fix } from '@saltflat/core/artwork';
import { expect } from 'chai';
import fc from 'fast-check';
import type { ArtPicture } from '../../worker/artwork.worker.ts';
import { fitView, sizeMm, viewOfPlace, zoomAbout } from './drawArt.ts';
import { findingWords } from './findingWords.ts';
import { outlineOf, printTop } from '@saltflat/core/placement';
import { layersFor } from './layers.ts';
import { fixWords, stepWords } from './stepWords.ts';

const METRIC = { temperature: 'C', length: 'mm' } as const;
const INCHES = { temperature: 'F', length: 'in' } as const;
const NO_BITMAP = {} as ImageBitmap; // sizes alone are looked at
const picture = (width: number, height: number, widthMm: number): ArtPicture => ({
  bitmap: NO_BITMAP,
  small: NO_BITMAP,
  width,
  height,
  widthMm,
  ink: null,
});
const CANVAS = { width: 830, height: 480 };

describe('the view of an artwork', () => {
  it('fits the whole art beside the rulers, in the middle', () => {
    const art = picture(2000, 1000, 200);
    const view = fitView({ picture: art, garment: null }, CANVAS);
    const { width, height } = sizeMm(art);
    expect(view.x).to.be.at.least(22);
    expect(view.x + width * view.pxPerMm).to.be.at.most(CANVAS.width);
    expect(view.y + height * view.pxPerMm).to.be.at.most(CANVAS.height);
    expect(view.x - 22).to.be.closeTo(CANVAS.width - (view.x + width * view.pxPerMm), 1e-6);
  });

  it('keeps what is under the pointer there while zooming, however far', () => {
    const art = picture(2400, 2400, 203.2);
    const start = fitView({ picture: art, garment: null }, CANVAS);
    const places = fc.record({ x: fc.integer({ min: 22, max: 830 }), y: fc.integer({ min: 22, max: 480 }) });
    fc.assert(
      fc.property(places, fc.double({ min: 0.01, max: 400, noNaN: true }), (at, factor) => {
        const view = zoomAbout(start, factor, at, art);
        const mmBefore = (at.x - start.x) / start.pxPerMm;
        expect((at.x - view.x) / view.pxPerMm).to.be.closeTo(mmBefore, 1e-6);
        const screenPxPerArtPx = view.pxPerMm / (art.width / art.widthMm);
        expect(screenPxPerArtPx).to.be.within(0.02 - 1e-9, 16 + 1e-9);
      }),
    );
  });

  it('goes to a place so that it is in the middle, and never closer than four screen pixels for one', () => {
    const art = picture(2400, 2400, 203.2);
    const speck = { x: 2000, y: 100, w: 3, h: 3 };
    const view = viewOfPlace(speck, art, CANVAS);
    const pitch = art.widthMm / art.width;
    expect(view.x + (speck.x + 1.5) * pitch * view.pxPerMm).to.be.closeTo(CANVAS.width / 2, 1e-6);
    expect(view.pxPerMm * pitch).to.be.at.most(4 + 1e-9);
  });

  it('puts a garment’s outline round the print', () => {
    const art = picture(1000, 1000, 100);
    const garment = { outline: outlineOf('tee', 'full-front'), top: printTop('full-front', 75) };
    const view = fitView({ picture: art, garment }, CANVAS);
    expect(view.pxPerMm * garment.outline.box.width).to.be.at.most(CANVAS.width);
    expect(view.x + 50 * view.pxPerMm).to.be.closeTo(22 + (CANVAS.width - 22) / 2, 1); // a centred print is in the middle
  });

  it('shows a back as a back, and an unknown garment as a tee', () => {
    expect(outlineOf('hoodie', 'back').details).to.not.equal(outlineOf('hoodie', 'full-front').details);
    expect(printTop('left-chest', 95).x).to.be.above(0);
  });
});

describe('layers', () => {
  it('have one key each, and film only where there is film', () => {
    for (const process of ['dtf', 'dtg-dark', 'dtg-light', 'sub'] as const) {
      const layers = layersFor(process);
      expect(new Set(layers.map(({ key }) => key)).size).to.equal(layers.length);
      expect(layers.some(({ layer }) => layer === 'film-printed')).to.equal(process === 'dtf');
    }
    expect(layersFor('sub').some(({ layer }) => layer === 'white')).to.equal(false);
  });
});

describe('words for the artwork', () => {
  const finding = (code: Finding['code'], params: Finding['params']): Finding => ({
    code,
    severity: 'warn',
    confidence: 'sure',
    params,
    places: [],
    placeCount: 0,
    fixes: [],
  });

  it('say lengths in the person’s own units', () => {
    const solid = finding('solid-stiff', { circleMm: 254, areaMm2: 60_000 });
    expect(findingWords(solid, METRIC).text).to.match(/circle of 254\smm/);
    expect(findingWords(solid, INCHES).text).to.match(/circle of 10(\.0+)?\sin/);
  });

  it('name only the sides of a margin that there are', () => {
    const margin = finding('empty-margin', { leftMm: 0, rightMm: 0.2, topMm: 12, bottomMm: 30 });
    expect(findingWords(margin, METRIC).text).to.match(/^Nothing is printed on 12\smm above, 30\smm below:/);
  });

  it('say of a box that the garment would show it for free', () => {
    const box = finding('opaque-box', { tone: 'black', hex: '#040404', boxShare: 0.74, likeGarment: true });
    const { title, text } = findingWords(box, METRIC);
    expect(title).to.equal('An opaque black box round the art');
    expect(text).to.match(/74\s%.*for free/);
  });

  it('describe every step, and what a fix will do', () => {
    const steps: ArtStep[] = [
      { kind: 'knock-out', hex: '#040404', tol: 8, soft: 14, mode: 'flood' },
      { kind: 'crop-margin' },
      { kind: 'remove-checkerboard', greys: ['#ffffff', '#cccccc'], cellPx: 16 },
      { kind: 'harden-edges', threshold: 128 },
      { kind: 'screen-soft', cellMm: 1 },
      { kind: 'thicken', thinnerThanMm: 0.3, byMm: 0.2 },
      { kind: 'drop-specks', smallerThanMm2: 0.2 },
      { kind: 'perforate', holeMm: 1.2, pitchMm: 3 },
    ];
    const titles = steps.map((step) => stepWords(step, METRIC).title);
    expect(new Set(titles).size).to.equal(steps.length);
    expect(stepWords(steps[7]!, METRIC).detail).to.contain('15 % open');
    const fixes: Fix[] = steps.map((step) => ({ kind: 'step', step }));
    expect(fixWords(fixes[0]!, METRIC)).to.equal('Take #040404 out from the border in');
    expect(fixWords({ kind: 'print-width', widthMm: 152.4 }, INCHES)).to.match(
      /^Print it 6(\.0+)?\sin wide$/,
    );
  });
});
