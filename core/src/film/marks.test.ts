import { expect } from 'chai';
import fc from 'fast-check';
import { runTask } from '../task/index.ts';
import { OUTLINES, item } from './fixtures/instances.ts';
import { codeHeightOf, cutPathsOf, cutPlansOf, layOutFilm, marksOf, maskOf, sheetOut } from './index.ts';
import type { FilmProblem, Placement, Point, Rect, SheetMarks } from './index.ts';

const ALL = { isCoded: true, isHeaded: true, isTrimmed: true, isCutLined: true };
const saidOf = (placements: readonly Placement[]) => ({
  codes: Object.fromEntries(placements.map(({ key }) => [key, `K-212 ${key.split('#')[1] ?? ''}`])),
  head: 'F-7.1, read through the film',
});

async function firstSheet(problem: FilmProblem, rounds = 30): Promise<Placement[]> {
  const end = await runTask(layOutFilm, { problem, seed: 3, rounds });
  if (end.how !== 'done') throw new Error(end.how);
  return end.answer.best.placements.filter(({ sheet }) => sheet === 0);
}

/** All that is printed of a piece, in rectangles of film: its box, or the cells of its mask turned by the rule as it is written. */
function printedOf({ items, isByOutline }: FilmProblem, { itemId, xMm, yMm, turn }: Placement): Rect[] {
  const own = items.find(({ id }) => id === itemId);
  if (!own) throw new Error(itemId);
  const [w, h] = [own.widthMm, own.heightMm];
  if (!isByOutline || !own.mask) {
    const [wide, high] = turn % 180 === 0 ? [w, h] : [h, w];
    return [{ x: xMm, y: yMm, right: xMm + wide, bottom: yMm + high }];
  }
  return own.mask.flatMap((row, y) =>
    row.flatMap((from, k) => {
      if (k % 2 === 1) return [];
      const to = from + (row[k + 1] ?? 0);
      const [left, top, right, bottom] =
        turn === 90 ? [h - 1 - y, from, h - y, to]
        : turn === 180 ? [w - to, h - 1 - y, w - from, h - y]
        : turn === 270 ? [y, w - to, y + 1, w - from]
        : [from, y, to, y + 1]; // prettier-ignore
      return [{ x: xMm + left, y: yMm + top, right: xMm + right, bottom: yMm + bottom }];
    }),
  );
}

const meets = (p: Rect, q: Rect): boolean =>
  p.x < q.right - 1e-6 && q.x < p.right - 1e-6 && p.y < q.bottom - 1e-6 && q.y < p.bottom - 1e-6;

/** Points along closed lines, no further apart than a quarter of a millimetre. */
const along = (loops: readonly (readonly Point[])[]): Point[] =>
  loops.flatMap((loop) =>
    loop.flatMap(([x, y], i) => {
      const [toX, toY] = loop[(i + 1) % loop.length] ?? [x, y];
      const steps = Math.max(1, Math.ceil(Math.hypot(toX - x, toY - y) / 0.25));
      return Array.from({ length: steps }, (_, k): Point => [
        x + ((toX - x) * k) / steps,
        y + ((toY - y) * k) / steps,
      ]);
    }),
  );
const isOn = ([x, y]: Point, { x: left, y: top, right, bottom }: Rect): boolean =>
  x > left + 1e-6 && x < right - 1e-6 && y > top + 1e-6 && y < bottom - 1e-6;

/** Whether a point lies inside closed lines: a ray from it crosses them an odd number of times. */
const isInside = ([x, y]: Point, loops: readonly (readonly Point[])[]): boolean =>
  loops
    .flatMap((loop) => loop.map((from, i) => [from, loop[(i + 1) % loop.length] ?? from] as const))
    .filter(([p, q]) => p[1] > y !== q[1] > y && x < p[0] + ((y - p[1]) / (q[1] - p[1])) * (q[0] - p[0]))
    .length %
    2 ===
  1;

/** What is printed of a piece, with the box round it so that what is far off is not looked at cell by cell. */
interface Printed {
  key: string;
  box: Rect;
  rects: Rect[];
}

const boxOf = (rects: readonly Rect[]): Rect => ({
  x: Math.min(...rects.map(({ x }) => x)),
  y: Math.min(...rects.map(({ y }) => y)),
  right: Math.max(...rects.map(({ right }) => right)),
  bottom: Math.max(...rects.map(({ bottom }) => bottom)),
});
const covers = ({ box, rects }: Printed, point: Point): boolean =>
  isOn(point, box) && rects.some((rect) => isOn(point, rect));
const isUnder = ({ box, rects }: Printed, rect: Rect): boolean =>
  meets(box, rect) && rects.some((own) => meets(own, rect));

/** What is wrong with the marks and cut paths of a sheet, by their rules alone. */
function wrongWithMarks(
  problem: FilmProblem,
  placements: readonly Placement[],
  { texts }: SheetMarks,
): string[] {
  const pieces = placements.map((own): Printed => {
    const rects = printedOf(problem, own);
    return { key: own.key, box: boxOf(rects), rects };
  });
  return [
    ...wrongTexts(problem, pieces, texts),
    ...wrongPaths(problem, placements, { pieces, texts }),
    ...wrongCuts(problem, placements, { pieces, texts }),
  ];
}

const wrongTexts = (
  { film, keepOut }: FilmProblem,
  pieces: readonly Printed[],
  texts: SheetMarks['texts'],
): string[] =>
  texts.flatMap(({ text, rect }, i) => [
    ...(pieces.some((own) => isUnder(own, rect)) ? [`${text} lies on something printed`] : []),
    ...(texts.some((other, j) => j < i && meets(other.rect, rect)) ? [`${text} lies on another`] : []),
    ...(rect.x < keepOut.leftMm - 1e-6 || rect.right > film.widthMm - keepOut.rightMm + 1e-6
      ? [`${text} lies over the edge`]
      : []),
  ]);

interface OnSheet {
  pieces: readonly Printed[];
  texts: SheetMarks['texts'];
}

function wrongPaths(
  problem: FilmProblem,
  placements: readonly Placement[],
  { pieces, texts }: OnSheet,
): string[] {
  const beside = new Map(texts.flatMap(({ key, rect }) => (key === null ? [] : [[key, rect] as const])));
  const ends = (rect: Rect): Point[] => [
    [rect.x + 0.01, rect.y + 0.01],
    [rect.right - 0.01, rect.bottom - 0.01],
  ];
  return cutPathsOf(problem, placements, beside).flatMap(({ key, loops }) => {
    const points = along(loops);
    const own = pieces.find((piece) => piece.key === key);
    const code = beside.get(key);
    const whole = [...(own?.rects ?? []), ...(code ? [code] : [])].flatMap(ends);
    const near = pieces.filter((other) => other.key !== key && meets(other.box, boxOf(points.map(([x, y]) => ({ x, y, right: x, bottom: y }))))); // prettier-ignore
    return [
      ...(points.some((point) => pieces.some((piece) => covers(piece, point)))
        ? [`the path of ${key} crosses an image`]
        : []),
      ...(texts.some((text) => text.key !== null && points.some((point) => isOn(point, text.rect)))
        ? [`the path of ${key} crosses a code`]
        : []),
      ...(whole.every((point) => isInside(point, loops)) ? [] : [`${key} is not whole within its path`]),
      ...(near.some((other) => other.rects.flatMap(ends).some((point) => isInside(point, loops)))
        ? [`another lies within the path of ${key}`]
        : []),
    ];
  });
}

function wrongCuts(
  problem: FilmProblem,
  placements: readonly Placement[],
  { pieces, texts }: OnSheet,
): string[] {
  const cuts = [...cutPlansOf(problem, placements).values()].flatMap(({ straight }) => straight);
  return cuts.flatMap(({ way, atMm, fromMm, toMm }) => {
    // as wide as a hand keeps to
    const cut =
      way === 'down'
        ? { x: atMm - 0.9, right: atMm + 0.9, y: fromMm, bottom: toMm }
        : { x: fromMm, right: toMm, y: atMm - 0.9, bottom: atMm + 0.9 };
    const line = way === 'down' ? { ...cut, x: atMm, right: atMm + 1e-3 } : { ...cut, y: atMm, bottom: atMm + 1e-3 }; // prettier-ignore
    return [
      ...(pieces.some((own) => isUnder(own, cut)) ? [`a cut ${way} at ${atMm} is too near an image`] : []),
      ...(texts.some(({ key, rect }) => key !== null && meets(rect, line))
        ? [`a cut ${way} at ${atMm} goes through a code`]
        : []),
    ];
  });
}

describe('marks beside pieces, and how these are cut out', () => {
  it('keep off every outline, stay with their piece, and no path crosses an image', async () => {
    const problem = { ...OUTLINES, gapMm: 4 };
    const placements = await firstSheet(problem);
    const marks = marksOf(problem, placements, ALL, saidOf(placements));
    expect(wrongWithMarks(problem, placements, marks)).to.deep.equal([]);
    expect([marks.uncoded, marks.isHeadLeftOut]).to.deep.equal([[], false]);
    expect(marks.texts).to.have.length(placements.length + 1);
  });

  it('do so for boxes of any kind, cut straight or by hand', async () => {
    const boxes = fc.array(fc.record({ w: fc.integer({ min: 20, max: 120 }), h: fc.double({ min: 15, max: 90, noNaN: true }), n: fc.integer({ min: 1, max: 5 }) }), { minLength: 1, maxLength: 5 }); // prettier-ignore
    const any = fc.tuple(boxes, fc.constantFrom(4, 5, 8));
    await fc.assert(
      fc.asyncProperty(any, async ([kinds, gapMm]) => {
        const problem: FilmProblem = {
          film: { kind: 'roll', widthMm: 300, maxLengthMm: 400 },
          keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
          gapMm,
          isByOutline: false,
          items: kinds.map(({ w, h, n }, i) => item(`i${i}`, [w, Math.round(100 * h) / 100], { count: n })),
        };
        const placements = await firstSheet(problem, 4);
        const marks = marksOf(problem, placements, ALL, saidOf(placements));
        expect(wrongWithMarks(problem, placements, marks)).to.deep.equal([]);
        expect(marks.texts.length - (marks.isHeadLeftOut ? 0 : 1) + marks.uncoded.length).to.equal(
          placements.length,
        );
      }),
      { numRuns: 25 },
    );
  });

  it('are named where there is no room for them, and left out where they are not wished', () => {
    const problem: FilmProblem = {
      film: { kind: 'sheet', widthMm: 110, heightMm: 110 },
      keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
      gapMm: 4,
      isByOutline: false,
      items: [item('whole', [100, 100])],
    };
    const placements: Placement[] = [{ key: 'whole#0', itemId: 'whole', sheet: 0, xMm: 5, yMm: 5, turn: 0 }];
    const full = marksOf(problem, placements, ALL, saidOf(placements));
    expect(full).to.deep.equal({ texts: [], lines: [], uncoded: ['whole#0'], isHeadLeftOut: true });
    const none = { isCoded: false, isHeaded: false, isTrimmed: false, isCutLined: false };
    expect(marksOf(problem, placements, none, saidOf(placements))).to.deep.equal({
      texts: [],
      lines: [],
      uncoded: [],
      isHeadLeftOut: false,
    });
    // half of the gap less room on both sides of the letters, 1.2 mm of which can be read
    expect([
      codeHeightOf({ gapMm: 3 }),
      codeHeightOf({ gapMm: 4 }),
      codeHeightOf({ gapMm: 20 }),
    ]).to.deep.equal([null, 1.6, 2.5]);
  });

  it('cut four boxes apart in three cuts, each in the middle of its way, in the order they are made', () => {
    const problem: FilmProblem = {
      film: { kind: 'roll', widthMm: 100, maxLengthMm: null },
      keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
      gapMm: 4,
      isByOutline: false,
      items: [item('i', [40, 30], { count: 4 })],
    };
    const at = (n: number, xMm: number, yMm: number): Placement => ({
      key: `i#${n}`,
      itemId: 'i',
      sheet: 0,
      xMm,
      yMm,
      turn: 0,
    });
    const placements = [at(0, 5, 5), at(1, 51, 5), at(2, 5, 39), at(3, 51, 39)];
    expect(cutPlansOf(problem, placements).get(0)).to.deep.equal({
      byHand: [],
      straight: [
        { way: 'down', atMm: 48, fromMm: 0, toMm: 74 },
        { way: 'across', atMm: 37, fromMm: 0, toMm: 48 },
        { way: 'across', atMm: 37, fromMm: 48, toMm: 100 },
      ],
    });
  });

  it('puts art in the middle of the whole millimetres its outline lies on', () => {
    const mask = Array.from({ length: 31 }, () => [0, 21]);
    const problem: FilmProblem = {
      film: { kind: 'sheet', widthMm: 100, heightMm: 80 },
      keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
      gapMm: 4,
      isByOutline: true,
      items: [item('i', [21, 31], { mask })],
    };
    const placements: Placement[] = [{ key: 'i#0', itemId: 'i', sheet: 0, xMm: 10, yMm: 20, turn: 90 }];
    const none = { isCoded: false, isHeaded: false, isTrimmed: false, isCutLined: false };
    const printed = { i: { widthMm: 20.4, heightMm: 30.8 } };
    const out = sheetOut({
      problem,
      placements,
      sheet: 0,
      printed,
      wishes: none,
      said: { codes: {}, head: '' },
    });
    expect([out.widthMm, out.heightMm]).to.deep.equal([100, 80]);
    const [art] = out.art;
    expect(art).to.include({ key: 'i#0', widthMm: 30.8, heightMm: 20.4, turn: 90 });
    expect(art?.xMm).to.be.closeTo(10 + 0.1, 1e-9);
    expect(art?.yMm).to.be.closeTo(20 + 0.3, 1e-9);
  });

  it('holds art in several parts together in one piece of film', () => {
    // three dots of 2 mm in a row of 30 mm, each for itself
    const width = 30;
    const data = new Uint8Array(4 * width * 4);
    for (const x of [0, 1, 14, 15, 28, 29]) for (const y of [1, 2]) data[4 * (y * width + x) + 3] = 255;
    const { rows } = maskOf({ width, height: 4, data }, { widthMm: 30, heightMm: 4 }, true);
    const filled = rows.map((row) =>
      row.filter((_, k) => k % 2 === 1).reduce((sum, length) => sum + length, 0),
    );
    expect(filled.reduce((sum, cells) => sum + cells, 0)).to.equal(12 + 12 + 12); // two ways of twelve cells
    const problem: FilmProblem = {
      film: { kind: 'sheet', widthMm: 100, heightMm: 80 },
      keepOut: { leftMm: 5, rightMm: 5, topMm: 5, bottomMm: 5 },
      gapMm: 4,
      isByOutline: true,
      items: [item('dots', [30, 4], { mask: rows })],
    };
    const paths = cutPathsOf(problem, [
      { key: 'dots#0', itemId: 'dots', sheet: 0, xMm: 20, yMm: 20, turn: 0 },
    ]);
    expect(paths[0]?.loops).to.have.length(1);
  });
});
