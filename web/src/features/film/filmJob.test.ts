import type { WaitingTransfers } from '@saltflat/contract';
import type { FilmAnswer, Placement } from '@saltflat/core/film';
import { expect } from 'chai';
import { codeOf, ownerOf, problemOf, runOf, withMore } from '@saltflat/contract/filmJob';
import { groupsOf, keepingOf, USUAL_MARKS } from './filmJob.ts';
import type { FilmDraft } from './filmJob.ts';
import { wantedOf, whyNoMore, withCount, withoutOne } from './copies.ts';
import { bestOf, isWhole } from './bestOf.ts';
import { swapped } from './swapped.ts';
import { workOf } from './workOf.ts';

const waiting = (lineId: string, more: Partial<WaitingTransfers> = {}): WaitingTransfers => ({
  lineId,
  orderId: 'o',
  code: `K-${lineId}`,
  routeNumber: 2,
  customer: 'Harbour café',
  dueAt: '2026-06-01T12:00:00.000Z',
  garment: 'Navy Tee',
  colourHex: '#1b2a4a',
  artworkId: null,
  steps: [],
  print: '1',
  place: 'Full front',
  process: 'dtf',
  film: { id: 'matt', name: 'Matt film' },
  powder: { id: 'fine', name: 'Fine powder' },
  printer: null,
  printS: { sheet: 36, each: 8 },
  powderG: 0.5,
  sizes: [{ widthMm: 90, heightMm: 60, slots: [1, 2, 3] }],
  spares: 0,
  isForShelf: false,
  again: null,
  ...more,
});
const graded = waiting('b', {
  sizes: [
    { widthMm: 80, heightMm: 50, slots: [1, 2] },
    { widthMm: 100, heightMm: 62.5, slots: [3, 4, 5] },
  ],
});
const draft: FilmDraft = {
  chosen: ['a/1', 'b/1'],
  first: ['b/1'],
  upright: [],
  placements: [],
  more: {},
  locked: [],
  cutting: 'trimmer',
  gapMm: 5,
  edgeMm: 5,
  mayTurn: true,
  longestMm: 400,
  rollLeftMm: null,
  offcut: null,
  outlines: 'boxes',
  marks: USUAL_MARKS,
  rollAfter: '',
};
const at = (key: string, sheet: number): Placement => {
  const [itemId = ''] = key.split('#');
  return { key, itemId, sheet, xMm: 5, yMm: 5, turn: 0 };
};

describe('what waits for film', () => {
  it('shares film where film, powder and printer are the same', () => {
    const coarse = waiting('c', { powder: { id: 'coarse', name: 'Coarse powder' } });
    const onPlaten = waiting('d', { printer: { id: 'direct', name: 'Direct printer' } });
    const groups = groupsOf([waiting('a'), coarse, graded, onPlaten]);
    expect(groups.map(({ waiting: own }) => own.map(({ lineId }) => lineId))).to.deep.equal([
      ['a', 'b'],
      ['c'],
      ['d'],
    ]);
  });

  it('is kept with what was chosen, by the versions that were looked at', () => {
    const placements = [at('b/1/0#0', 0)];
    const masks = { 'b/1/0': { widthMm: 80, heightMm: 1, rows: [[0, 80]] } };
    const kept = keepingOf(
      [waiting('a'), graded],
      { ...draft, chosen: ['b/1'] },
      { masks, placements, rollLeftMm: 8000, by: 'Ines' },
    );
    expect(kept.transfers).to.deep.equal([
      { lineId: 'b', print: '1', routeNumber: 2, isFirst: true, isUpright: false, more: 0 },
    ]);
    expect(kept.masks).to.deep.equal([{ itemId: 'b/1/0', widthMm: 80, heightMm: 1, rows: [[0, 80]] }]);
    expect(kept.settings).to.deep.equal({
      cutting: 'trimmer',
      gapMm: 5,
      edgeMm: 5,
      mayTurn: true,
      longestMm: 400,
      rollLeftMm: 8000,
      offcut: null,
      outlines: 'boxes',
    });
  });

  it('becomes an item for each size, what is wanted first with priority, locked copies where they lie', () => {
    const [group] = groupsOf([waiting('a'), graded]);
    if (!group) throw new Error('no group');
    const locked = at('b/1/1#2', 0);
    const problem = problemOf(
      group.waiting,
      { kind: 'roll', widthMm: 300, maxLengthMm: 400 },
      { ...draft, masks: {}, locked: [locked, at('gone/1/0#0', 0)] },
    );
    expect(
      problem.items.map(({ id, count, priority, widthMm }) => [id, count, priority, widthMm]),
    ).to.deep.equal([
      ['a/1/0', 3, 0, 90],
      ['b/1/0', 2, 1, 80],
      ['b/1/1', 3, 1, 100],
    ]);
    expect(problem.locked).to.deep.equal([locked]);
    const upright = problemOf(group.waiting, problem.film, { ...draft, upright: ['b/1'], masks: {}, locked: [] }); // prettier-ignore
    expect(upright.items.map(({ turns }) => turns.length)).to.deep.equal([4, 1, 1]);
  });

  it('takes time on the printer, powder and hands, and keeps an order together or not', () => {
    const other = waiting('b', { ...graded, orderId: 'p', printS: { sheet: 54, each: 10 } });
    const placements = [at('a/1/0#0', 0), at('a/1/0#1', 1), at('b/1/1#0', 0), at('b/1/1#1', 0)];
    expect(workOf([waiting('a'), other], placements, { straight: 3, byHand: 2 })).to.deep.equal({
      // four prints; each sheet pauses as long as the longest of its prints
      printS: 8 + 8 + 10 + 10 + 54 + 36,
      powderG: 2,
      cuttingS: 2 * 10 + 3 * 8 + 2 * 25,
      orders: 2,
      wholeOrders: 1,
    });
  });

  it('is better with all its pieces than with less film and some of them', () => {
    const problem = problemOf([waiting('a')], { kind: 'roll', widthMm: 300, maxLengthMm: 400 }, { ...draft, masks: {}, locked: [] }); // prettier-ignore
    const answer = (placements: Placement[], lengthMm: number): FilmAnswer => ({
      best: { placements, sheets: 1, lengthMm, unplaced: [] },
      rows: null,
      bound: { sheets: 1, lengthMm: 70 },
      rounds: 1,
    });
    const whole = answer([at('a/1/0#0', 0), at('a/1/0#1', 0), at('a/1/0#2', 0)], 200);
    const part = answer([at('a/1/0#0', 0)], 70);
    for (const answers of [[whole, part], [part, whole]]) expect(bestOf(problem, answers)?.best).to.equal(whole.best); // prettier-ignore
    expect([whole, part].map(({ best }) => isWhole(problem, best))).to.deep.equal([true, false]);
  });

  it('carries spares of the largest size, numbered after all others, and lets go of any of them', () => {
    const owner = withMore(graded, 2);
    expect(owner.sizes.map(({ slots }) => slots)).to.deep.equal([
      [1, 2],
      [3, 4, 5, 6, 7],
    ]);
    expect([owner.spares, wantedOf(owner)]).to.deep.equal([2, 5]);
    expect(['b/1/1#3', 'b/1/1#2'].map((key) => codeOf([owner], key))).to.deep.equal(['K-b 6+', 'K-b 5']);
    expect(runOf([owner], [at('b/1/1#4', 0)]).sheets).to.deep.equal([
      [{ lineId: 'b', print: '1', pieces: [7] }],
    ]);
    const all = [0, 1, 2, 3, 4].map((copy) => at(`b/1/1#${copy}`, copy));
    const own = { more: { 'b/1': 2 }, placements: all, locked: ['b/1/1#4'] };
    // the second goes: the last is called by its name from now on, and stays where it is and locked
    const fewer = withoutOne(own, owner, all[1]!);
    expect(fewer.more).to.deep.equal({ 'b/1': 1 });
    expect(fewer.placements.map(({ key, sheet }) => [key, sheet])).to.deep.equal([
      ['b/1/1#0', 0],
      ['b/1/1#2', 2],
      ['b/1/1#3', 3],
      ['b/1/1#1', 4],
    ]);
    expect(fewer.locked).to.deep.equal(['b/1/1#1']);
    const none = withCount(own, owner, 0);
    expect(none.placements.map(({ key }) => key)).to.deep.equal(['b/1/1#0', 'b/1/1#1', 'b/1/1#2']);
    expect(none.locked).to.deep.equal([]);
    expect([whyNoMore(owner, 'b/1/1'), whyNoMore(owner, 'b/1/0')]).to.deep.equal([null, 'size']);
  });

  it('has two pieces change places, sheets too, and leaves the others', () => {
    const [one, other, third] = [
      at('a/1/0#0', 0),
      { ...at('b/1/0#0', 1), xMm: 40, turn: 90 as const },
      at('a/1/0#1', 0),
    ];
    expect(swapped([one, other, third], one, other)).to.deep.equal([
      { ...one, sheet: 1, xMm: 40 },
      { ...other, sheet: 0, xMm: 5 },
      third,
    ]);
  });

  it('goes on the floor sheet by sheet, each transfer by its number in the line', () => {
    const all = [waiting('a'), graded];
    expect(ownerOf(all, at('b/1/1#0', 0))?.slot).to.equal(3);
    const placements = [
      at('b/1/1#2', 0),
      at('a/1/0#0', 0),
      at('b/1/0#1', 0),
      at('a/1/0#2', 1),
      at('a/1/0#1', 1),
    ];
    expect(runOf(all, placements)).to.deep.equal({
      lineIds: ['b', 'a'],
      sheets: [
        [
          { lineId: 'b', print: '1', pieces: [2, 5] },
          { lineId: 'a', print: '1', pieces: [1] },
        ],
        [{ lineId: 'a', print: '1', pieces: [2, 3] }],
      ],
      guests: [],
    });
  });

  it('carries what is printed again for lines that are on the floor already', () => {
    const again = { runId: 'run', parts: ['1.transfer-1.2~2', '1.transfer-1.7~2'], faults: [], cents: 58 };
    const spoiled = waiting('c', { sizes: [{ widthMm: 90, heightMm: 60, slots: [2, 7] }], again });
    const all = [spoiled, waiting('a')];
    const placements = [at('c/1/0#0', 0), at('c/1/0#1', 1), at('a/1/0#0', 1)];
    // the first sheet carries nothing else: the floor knows it by no sheet of its own
    expect(runOf(all, placements)).to.deep.equal({
      lineIds: ['a'],
      sheets: [[{ lineId: 'a', print: '1', pieces: [1] }]],
      guests: [
        { sheet: null, runId: 'run', part: '1.transfer-1.2~2', code: 'K-c 2' },
        { sheet: '1', runId: 'run', part: '1.transfer-1.7~2', code: 'K-c 7' },
      ],
    });
    expect(codeOf(all, 'c/1/0#1')).to.equal('K-c 7'); // no spare, though its number is beyond its count
  });
});
