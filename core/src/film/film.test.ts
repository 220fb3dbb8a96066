import { expect } from 'chai';
import fc from 'fast-check';
import { runTask } from '../task/index.ts';
import { wrongWith } from './fixtures/checkLayout.ts';
import { FEW_KINDS, MANY_KINDS, OUTLINES, PERFECT, item } from './fixtures/instances.ts';
import {
  cutsOf,
  faultsOf,
  fillOf,
  filmBound,
  filmSharesOf,
  layOutFilm,
  maskOf,
  quickLayout,
} from './index.ts';
import type { FilmAnswer, FilmItem, FilmProblem, LayOutInput, Placement } from './index.ts';

async function laidOut(problem: FilmProblem, more: Partial<LayOutInput> = {}): Promise<FilmAnswer> {
  const end = await runTask(layOutFilm, { problem, seed: 1, rounds: 60, ...more });
  if (end.how !== 'done') throw new Error(end.how);
  return end.answer;
}

const box = (id: string, widthMm: number, heightMm: number, more: Partial<FilmItem> = {}): FilmItem =>
  item(id, [widthMm, heightMm], more);
const sheets = (items: FilmItem[], more: Partial<FilmProblem> = {}): FilmProblem => ({
  film: { kind: 'sheet', widthMm: 210, heightMm: 297 },
  keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 10 },
  gapMm: 3,
  isByOutline: false,
  items,
  ...more,
});

describe('laying out film', () => {
  it('lays few kinds on a roll within 2465 mm', async () => {
    const { best, bound } = await laidOut(FEW_KINDS, { rounds: 400 });
    expect(wrongWith(FEW_KINDS, best.placements)).to.deep.equal([]);
    expect(best.lengthMm).to.be.within(bound.lengthMm, 2465);
    expect(bound.lengthMm).to.be.closeTo(2423, 0.5);
  });

  it('lays many kinds on six sheets, what is wanted first on the first', async () => {
    const { best, rows, bound } = await laidOut(MANY_KINDS);
    expect(wrongWith(MANY_KINDS, best.placements)).to.deep.equal([]);
    expect([best.sheets, bound.sheets]).to.deep.equal([6, 5]);
    const wanted = new Set(MANY_KINDS.items.filter(({ priority }) => priority > 0).map(({ id }) => id));
    const first = best.placements.filter(({ itemId }) => wanted.has(itemId));
    expect(first.map(({ sheet }) => sheet)).to.deep.equal([0, 0, 0, 0, 0]);
    expect(cutsOf(MANY_KINDS, best.placements).byHand).to.equal(0); // on as many sheets, straight cuts are better
    expect(rows?.sheets).to.equal(6);
  });

  it('finds a layout without waste where there is one, and stops at the bound', async () => {
    const { best, bound, rounds } = await laidOut(PERFECT, { rounds: 50_000 });
    expect(wrongWith(PERFECT, best.placements)).to.deep.equal([]);
    expect([best.lengthMm, bound.lengthMm]).to.deep.equal([1210, 1210]);
    expect(rounds).to.be.below(50_000);
  });

  it('lays outlines within 931 mm, and keeps their distance', async () => {
    const { best, rows, bound } = await laidOut(OUTLINES, { rounds: 150 });
    expect(wrongWith(OUTLINES, best.placements)).to.deep.equal([]);
    expect(best.lengthMm).to.be.within(bound.lengthMm, 931);
    expect(bound.lengthMm).to.be.at.least(562); // by cells alone, without growing them
    if (rows === null) throw new Error('there are no rows');
    expect(wrongWith(OUTLINES, rows.placements)).to.deep.equal([]);
    expect(cutsOf(OUTLINES, rows.placements).byHand).to.equal(0);
  });

  it('closes outlines in until a sheet is empty', async () => {
    const film = { kind: 'sheet', widthMm: 600, heightMm: 450 } as const;
    const problem: FilmProblem = { ...OUTLINES, film };
    const byBoxes = quickLayout({ ...problem, isByOutline: false });
    const { best, bound } = await laidOut(problem, { rounds: 300 });
    expect(wrongWith(problem, best.placements)).to.deep.equal([]);
    expect([byBoxes.sheets, best.sheets, bound.sheets]).to.deep.equal([3, 2, 2]);
  });

  it('gives the same layout for the same seed, another for another', async () => {
    const [first, again, other] = await Promise.all(
      [7, 7, 8].map((seed) => laidOut(OUTLINES, { seed, rounds: 60 })),
    );
    expect(again).to.deep.equal(first);
    expect(other?.best.placements).to.not.deep.equal(first?.best.placements);
  });

  it('never gives anything worse than it gave before', async () => {
    const state = await layOutFilm.start({ problem: FEW_KINDS, seed: 3, rounds: 80 });
    let length = Infinity;
    for (let isDone = false; !isDone;) {
      const now = layOutFilm.answer(state)?.best.lengthMm ?? Infinity;
      expect(now).to.be.at.most(length);
      length = now;
      ({ isDone } = await layOutFilm.improve(state));
    }
    expect(length).to.be.below(2500);
  });

  it('begins with a layout it is given, so that more film never comes to more', async () => {
    const narrow = await laidOut(FEW_KINDS, { rounds: 100 });
    const wider: FilmProblem = { ...FEW_KINDS, film: { kind: 'roll', widthMm: 301, maxLengthMm: null } };
    const wide = await laidOut(wider, { rounds: 1, from: narrow.best.placements });
    expect(wide.best.lengthMm).to.be.at.most(narrow.best.lengthMm);
    const [moved, ...rest] = narrow.best.placements;
    if (moved === undefined) throw new Error('nothing was laid');
    const wrong = await laidOut(wider, { rounds: 1, from: [{ ...moved, xMm: -20 }, ...rest] });
    expect(wrongWith(wider, wrong.best.placements)).to.deep.equal([]); // what is no layout is not begun with
  });

  it('names what fits nowhere and the film it would take, and lays the rest', async () => {
    const upright = box('banner', 180, 290, { turns: [0], count: 2 });
    const { best } = await laidOut(sheets([upright, box('chest', 90, 60, { count: 3 })]));
    expect(best.unplaced).to.deep.equal([
      { itemId: 'banner', count: 2, neededWidthMm: 190, neededHeightMm: 305 },
    ]);
    expect(best.placements.map(({ itemId }) => itemId)).to.deep.equal(['chest', 'chest', 'chest']);
  });

  it('cuts a roll where the printer can take no more', async () => {
    const film = { kind: 'roll', widthMm: 210, maxLengthMm: 300 } as const;
    const problem = sheets([box('a', 200, 130, { turns: [0], count: 4 })], { film });
    const { best, bound } = await laidOut(problem);
    expect(wrongWith(problem, best.placements)).to.deep.equal([]);
    // two on each: 5 + 130 + 3 + 130 + 10
    expect([best.sheets, best.lengthMm, bound.sheets, bound.lengthMm]).to.deep.equal([2, 556, 2, 556]);
  });

  it('has nothing to lay where nothing is wanted', async () => {
    const { best } = await laidOut(sheets([box('a', 20, 20, { count: 0 })]));
    expect([best.placements, best.sheets, best.lengthMm]).to.deep.equal([[], 0, 0]);
  });
});

describe('locked pieces', () => {
  const key = ({ key: own }: Placement): string => own;

  it('stay where they are, on sheets by their boxes', async () => {
    const locked: Placement[] = [
      { key: 'b#1', itemId: 'b', sheet: 0, xMm: 60.25, yMm: 100.5, turn: 90 },
      { key: 'a#0', itemId: 'a', sheet: 1, xMm: 5, yMm: 5, turn: 0 },
    ];
    const problem = sheets([box('a', 90.5, 60, { count: 6 }), box('b', 55, 25, { count: 8 })], { locked });
    const { best } = await laidOut(problem);
    expect(wrongWith(problem, best.placements)).to.deep.equal([]);
    for (const own of locked) expect(best.placements.find((p) => key(p) === own.key)).to.deep.equal(own);
  });

  it('are gone round from a layout between whole millimetres as well', async () => {
    const items = [box('a', 90.5, 60.25, { count: 9 }), box('b', 55, 25, { count: 12 })];
    const free = await laidOut(sheets(items, { gapMm: 2.5 }), { rounds: 20 });
    const [first] = free.best.placements;
    if (first === undefined) throw new Error('nothing was laid');
    const problem = sheets(items, { gapMm: 2.5, locked: [first] });
    const { best } = await laidOut(problem, { rounds: 20, from: free.best.placements });
    expect(wrongWith(problem, best.placements)).to.deep.equal([]);
    expect(best.lengthMm).to.be.at.most(free.best.lengthMm);
  });

  it('stay where they are by their outlines, while the rest closes in', async () => {
    const locked: Placement[] = [{ key: 'L#2', itemId: 'L', sheet: 0, xMm: 200, yMm: 300, turn: 180 }];
    const problem = { ...OUTLINES, locked };
    const { best } = await laidOut(problem, { rounds: 80 });
    expect(wrongWith(problem, best.placements)).to.deep.equal([]);
    expect(best.placements.find((own) => key(own) === 'L#2')).to.deep.equal(locked[0]);
    expect(best.lengthMm).to.be.below(1000);
  });
});

describe('layouts of any boxes', () => {
  const mm = fc.integer({ min: 20, max: 400 }).map((half) => half / 2);
  const items = fc
    .array(
      fc.record({
        w: mm,
        h: mm,
        count: fc.integer({ min: 1, max: 7 }),
        turns: fc.boolean(),
        priority: fc.nat(2),
      }),
      {
        minLength: 1,
        maxLength: 7,
      },
    )
    .map((list) =>
      list.map(({ w, h, count, turns, priority }, i) =>
        box(`k${i}`, w, h, { count, priority, turns: turns ? [0, 90, 180, 270] : [180] }),
      ),
    );
  const problems = fc
    .record({
      items,
      isRoll: fc.boolean(),
      maxLengthMm: fc.constantFrom(null, 300),
      gapMm: fc.constantFrom(0, 2.5, 3),
      isByOutline: fc.boolean(),
    })
    .map(({ items: own, isRoll, maxLengthMm, gapMm, isByOutline }): FilmProblem => ({
      ...sheets(own, { gapMm, isByOutline }),
      ...(isRoll ? { film: { kind: 'roll', widthMm: 203, maxLengthMm } } : {}),
    }));

  it('are valid, leave out only what fits nowhere, and take no less than the bound', async () => {
    await fc.assert(
      fc.asyncProperty(problems, fc.nat(1000), async (problem, seed) => {
        const { best, rows, bound } = await laidOut(problem, { seed, rounds: 10 });
        const left = best.unplaced.map(({ itemId }) => itemId);
        expect(wrongWith(problem, best.placements, left)).to.deep.equal([]);
        if (rows) expect(wrongWith(problem, rows.placements, left)).to.deep.equal([]);
        expect(best.lengthMm).to.be.at.least(bound.lengthMm - 0.01);
        expect(best.sheets).to.be.at.least(bound.sheets);
        expect(faultsOf(problem, best.placements)).to.deep.equal([]);
      }),
      { numRuns: 30, seed: 20260530 },
    );
  });
});

describe('faults of a layout', () => {
  const problem = sheets([box('a', 50, 30, { count: 3, turns: [0, 180] })]);
  const at = (n: number, xMm: number, yMm: number, more: Partial<Placement> = {}): Placement => ({
    key: `a#${n}`,
    itemId: 'a',
    sheet: 0,
    xMm,
    yMm,
    turn: 0,
    ...more,
  });

  it('are told by piece: over an edge, too near, the wrong way round', () => {
    expect(faultsOf(problem, [at(0, 5, 5), at(1, 58, 5), at(2, 5, 38)])).to.deep.equal([]);
    expect(faultsOf(problem, [at(0, 3.5, 5), at(1, 56, 5), at(2, 5, 37, { turn: 90 })])).to.deep.equal([
      { fault: 'edge', key: 'a#0', byMm: 1.5 },
      { fault: 'turn', key: 'a#2' },
      { fault: 'near', key: 'a#1', other: 'a#0' }, // 2.5 mm between
      { fault: 'near', key: 'a#2', other: 'a#0' }, // 2 mm between
    ]);
    expect(faultsOf(problem, [at(0, 5, 5), at(1, 20, 20, { sheet: 1 })])).to.deep.equal([]);
  });

  it('go by outlines where pieces lie by those', () => {
    const corner: FilmItem = box('L', 40, 40, {
      count: 2,
      mask: Array.from({ length: 40 }, (_, y) => (y < 30 ? [0, 10] : [0, 40])),
    });
    const angles = sheets([corner], { isByOutline: true });
    const first: Placement = { key: 'L#0', itemId: 'L', sheet: 0, xMm: 10, yMm: 10, turn: 0 };
    // the other way up in the corner: 3 mm beside the upright and 3 mm above the foot
    const inside = { ...first, key: 'L#1', xMm: 23, yMm: 27, turn: 180 as const };
    expect(faultsOf(angles, [first, inside])).to.deep.equal([]);
    expect(faultsOf(angles, [first, { ...inside, yMm: 28 }])).to.deep.equal([
      { fault: 'near', key: 'L#1', other: 'L#0' },
    ]);
    expect(wrongWith(angles, [first, inside])).to.deep.equal([]);
  });
});

describe('cuts', () => {
  it('part a grid row by row, and leave a pinwheel to the knife', () => {
    const grid = sheets([box('a', 50, 30, { count: 6 })]);
    const cells = [0, 1, 2, 3, 4, 5].map((n): Placement => ({
      key: `a#${n}`,
      itemId: 'a',
      sheet: 0,
      xMm: 5 + 53 * (n % 3),
      yMm: 5 + 33 * Math.floor(n / 3),
      turn: 0,
    }));
    expect(cutsOf(grid, cells)).to.deep.equal({ straight: 5, byHand: 0 });
    const wheel = sheets([box('a', 40, 20, { count: 4 }), box('b', 20, 20)], { gapMm: 0 });
    const spokes: [number, number, 0 | 90][] = [
      [5, 5, 0],
      [45, 5, 90],
      [25, 45, 0],
      [5, 25, 90],
    ];
    const laid = spokes.map(([xMm, yMm, turn], n): Placement => ({
      key: `a#${n}`,
      itemId: 'a',
      sheet: 0,
      xMm,
      yMm,
      turn,
    }));
    const hub: Placement = { key: 'b#0', itemId: 'b', sheet: 0, xMm: 25, yMm: 25, turn: 0 };
    expect(wrongWith(wheel, [...laid, hub])).to.deep.equal([]);
    expect(cutsOf(wheel, [...laid, hub])).to.deep.equal({ straight: 0, byHand: 5 });
  });
});

describe('the outline of art', () => {
  /** A ring of 8 × 8 px, two thick, with one faint pixel in its hole. */
  const ring = (): { width: number; height: number; data: Uint8Array } => {
    const data = new Uint8Array(4 * 64);
    for (let y = 0; y < 8; y++)
      for (let x = 0; x < 8; x++) data[4 * (8 * y + x) + 3] = Math.min(x, y, 7 - x, 7 - y) < 2 ? 255 : 0;
    data[4 * (8 * 4 + 4) + 3] = 2;
    return { width: 8, height: 8, data };
  };

  it('is every cell that something is printed in, holes filled or left', () => {
    const whole = maskOf(ring(), { widthMm: 4, heightMm: 4 }, true);
    expect(whole.rows).to.deep.equal([
      [0, 4],
      [0, 1, 3, 1],
      [0, 1, 3, 1],
      [0, 4],
    ]);
    expect(fillOf(whole)).to.equal(12 / 16);
    expect(maskOf(ring(), { widthMm: 4, heightMm: 4 }, false).rows).to.deep.equal([
      [0, 4],
      [0, 4],
      [0, 4],
      [0, 4],
    ]);
  });

  it('lies in the middle of whole millimetres, and coarse pixels cover all their cells', () => {
    const { widthMm, heightMm, rows } = maskOf(
      { width: 1, height: 1, data: Uint8Array.of(0, 0, 0, 255) },
      { widthMm: 2.5, heightMm: 1 },
      true,
    );
    expect([widthMm, heightMm, rows]).to.deep.equal([3, 1, [[0, 3]]]); // from 0.25 to 2.75
  });
});

describe('bounds', () => {
  it('count sheets that boxes over half a sheet cannot share', () => {
    // 110 of 200 wide and 150 of 282 high each: no two lie beside or above each other, though their area would fit
    const problem = sheets([box('a', 110, 150, { count: 3, turns: [0] })]);
    expect(filmBound(problem).sheets).to.equal(3);
  });
});

describe('film of a layout', () => {
  it('is shared by its pieces, by their boxes with the gap round them, and nothing is left over', async () => {
    const { best } = await laidOut(FEW_KINDS, { rounds: 10 });
    const shares = filmSharesOf(FEW_KINDS, best.placements);
    const all = FEW_KINDS.items.reduce((sum, { id, count }) => sum + count * (shares.get(id) ?? NaN), 0);
    expect(all).to.be.closeTo((best.lengthMm * FEW_KINDS.film.widthMm) / 1e6, 1e-9);
    const [chest, front] = [shares.get('chest') ?? NaN, shares.get('front') ?? NaN];
    expect(front / chest).to.be.closeTo((285 * 345) / (95 * 65), 1e-9);
  });
});

describe('a layout at once', () => {
  const roll = (items: FilmItem[]): FilmProblem => ({
    film: { kind: 'roll', widthMm: 600, maxLengthMm: 640 },
    keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
    gapMm: 5,
    isByOutline: false,
    items,
  });

  it('takes what rows by hand take', () => {
    // ten of 60 × 40 mm turned stand side by side in one row of 60, where two rows of 40 would take 95
    expect(quickLayout(roll([box('i', 60, 40, { count: 10 })])).lengthMm).to.equal(60 + 10);
    // a second row of 320 fits no piece of 640 with its edges: eight pieces with three each
    const tall = quickLayout(roll([box('i', 150, 320, { count: 24 })]));
    expect([tall.sheets, tall.lengthMm]).to.deep.equal([8, 8 * (320 + 10)]);
    expect(quickLayout(roll([box('i', 700, 650)])).unplaced).to.have.length(1);
    expect(quickLayout(roll([])).lengthMm).to.equal(0);
  });

  it('is within a tenth of what a search finds for the made-up shop’s lines', async () => {
    const lines = [[51, 48, 7], [150, 320, 24], [220, 73, 12], [58, 58, 12], [214, 119, 18], [187, 187, 12], [51, 48, 40], [188, 188, 18]]; // prettier-ignore
    const items = lines.map(([w = 0, h = 0, count = 0], i) => box(`i${i}`, w, h, { count }));
    for (const own of [...items.map((item) => [item]), items.slice(0, 7)]) {
      const { best } = await laidOut(roll(own), { rounds: 150 });
      expect(quickLayout(roll(own)).lengthMm).to.be.within(best.lengthMm, 1.1 * best.lengthMm);
    }
  });

  it('is a valid layout of any line’s transfers, and a search never takes more', async () => {
    const side = fc.integer({ min: 40, max: 380 });
    const grown = fc.constantFrom([1], [1, 1.12], [0.9, 1, 1.15]);
    await fc.assert(
      fc.asyncProperty(
        side,
        side,
        grown,
        fc.integer({ min: 1, max: 16 }),
        async (widthMm, heightMm, grades, count) => {
          const problem = roll(
            grades.map((scale, i) =>
              box(`i${i}`, Math.round(widthMm * scale), Math.round(heightMm * scale), { count }),
            ),
          );
          const quick = quickLayout(problem);
          expect(wrongWith(problem, quick.placements)).to.deep.equal([]);
          const { best } = await laidOut(problem, { rounds: 150 });
          expect(best.lengthMm).to.be.at.most(quick.lengthMm);
        },
      ),
      { numRuns: 25 },
    );
  });
});
