import { expect } from 'chai';
import fc from 'fast-check';
import { colourDistance } from './colour.ts';
import { drawnArt } from './fixtures/drawnArt.ts';
import { likeColours } from './likeColours.ts';
import { rgbOfWord, wordOfRgb } from './pixels.ts';
import { scanArt } from './scan.ts';

const anyColour = fc.integer({ min: 0, max: 0xffffff });

/** A colour not far from another: most of what is asked lies near the edge of what is alike. */
const near = (rgb: number): fc.Arbitrary<number> =>
  fc
    .tuple(...[0, 8, 16].map((shift) => fc.integer({ min: -24, max: 24 }).map((d) => [shift, d] as const)))
    .map((steps) =>
      steps.reduce(
        (sum, [shift, d]) => sum | (Math.min(255, Math.max(0, ((rgb >>> shift) & 255) + d)) << shift),
        0,
      ),
    );

describe('likeColours', () => {
  it('says of every colour what its perceptual distance says, whether its cube settles it or not', () => {
    const asked = anyColour.chain((target) =>
      fc.tuple(fc.constant(target), fc.array(near(target), { minLength: 40, maxLength: 40 })),
    );
    let alike = 0;
    let unlike = 0;
    fc.assert(
      fc.property(asked, fc.double({ min: 0.5, max: 30, noNaN: true }), ([target, colours], within) => {
        const like = likeColours([rgbOfWord(target)], within);
        for (const rgb of [...colours, target]) {
          const isAlike = colourDistance(rgbOfWord(rgb), rgbOfWord(target)) <= within;
          expect(like.has(rgb), rgb.toString(16)).to.equal(isAlike);
          if (isAlike) alike++;
          else unlike++;
        }
      }),
      { numRuns: 300 },
    );
    expect(Math.min(alike, unlike)).to.be.above(500); // both verdicts were really put to the test
  });

  it('adds up the ink of what is alike', () => {
    fc.assert(
      fc.property(
        drawnArt,
        anyColour,
        fc.double({ min: 1, max: 60, noNaN: true }),
        (image, target, within) => {
          const { data } = image;
          let px = 0;
          for (let at = 0; at < data.length; at += 4) {
            const own = rgbOfWord(wordOfRgb({ r: data[at], g: data[at + 1], b: data[at + 2] }));
            if (data[at + 3] >= 8 && colourDistance(own, rgbOfWord(target)) <= within)
              px += data[at + 3] / 255;
          }
          const like = likeColours([rgbOfWord(target)], within);
          expect(like.alphaPx(scanArt(image).colours)).to.be.closeTo(px, 1e-9);
        },
      ),
      { numRuns: 100 },
    );
  });
});
