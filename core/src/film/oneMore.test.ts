import { expect } from 'chai';
import { runTask } from '../task/index.ts';
import { wrongWith } from './fixtures/checkLayout.ts';
import { item } from './fixtures/instances.ts';
import { layOutFilm, oneMore, oneMoreIn } from './index.ts';
import type { FilmProblem, OneMore, Placement } from './index.ts';

describe('one more copy', () => {
  /** A roll of 300 mm, its edges 5, pieces of 90 × 100 5 apart: three lie beside each other. */
  const roll = (count: number, more: Partial<FilmProblem> = {}): FilmProblem => ({
    film: { kind: 'roll', widthMm: 300, maxLengthMm: 1000 },
    keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
    gapMm: 5,
    isByOutline: false,
    items: [item('a', [90, 100], { count, turns: [0] })],
    ...more,
  });
  const at = (copy: number, xMm: number, yMm: number): Placement => ({
    key: `a#${copy}`,
    itemId: 'a',
    sheet: 0,
    xMm,
    yMm,
    turn: 0,
  });
  async function added(problem: FilmProblem, placements: Placement[]): Promise<OneMore | null> {
    const asked = oneMore(problem, placements);
    const end = await runTask(layOutFilm, asked);
    if (end.how !== 'done') throw new Error(end.how);
    const found = oneMoreIn(asked, end.answer);
    if (found) expect(wrongWith(problem, [...placements, found.own])).to.deep.equal([]);
    return found;
  }

  it('lies in the gap between others, wherever that is, and takes no film', async () => {
    const outer = [at(0, 5, 5), at(1, 205, 5)];
    expect(await added(roll(3), outer)).to.deep.include({ byMm: 0, bySheets: 0 });
    // two rows, the gap in the first
    const rows = [...outer, at(2, 5, 110), at(3, 100, 110), at(4, 205, 110)];
    const found = await added(roll(6), rows);
    expect(found).to.deep.include({ byMm: 0, bySheets: 0 });
    expect(found?.own).to.include({ key: 'a#5', yMm: 5 });
  });

  it('makes film longer, or begins a sheet, where there is no gap; the others stay', async () => {
    const row = [at(0, 5, 5), at(1, 100, 5), at(2, 195, 5)];
    expect(await added(roll(4), row)).to.deep.include({ byMm: 105, bySheets: 0 });
    const sheet = roll(4, { film: { kind: 'sheet', widthMm: 300, heightMm: 150 } });
    const found = await added(sheet, row);
    expect([found?.bySheets, found?.own.sheet]).to.deep.equal([1, 1]);
  });

  it('is none where no film takes it', async () => {
    const items = [item('a', [90, 100], { turns: [0] }), item('b', [400, 400], { turns: [0] })];
    expect(await added(roll(1, { items }), [at(0, 5, 5)])).to.equal(null);
  });
});
