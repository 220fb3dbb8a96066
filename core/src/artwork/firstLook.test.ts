import { expect } from 'chai';
import { drawPixels } from './fixtures/drawnArt.ts';
import type { Rgba } from './fixtures/drawnArt.ts';
import { firstLookFactor } from './firstLook.ts';
import { analyseArtwork, firstLook } from './index.ts';
import type { ArtJob, Finding, Pixels } from './index.ts';

const RED: Rgba = [205, 45, 60, 255];
const HALF: Rgba = [205, 45, 60, 120];
const BLACK: Rgba = [6, 6, 6, 255];
const WHITE: Rgba = [255, 255, 255, 255];
const GREY: Rgba = [204, 204, 204, 255];
/** 6.25 megapixels: at 230 mm 276 pixels per inch; of every two on a side one is looked at, 138 per inch. */
const SIDE = 2500;
const MIDDLE = SIDE / 2;
const JOB: ArtJob = { widthMm: 230, garment: '#1b2a4a', process: 'dtf' };

const draw = (at: (x: number, y: number) => Rgba | null): Pixels => drawPixels(SIDE, SIDE, at);
const look = (image: Pixels): Finding[] => firstLook(image, JOB).findings;
const codes = (findings: readonly Finding[]): string[] => findings.map(({ code }) => code);
const isWithin = (r: number, x: number, y: number): boolean => Math.hypot(x - MIDDLE, y - MIDDLE) < r;

describe('a first look at a large picture', () => {
  it('sees the box behind it and where it is, in pixels of the picture itself', () => {
    const box = draw((x, y) => (x < 500 || y < 500 ? null : isWithin(600, x, y) ? RED : BLACK));
    expect(firstLookFactor(box, JOB)).to.equal(2);
    const found = look(box).find(({ code }) => code === 'opaque-box');
    expect(found?.severity).to.equal('stop');
    const [place] = found?.places ?? [];
    for (const key of ['x', 'y'] as const) expect(place?.[key]).to.be.closeTo(500, 2);
    for (const key of ['w', 'h'] as const) expect(place?.[key]).to.be.closeTo(SIDE - 500, 2);
  });

  it('grades the resolution of all its pixels, not of those it looks at', () => {
    const disc = draw((x, y) => (isWithin(MIDDLE - 1, x, y) ? RED : null));
    const graded = look(disc).filter(({ code }) => code.startsWith('resolution-'));
    expect(codes(graded)).to.deep.equal(['resolution-soft']); // 276: under 280, over 200
    expect(graded[0]?.params.perInch).to.be.closeTo((25.4 * SIDE) / 230, 1e-9);
  });

  it('sees hair-lines of 0.28 mm, softness and specks as all pixels show them', () => {
    const art = draw((x, y) => {
      if (y < 600) return x % 30 < 3 ? RED : null; // 3 px: 0.28 mm
      if (y > 700 && y < 1700) return HALF;
      return y > 1800 && x % 50 < 4 && y % 50 < 4 ? RED : null; // 4 px: 0.14 mm²
    });
    const whole = analyseArtwork(art, JOB).figures.findings;
    const seen = look(art);
    expect(codes(whole)).to.include.members(['hairlines', 'soft-alpha', 'specks']);
    expect(codes(seen)).to.deep.equal(codes(whole));
    const share = (findings: readonly Finding[]): unknown =>
      findings.find(({ code }) => code === 'soft-alpha')?.params.softShare;
    expect(share(seen)).to.be.closeTo(Number(share(whole)), 0.03); // one of three pixels of a line is met, not one and a half
  });

  it('offers nothing that counts in pixels, and looks at all of them where a step does', () => {
    const cells = draw((x, y) => {
      if (isWithin(700, x, y)) return RED;
      return (Math.floor(x / 40) + Math.floor(y / 40)) % 2 === 0 ? WHITE : GREY;
    });
    const [worst] = look(cells);
    expect(worst?.code).to.equal('fake-checkerboard');
    expect(worst?.fixes).to.deep.equal([]);
    const step = { kind: 'remove-checkerboard', greys: ['#ffffff', '#cccccc'], cellPx: 40 } as const;
    expect(firstLookFactor(cells, { steps: [{ ...step, greys: [...step.greys] }] })).to.equal(1);
  });

  it('is the judgement itself of a picture of usual size, and says so of an empty one', () => {
    expect(firstLookFactor({ width: 2400, height: 2500 }, JOB)).to.equal(1);
    expect(codes(look(draw(() => null)))).to.deep.equal(['empty']);
  });
});
