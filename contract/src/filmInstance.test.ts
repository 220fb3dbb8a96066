import { expect } from 'chai';
import { readFilmInstance } from './filmInstance.ts';
import { DomainError } from './problems.ts';

const instance = (more: object = {}): object => ({
  id: 'any',
  film: { type: 'roll', w: 300 },
  keepOut: { l: 5, r: 5, t: 5, b: 5 },
  spacing: 4,
  items: [
    {
      id: 'star',
      w: 3,
      h: 2,
      qty: 2,
      mask: [
        [1, 1],
        [0, 3],
      ],
    },
  ],
  ...more,
});
const refusal = (document: object): string => {
  try {
    readFilmInstance(document);
  } catch (error) {
    if (error instanceof DomainError) return error.message;
  }
  return 'nothing was refused';
};

describe('a layout problem as a file', () => {
  it('is read in millimetres, every turn allowed where none is named', () => {
    expect(
      readFilmInstance(instance({ optimum: 3, film: { type: 'sheet', w: 210, h: 297, name: 'A4' } })),
    ).to.deep.equal({
      film: { kind: 'sheet', widthMm: 210, heightMm: 297 },
      keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
      gapMm: 4,
      isByOutline: true,
      items: [
        {
          id: 'star',
          widthMm: 3,
          heightMm: 2,
          count: 2,
          turns: [0, 90, 180, 270],
          priority: 0,
          mask: [
            [1, 1],
            [0, 3],
          ],
        },
      ],
    });
  });

  it('lays boxes where true shapes are not wanted', () => {
    const read = readFilmInstance(instance({ trueShape: false }));
    expect([read.isByOutline, read.items[0]?.mask]).to.deep.equal([false, null]);
  });

  const star = { id: 'star', w: 3, h: 2, qty: 2 };
  const refused: [string, object, RegExp][] = [
    ['a sheet without height', { film: { type: 'sheet', w: 210 } }, /needs its height: give “h”/],
    [
      'edges wider than the film',
      { keepOut: { l: 200, r: 100, t: 5, b: 5 } },
      /leave nothing of a film 300 mm wide/,
    ],
    ['a rotation there is none of', { items: [{ ...star, rotations: [45] }] }, /“Rotation” must be/],
    ['two items of one name', { items: [star, star] }, /Two items are called “star”/],
    ['a mask with a row too few', { items: [{ ...star, mask: [[0, 1]] }] }, /has 1 rows for 3 × 2 mm/],
    ['a mask that runs beyond its box', { items: [{ ...star, mask: [[0, 4], []] }] }, /Row 0 .* within 3 mm/],
    ['a mask with nothing in it', { items: [{ ...star, mask: [[], []] }] }, /is empty/],
    ['half a piece', { items: [{ ...star, qty: 1.5 }] }, /“Quantity” must be/],
    ['a spacing below nothing', { spacing: -1 }, /“Spacing” must be/],
  ];
  for (const [name, change, sentence] of refused)
    it(`refuses ${name} in words`, () => {
      expect(refusal(instance(change))).to.match(sentence);
    });
});
