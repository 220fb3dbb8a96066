import type { PicturedOp } from '@saltflat/core/plan';
import { expect } from 'chai';
import { heatGround } from './heatGround.ts';
import { LEAST_SPAN, MOST_SPAN, barAt, barBeside, lanesOf, panned, zoomed } from './lanes.ts';
import { restsIn, waitsIn } from './waits.ts';

const op = (id: string, from: number, to: number, own: Partial<PicturedOp> = {}): PicturedOp => ({
  id,
  job: 'job',
  lines: ['line'],
  operation: id,
  role: 'load',
  station: 'press',
  title: id,
  parts: 1,
  isRunning: false,
  machine: 'press',
  state: 150,
  phases: [{ from, to, people: 100 }],
  isFixed: false,
  isLocked: false,
  ...own,
});
const byHand = { machine: null, state: null, station: 'inspection' } as const;
const names = { machineName: (id: string) => id, isHeated: () => true, stationName: (id: string) => id };

describe('what stands between work', () => {
  it('is what waits, or may not wait for good, and what rests until an order may leave', () => {
    const lanes = lanesOf(
      { ops: [op('press', 0, 10), op('cool', 10, 14), op('again', 30, 40), op('look', 40, 45, byHand), op('other', 50, 60, { lines: ['x'] })] }, // prettier-ignore
      names,
    );
    const lag = (from: string, to: string, min: number, max: number | null) => ({ from, to, min, max });
    const waits = waitsIn(lanes, {
      lags: [
        lag('press', 'cool', 0, null),
        lag('cool', 'again', 0, null),
        lag('again', 'look', 0, 5),
        lag('again', 'gone', 1, 2),
      ],
    });
    // what goes on at once and might stand for good is nothing to look at; what is not in the lanes neither
    expect(waits.map(({ from, to, max }) => [from.op.id, to.op.id, to.from - from.to, max])).to.deep.equal([
      ['cool', 'again', 16, null],
      ['again', 'look', 0, 5],
    ]);
    const order = { from: 0, due: 900, through: 1485, tail: 1440 };
    const rests = restsIn(lanes, [
      { ...order, id: 'line' },
      { ...order, id: 'x', tail: 0 },
      { ...order, id: 'not in sight' },
      { ...order, id: 'x', through: null },
    ]);
    expect(rests.map(({ after, until }) => [after.op.id, until])).to.deep.equal([['look', 1485]]);
  });
});

describe('lanes of a plan', () => {
  const ops = [
    op('look late', 40, 60, byHand),
    op('look', 10, 45, byHand),
    op('press', 5, 10),
    op('press again', 20, 30),
    op('print', 0, 8, { machine: 'printer', station: 'film-printer' }),
    op('a point', 3, 3),
  ];
  const lanes = lanesOf({ ops }, names);

  it('go from the first station of the work to the last, what overlaps below one another', () => {
    expect(lanes.map(({ name, bars }) => [name, bars.map((bar) => bar.op.id)])).to.deep.equal([
      ['printer', ['print']],
      ['press', ['press', 'press again']],
      ['inspection', ['look', 'look late']],
    ]);
    const [first, second] = lanes[2]!.bars;
    expect(second!.topPx).to.be.above(first!.topPx); // they overlap from 40 to 45
    expect(lanes[1]!.bars[0]!.topPx).to.equal(lanes[1]!.bars[1]!.topPx);
    expect(lanes[1]!.topPx).to.equal(lanes[0]!.topPx + lanes[0]!.heightPx);
  });

  it('say what lies under the pointer, and nothing in a gap', () => {
    const { topPx } = lanes[1]!.bars[0]!;
    expect(barAt(lanes, 7, topPx + 3)?.bar.op.id).to.equal('press');
    expect(barAt(lanes, 10, topPx + 3)).to.equal(null);
    expect(barAt(lanes, 7, topPx - 2)).to.equal(null);
    expect(barAt(lanes, 7, 1e4)).to.equal(null);
  });

  it('are walked by the arrows: along a lane, and to what is nearest in time in the next', () => {
    const next = (id: string | null, key: Parameters<typeof barBeside>[2]) =>
      barBeside(lanes, id, key)?.op.id;
    expect(next(null, 'ArrowRight')).to.equal('print');
    expect(next('press', 'ArrowRight')).to.equal('press again');
    expect(next('press again', 'ArrowRight')).to.equal('press again');
    expect(next('press again', 'ArrowDown')).to.equal('look');
    expect(next('print', 'ArrowUp')).to.equal('print');
  });

  it('are looked at nearer with the minute under the pointer where it is, within ten minutes and a fortnight', () => {
    const sight = { from: 600, span: 600 };
    const near = zoomed(sight, 0.5, 900);
    expect(near).to.deep.equal({ from: 750, span: 300 });
    expect(zoomed(sight, 1e-6, 900).span).to.equal(LEAST_SPAN);
    expect(zoomed(sight, 1e6, 900)).to.deep.equal({ from: 0, span: MOST_SPAN });
    expect(panned(sight, -1e6).from).to.equal(0);
    expect(panned(sight, 1e6).from).to.equal(MOST_SPAN - 600);
  });
});

describe('the ground of a heated lane', () => {
  const press = { id: 'press', kind: 'press', setup: null, changeFixed: 5 };
  const change = { machine: 'press', people: 0 };

  it('rises before the first work, holds, falls to a cooler one, and ends with the last', () => {
    const ops = [op('hot', 20, 40), op('cool', 70, 80)];
    const changes = [
      { ...change, from: 5, to: 20, before: -30, after: 150 },
      { ...change, from: 50, to: 66, before: 150, after: 120 },
    ];
    expect(heatGround({ ...press, windows: [[0, 500, -30]] }, { changes, ops })).to.deep.equal([
      { from: 0, to: 5, beforeC: 22, afterC: 22 },
      { from: 5, to: 20, beforeC: 22, afterC: 150 },
      { from: 20, to: 50, beforeC: 150, afterC: 150 },
      { from: 50, to: 66, beforeC: 150, afterC: 120 },
      { from: 66, to: 80, beforeC: 120, afterC: 120 },
    ]);
  });

  it('is nothing on a day on which it is not used', () => {
    expect(
      heatGround({ ...press, windows: [[1440, 1900, -30]] }, { changes: [], ops: [op('hot', 20, 40)] }),
    ).to.deep.equal([]);
  });
});
