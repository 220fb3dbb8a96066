import { expect } from 'chai';
import fc from 'fast-check';
import type { ArtFigures } from '../artwork/index.ts';
import { meanAreaScale } from '../placement/index.ts';
import { lineInput } from '../fixtures/index.ts';
import { printNeedsOf } from './printNeeds.ts';

/** Figures of a print, as far as a route reads them. */
const figures = (own: Partial<ArtFigures> = {}): ArtFigures =>
  ({
    widthMm: 240,
    heightMm: 260,
    bboxMm: { x: 10, y: 20, w: 200, h: 210 },
    inkMm2: 30_000,
    coverage: { c: 0.1, m: 0.2, y: 0.3, k: 0.05, w: 0.6, h: 0 },
    ml: { c: 0.01, m: 0.02, y: 0.04, k: 0.08, w: 0.16, h: 0.32 },
    powderG: 1.35,
    filmM2: 0.048,
    sprayM2: { box: 0.05, shape: 0.04 },
    ...own,
  }) as ArtFigures;

describe('what a route needs of a print', () => {
  it('is its ink without the empty margins, every channel once, white with its highlights', () => {
    const needs = printNeedsOf(figures());
    expect(needs).to.deep.include({ lineWidthMm: 240, widthMm: 200, heightMm: 210, inkMm2: 30_000 });
    expect(needs.colourMl).to.be.closeTo(0.01 + 0.02 + 0.04 + 0.08, 1e-12);
    expect(needs.whiteMl).to.be.closeTo(0.16 + 0.32, 1e-12);
    expect(needs).to.deep.include({ whiteShare: 0.6, powderG: 1.35, filmM2: 0.048 });
  });

  it('is the whole file where there is no ink at all', () => {
    const empty = printNeedsOf(figures({ bboxMm: null, inkMm2: 0 }));
    expect(empty).to.deep.include({ widthMm: 240, heightMm: 260 });
  });
});

describe('prints graded by size', () => {
  const { placement } = lineInput();
  it('use as much more as their areas are larger, by how many there are of each', () => {
    expect(meanAreaScale(placement, 280)).to.equal(1);
    const grades = [
      { sizes: ['S'], widthMm: 140 },
      { sizes: ['L'], widthMm: 420 },
    ];
    // 3 × ¼ + 4 × 1 + 3 × 2¼ over 10 pieces
    expect(meanAreaScale({ ...placement, grades }, 280)).to.be.closeTo((0.75 + 4 + 6.75) / 10, 1e-12);
    expect(meanAreaScale({ ...placement, sizes: [] }, 280)).to.equal(1);
  });

  it('use between what the smallest and the largest would use', () => {
    const widths = fc.integer({ min: 60, max: 500 });
    fc.assert(
      fc.property(widths, widths, (small, large) => {
        const grades = [
          { sizes: ['S'], widthMm: small },
          { sizes: ['L'], widthMm: large },
        ];
        const scales = [small, large, 280].map((width) => (width / 280) ** 2);
        expect(meanAreaScale({ ...placement, grades }, 280)).to.be.within(
          Math.min(...scales) - 1e-9,
          Math.max(...scales) + 1e-9,
        );
      }),
    );
  });
});
