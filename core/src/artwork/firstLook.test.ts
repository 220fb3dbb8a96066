import { expect } from 'chai';
import { analyseArtwork, firstLook, firstLookFactor } from './index.ts';
import type { ArtJob, Finding, Pixels } from './index.ts';

type Rgba = readonly [number, number, number, number];
const NOTHING: Rgba = [0, 0, 0, 0];
const RED: Rgba = [205, 45, 60, 255];
const BLACK: Rgba = [6, 6, 6, 255];
/** 9 megapixels: at 280 mm 272 pixels per inch; of every two on a side one is looked at, 136 per inch. */
const SIDE = 3000;
const JOB: ArtJob = { widthMm: 280, garment: '#1b2a4a', process: 'dtf' };

function draw(at: (x: number, y: number) => Rgba): Pixels {
  const data = new Uint8Array(4 * SIDE * SIDE);
  for (let y = 0; y < SIDE; y++) for (let x = 0; x < SIDE; x++) data.set(at(x, y), 4 * (y * SIDE + x));
  return { width: SIDE, height: SIDE, data };
}
const look = (image: Pixels, job: ArtJob = JOB): Finding[] =>
  firstLook(image, job, firstLookFactor(image, job));
const codes = (findings: readonly Finding[]): string[] => findings.map(({ code }) => code);

describe('a first look at a large picture', () => {
  it('sees the box behind it and where it is, in pixels of the picture itself', () => {
    const box = draw((x, y) =>
      x < 500 || y < 500 ? NOTHING : Math.hypot(x - 1750, y - 1750) < 600 ? RED : BLACK,
    );
    expect(firstLookFactor(box, JOB)).to.equal(2);
    const found = look(box).find(({ code }) => code === 'opaque-box');
    expect(found?.severity).to.equal('stop');
    const [place] = found?.places ?? [];
    for (const key of ['x', 'y'] as const) expect(place?.[key]).to.be.closeTo(500, 2);
    for (const key of ['w', 'h'] as const) expect(place?.[key]).to.be.closeTo(2500, 2);
  });

  it('grades the resolution of all its pixels, not of those it looks at', () => {
    const disc = draw((x, y) => (Math.hypot(x - 1500, y - 1500) < 1499 ? RED : NOTHING));
    const graded = look(disc).filter(({ code }) => code.startsWith('resolution-'));
    expect(codes(graded)).to.deep.equal(['resolution-soft']); // 272: under 280, over 200
    expect(graded[0]?.params.perInch).to.be.closeTo((25.4 * SIDE) / 280, 1e-9);
  });

  it('sees hair-lines of 0.28 mm, softness and specks as all pixels show them', () => {
    const HALF: Rgba = [205, 45, 60, 120];
    const art = draw((x, y) => {
      if (y < 800) return x % 30 < 3 ? RED : NOTHING; // 3 px: 0.28 mm
      if (y > 900 && y < 2000) return HALF;
      return y > 2100 && x % 50 < 4 && y % 50 < 4 ? RED : NOTHING; // 4 px: 0.14 mm²
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
      if (Math.hypot(x - 1500, y - 1500) < 700) return RED;
      return (Math.floor(x / 40) + Math.floor(y / 40)) % 2 === 0
        ? [255, 255, 255, 255]
        : [204, 204, 204, 255];
    });
    const [worst] = look(cells);
    expect(worst?.code).to.equal('fake-checkerboard');
    expect(worst?.fixes).to.deep.equal([]);
    const [fix] = analyseArtwork(cells, JOB).figures.findings[0]?.fixes ?? [];
    if (fix?.kind !== 'step') throw new Error('all its pixels tell how large the cells are');
    expect(firstLookFactor(cells, { ...JOB, steps: [fix.step] })).to.equal(1);
  });

  it('is the judgement itself of a picture of usual size, and says so of an empty one', () => {
    expect(firstLookFactor({ width: 2400, height: 2500 }, JOB)).to.equal(1);
    expect(codes(look(draw(() => NOTHING)))).to.deep.equal(['empty']);
  });
});
