import { expect } from 'chai';
import {
  isRoomGood,
  judgeNozzles,
  startStanding,
  stubbornNozzles,
  upkeepCounts,
  upkeepDue,
} from './index.ts';

const HOUR = 3_600_000;
const AT = Date.UTC(2031, 2, 4, 8);

describe('a nozzle pattern', () => {
  it('lets single nozzles print, and asks for cleaning where two lie side by side or many miss', () => {
    expect(judgeNozzles({})).to.deep.equal({ count: 0, hasNeighbours: false, advice: 'print' });
    expect(judgeNozzles({ white: [7], cyan: [8] }).advice).to.equal('look');
    expect(judgeNozzles({ white: [12, 11] })).to.deep.equal({
      count: 2,
      hasNeighbours: true,
      advice: 'clean',
    });
    expect(judgeNozzles({ white: [3, 20], black: [41] }).advice).to.equal('clean');
  });

  it('knows the nozzles that no cleaning brought back', () => {
    const patterns = [{ white: [4, 9], cyan: [1] }, { white: [9] }, { white: [9, 30], cyan: [1] }];
    expect(stubbornNozzles(patterns)).to.deep.equal({ white: [9] });
    expect(stubbornNozzles(patterns.slice(0, 2))).to.deep.equal({});
  });
});

describe('a printer before its first print', () => {
  it('is looked at once a shift, and again after two hours in which it did nothing', () => {
    expect(startStanding(null, AT, AT)).to.equal('never');
    expect(startStanding(AT - HOUR, null, AT)).to.equal('good');
    expect(startStanding(AT - 3 * HOUR, null, AT)).to.equal('after-pause');
    expect(startStanding(AT - 3 * HOUR, AT - HOUR, AT)).to.equal('good');
    expect(startStanding(AT - 13 * HOUR, AT - HOUR, AT)).to.equal('other-shift');
  });

  it('wants a room that was measured and is within what ink bears', () => {
    expect(isRoomGood(21, 0.5)).to.equal(true);
    expect(isRoomGood(21, null)).to.equal(false);
    expect(isRoomGood(21, 0.34)).to.equal(false);
    expect(isRoomGood(31, 0.5)).to.equal(false);
  });
});

describe('upkeep', () => {
  const at = (hours: number, isSkipped = false) => ({ atMs: AT + hours * HOUR, isSkipped });
  const due = (count: number, hoursAgo: number) =>
    upkeepDue({ count, unit: 'days' }, at(-hoursAgo), { nowMs: AT, used: 0 }).standing;

  it('is due by days, a little before its hour so that a morning’s task is due each morning', () => {
    expect(upkeepDue({ count: 1, unit: 'days' }, null, { nowMs: AT, used: 0 }).standing).to.equal('never');
    expect([due(1, 9), due(1, 23.5), due(7, 5 * 24), due(7, 6 * 24), due(7, 7 * 24)]).to.deep.equal([
      'kept', 'due', 'kept', 'soon', 'due',
    ]); // prettier-ignore
  });

  it('is due by what was done since, whatever day it is', () => {
    const sheet = { count: 100, unit: 'presses' } as const;
    const standing = (used: number) => upkeepDue(sheet, at(-900), { nowMs: AT, used });
    expect([standing(79).standing, standing(80).standing, standing(100).standing]).to.deep.equal([
      'kept', 'soon', 'due',
    ]); // prettier-ignore
    expect(standing(25).share).to.equal(0.25);
  });

  it('counts pieces made while it was kept, and those made while it was left out or overdue', () => {
    const made = (hours: number, isSpoiled = false) => ({ atMs: AT + hours * HOUR, isSpoiled });
    const counts = upkeepCounts(
      { count: 1, unit: 'days' },
      [at(0), at(48, true), at(72)],
      [made(-1, true), made(1), made(23, true), made(30, true), made(49), made(73)],
      () => 0,
    );
    // before any record, 30 h after one, and after it was left out: not kept
    expect(counts).to.deep.equal({ kept: { pieces: 3, spoiled: 1 }, notKept: { pieces: 3, spoiled: 2 } });
  });

  it('counts by work as by days: whatever the machine did since, in the task’s own unit', () => {
    const made = Array.from({ length: 5 }, (_, i) => ({ atMs: AT + (i + 1) * HOUR, isSpoiled: i === 4 }));
    // four closings a piece, one piece an hour: the fourth and fifth lie under a sheet past its twelve
    const counts = upkeepCounts(
      { count: 12, unit: 'presses' },
      [{ atMs: AT, isSkipped: false }],
      made,
      (from, to) => (4 * (to - from)) / HOUR,
    );
    expect(counts).to.deep.equal({ kept: { pieces: 3, spoiled: 0 }, notKept: { pieces: 2, spoiled: 1 } });
  });
});
