import { expect } from 'chai';
import { roomWith } from '../spray/index.ts';
import { cottonTee, lineOf, routeOf } from '../fixtures/index.ts';
import { driedMeanwhileG, weighedIn } from './index.ts';
import type { StepState } from './index.ts';

const step = (id: string, addedG: number | null, completedAt: string | null = null): StepState =>
  ({ id, beforeG: 150, afterG: addedG === null ? null : 150 + addedG, completedAt }) as StepState;
const WANTED = { targetG: 20, toleranceG: 2 };

describe('garments of a run that were weighed in', () => {
  it('stand in the order they were sprayed, each with its verdict', () => {
    const pieces = weighedIn(
      [
        step('c', 26, '2031-01-01T10:03:00Z'),
        step('a', 20, '2031-01-01T10:01:00Z'),
        step('d', 17),
        step('b', null),
      ],
      () => WANTED,
    );
    expect(pieces.map((own) => [own.step, Math.round(own.pct), own.verdict])).to.deep.equal([
      ['a', 100, 'ok'],
      ['c', 130, 'too-much'],
      ['d', 85, 'watch'],
    ]);
    expect(pieces.map(({ isAgain }) => isAgain)).to.deep.equal([false, false, false]);
  });

  it('ask a question when two in a row are off on one side', () => {
    const pieces = weighedIn([step('1', 17.5), step('2', 17), step('3', 23)], () => WANTED);
    expect(pieces.map(({ isAgain }) => isAgain)).to.deep.equal([false, true, false]);
  });

  it('share one chart whatever each was to get, and see one far out once there is a baseline', () => {
    const amounts = [100, 103, 98, 101, 97, 102, 99, 101, 100, 98, 102, 99, 100, 125];
    const pieces = weighedIn(
      amounts.map((pct, i) =>
        step(`${i}`, (pct / 100) * (i % 2 === 0 ? 20 : 10), `2031-01-01T10:${10 + i}:00Z`),
      ),
      ({ id }) => (Number(id) % 2 === 0 ? WANTED : { targetG: 10, toleranceG: 1 }),
    );
    expect(pieces.map(({ pct }) => Math.round(pct))).to.deep.equal(amounts);
    expect(pieces.at(-1)).to.deep.include({ side: 'high', verdict: 'too-much' });
    expect(pieces.at(-1)?.signals).to.include('beyond');
    expect(pieces.slice(0, 13).flatMap(({ signals }) => signals)).to.deep.equal([]);
  });

  it('are none where nothing is weighed', () => {
    expect(weighedIn([step('a', 20)], () => null)).to.deep.equal([]);
  });
});

describe('what dried off before the scale', () => {
  const { operations } = routeOf(lineOf({ process: 'dtg', garment: cottonTee }));
  const spray = operations.find(({ role }) => role === 'spray')!;
  const gM2 = spray.settings.find(({ sets }) => sets === 'fluid')!.value;
  const START = Date.parse('2031-01-01T10:00:00Z');
  const dried = (afterS: number | null, nowS = 0): number =>
    driedMeanwhileG(
      spray,
      {
        beforeAt: new Date(START).toISOString(),
        afterAt: afterS === null ? null : new Date(START + 1000 * afterS).toISOString(),
      },
      { nowMs: START + 1000 * nowS, room: roomWith() },
    );

  it('is nothing for who goes straight to the scale, and 1.29 g/m² each minute after', () => {
    // load 30 s, spray 15 s, unload and roll 20 s: so long the work itself takes
    expect(dried(60)).to.equal(0);
    const areaM2 = spray.weighIn!.targetG / gM2;
    expect(dried(65 + 300)).to.be.closeTo(5 * 1.29 * areaM2, 0.05 * areaM2);
    expect(dried(null, 65 + 300)).to.be.closeTo(dried(65 + 300), 1e-9);
  });

  it('stops at half an hour: what hung overnight was dried, not on its way', () => {
    expect(dried(40_000)).to.be.closeTo(dried(65 + 1800), 1e-9);
  });
});
