import { expect } from 'chai';
import fc from 'fast-check';
import type { ArtPicture } from '../../worker/artwork.worker.ts';
import { fitView, sizeMm, viewOfPlace, zoomAbout } from './drawArt.ts';
import { outlineOf, printTop } from '@saltflat/core/placement';
import { layersFor } from './layers.ts';

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
