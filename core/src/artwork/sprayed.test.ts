import { expect } from 'chai';
import { drawPixels } from './fixtures/drawnArt.ts';
import type { Rgba } from './fixtures/drawnArt.ts';
import { analyseArtwork } from './index.ts';
import type { ArtJob } from './index.ts';

const WHITE: Rgba = [255, 255, 255, 255];
const BLACK: Rgba = [0, 0, 0, 255];
const SIDE_PX = 480;
const SIDE_MM = 160;

/** Art of 160 mm a side, drawn in mm from its middle. */
const sprayFor = (at: (xMm: number, yMm: number) => Rgba | null, own: Partial<ArtJob> = {}) => {
  const mm = (px: number): number => ((px + 0.5) * SIDE_MM) / SIDE_PX - SIDE_MM / 2;
  const image = drawPixels(SIDE_PX, SIDE_PX, (x, y) => at(mm(x), mm(y)));
  return analyseArtwork(image, {
    widthMm: SIDE_MM,
    garment: '#000000',
    process: 'dtg-dark',
    underbase: { chokeMm: 0 },
    ...own,
  }).figures.sprayM2;
};
const mm2 = (m2: number): number => m2 * 1e6;
const ring = (x: number, y: number): Rgba | null =>
  Math.hypot(x, y) < 60 && Math.hypot(x, y) > 40 ? WHITE : null;

describe('what has to be sprayed for a print', () => {
  it('is by its shape all within 15 mm of its white, and by its box the square round that', () => {
    const { box, shape } = sprayFor(ring);
    expect(mm2(box)).to.be.closeTo(150 * 150, 150);
    expect(mm2(shape)).to.be.closeTo(Math.PI * (75 ** 2 - 25 ** 2), 0.02 * Math.PI * 75 ** 2); // the ring stays open in its middle
  });

  it('follows the white and not the art: what is as dark as the garment is not sprayed', () => {
    const { box, shape } = sprayFor((x, y) => (Math.abs(y) > 20 ? null : x < -40 ? WHITE : BLACK));
    expect(mm2(box)).to.be.closeTo((40 + 30) * (40 + 30), 120);
    expect(mm2(shape)).to.be.closeTo(70 * 70 - (4 - Math.PI) * 15 ** 2, 0.02 * 70 * 70);
  });

  it('is that of its ink where no white is printed: all in the garment’s colour, or on a pale one', () => {
    const own = mm2(sprayFor((x, y) => (Math.hypot(x, y) < 50 ? BLACK : null)).shape);
    const pale = mm2(sprayFor(ring, { process: 'dtg-light', garment: '#ffffff' }).box);
    expect(own).to.be.closeTo(Math.PI * 65 ** 2, 0.02 * Math.PI * 65 ** 2);
    expect(pale).to.be.closeTo(150 * 150, 150);
  });

  it('is nothing on film, nor of empty art', () => {
    expect(sprayFor(ring, { process: 'dtf' })).to.deep.equal({ box: 0, shape: 0 });
    expect(sprayFor(() => null)).to.deep.equal({ box: 0, shape: 0 });
  });
});
