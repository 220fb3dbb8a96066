import { expect } from 'chai';
import { ageOf, standingOf, takeOldest } from './index.ts';
import type { PacketAccount } from './index.ts';

const DAY_MS = 86_400_000;
const day = (n: number): number => n * DAY_MS;

describe('a packet of transfers', () => {
  const move = (change: number, hold: number, lineId: string | null = null) => ({ change, hold, lineId });

  it('counts what came, went and is taken; a promise is used up by its own line', () => {
    const packet: PacketAccount = {
      pieces: 40,
      moves: [move(-3, 0), move(0, 10, 'tees'), move(0, 6, 'caps'), move(0, -2, 'caps')],
      uses: [
        { lineId: 'tees', pieces: 10, taken: 4 }, // on the floor: all of its promise is claimed there
        { lineId: 'walk-in', pieces: 5, taken: 5 },
      ],
    };
    // 40 came, 3 were thrown away, 9 are taken; 6 are on their way to the floor and 4 are kept for caps
    expect(standingOf(packet)).to.deep.equal({
      left: 28,
      onFloor: 6,
      reserved: [{ lineId: 'caps', pieces: 4 }],
      free: 18,
    });
  });

  it('says how many are owed where fewer lie there than were promised', () => {
    const standing = standingOf({ pieces: 5, moves: [move(0, 5, 'tees'), move(-2, 0)], uses: [] });
    expect(standing).to.deep.equal({
      left: 3,
      onFloor: 0,
      reserved: [{ lineId: 'tees', pieces: 5 }],
      free: -2,
    });
  });

  it('stands the same in whatever order things were done, and every transfer is somewhere', () => {
    const moves = [move(-3, 0), move(0, 7, 'a'), move(2, 0), move(0, -1, 'a'), move(0, 4, 'b')];
    const uses = [{ lineId: 'b', pieces: 3, taken: 1 }];
    const one = standingOf({ pieces: 30, moves, uses });
    const other = standingOf({ pieces: 30, moves: [...moves].reverse(), uses });
    expect(new Map(one.reserved.map((own) => [own.lineId, own.pieces]))).to.deep.equal(
      new Map(other.reserved.map((own) => [own.lineId, own.pieces])),
    );
    for (const { left, onFloor, reserved, free } of [one, other])
      expect(onFloor + free + reserved.reduce((sum, own) => sum + own.pieces, 0)).to.equal(left);
  });
});

describe('transfers are taken', () => {
  const packets = [
    { id: 'new', madeMs: day(30), free: 20, reserved: [{ lineId: 'tees', pieces: 3 }] },
    { id: 'old', madeMs: day(2), free: 4, reserved: [] },
    { id: 'owing', madeMs: day(1), free: -2, reserved: [{ lineId: 'caps', pieces: 6 }] },
  ];

  it('from what is kept for the line, then from the oldest packet', () => {
    expect(takeOldest(packets, 10, 'tees')).to.deep.equal({
      from: [
        { id: 'new', pieces: 6 },
        { id: 'old', pieces: 4 },
      ],
      missing: 0,
    });
    expect(takeOldest(packets, 3, 'nobody').from).to.deep.equal([{ id: 'old', pieces: 3 }]);
  });

  it('and never from what is kept for others', () => {
    const { from, missing } = takeOldest(packets, 100, 'nobody');
    expect(from).to.have.deep.members([
      { id: 'old', pieces: 4 },
      { id: 'new', pieces: 20 },
    ]);
    expect(missing).to.equal(76);
  });
});

describe('the age of a packet', () => {
  const of = (cure: 'light' | 'full', days: number) =>
    ageOf({ madeMs: 0, cure, keepsDays: 180 }, day(days) + 1);

  it('tells what is to be used next and what is past its time by its own sheet', () => {
    expect([0, 134, 136, 179, 181].map((days) => of('full', days).state)).to.deep.equal([
      'fresh', 'fresh', 'soon', 'soon', 'past',
    ]); // prettier-ignore
    expect(of('full', 40)).to.include({ days: 40, bestBeforeMs: day(180) });
  });

  it('is short where the glue is not fused: that is for pressing at once', () => {
    expect(of('light', 0).state).to.equal('fresh');
    expect(of('light', 2).state).to.equal('past');
  });
});
