import { expect } from 'chai';
import { BLANK, blank, byHand, done, operation, phase, started } from '../fixtures/index.ts';
import type { RunOperation } from './index.ts';
import { deriveRun, planOfLine, timingsOf } from './index.ts';
import type { RunEvent } from './index.ts';

const inPhases = (...phases: RunOperation['modes'][number]['phases']): Pick<RunOperation, 'modes'> => ({
  modes: [{ machineKind: null, machine: null, stateC: null, pools: [], phases }],
});
const hands = { people: 1, isTimed: false };
const hot = {
  heat: { tempC: 150, press: { over: 'platen', lowerC: null, kPa: 100, gapMm: 0 }, stack: { layers: [] } },
} as unknown as Partial<ReturnType<typeof phase>>;

/** Loaded in 20 s, printed by itself in 100, unloaded in 10; pressed for 15 between 8 and 6 of hands; looked at for 30. */
const OPERATIONS = [
  operation('print', 'blank', inPhases(phase(20, hands), phase(100), phase(10, hands))),
  operation('press', 'blank', inPhases(phase(8, hands), phase(15, hot), phase(6, hands))),
  operation('look', 'blank', byHand(30)),
];
const plan = planOfLine({ lanes: [BLANK], operations: OPERATIONS }, 2);
const timed = (events: readonly RunEvent[]) =>
  timingsOf(plan, deriveRun(plan, events), events).map(({ operation: { id }, hands: own, machine }) => ({
    id,
    hands: own,
    machine,
  }));
const both = (id: string, piece: number, from: number, to: number): RunEvent[] => [
  started(blank(id, piece), from),
  done(blank(id, piece), to),
];
const as = (who: string, events: RunEvent[]): RunEvent[] => events.map((own) => ({ ...own, by: who }));

describe('times of a run', () => {
  it('count hands between taps, and what a machine does at its own speed', () => {
    // the printer took 130 s instead of 100; 24 s later the press was closed, where 10 to unload and 8 to load were planned
    const events = [
      ...both('print', 1, 0, 130),
      ...both('press', 1, 154, 170), // a countdown kept to a second is no time of hands
      ...both('look', 1, 176, 221), // tapped as a whole: what was left of the press is not in it
      ...both('print', 2, 240, 340),
      ...both('press', 2, 358, 373),
      done(blank('look', 2), 413), // as the floor does it: once, when it is done; 6 of the press and 30 of its own
    ];
    expect(timed(events)).to.deep.equal([
      { id: 'print', hands: null, machine: { plannedS: 100, tookS: 130 } }, // nothing was tapped before
      { id: 'print', hands: { plannedS: 20, tookS: 19 }, machine: { plannedS: 100, tookS: 100 } },
      { id: 'press', hands: { plannedS: 18, tookS: 24 }, machine: null },
      { id: 'press', hands: { plannedS: 18, tookS: 18 }, machine: null },
      { id: 'look', hands: { plannedS: 30, tookS: 45 }, machine: null },
      { id: 'look', hands: { plannedS: 36, tookS: 40 }, machine: null },
    ]);
  });

  it('go from tap to tap of one person, whatever others do meanwhile', () => {
    const events = [
      ...as('Ada', both('print', 1, 0, 100)),
      started(blank('print', 2), 140), // loaded after the first was taken off: 10 + 20 planned, 40 taken
      ...as('Bo', both('press', 1, 150, 165)), // the first that Bo did here
      ...as('Bo', [started(blank('look', 1), 180)]),
      done(blank('print', 2), 240),
      ...as('Bo', [done(blank('look', 1), 210)]),
    ];
    const byStep = timed(events);
    expect(byStep.filter(({ id }) => id === 'print').map(({ hands: own }) => own)).to.deep.equal([
      null,
      { plannedS: 30, tookS: 40 },
    ]);
    expect(byStep.find(({ id }) => id === 'press')!.hands).to.equal(null);
    expect(byStep.find(({ id }) => id === 'look')!.hands).to.deep.equal({ plannedS: 30, tookS: 30 });
  });

  it('leave out what is not done, and what was done while it looked after something else by hand', () => {
    const turned = operation(
      'dry',
      'blank',
      inPhases(phase(12, hot), phase(10, { people: 1, isTimed: false }), phase(12, hot)),
    );
    const own = planOfLine({ lanes: [BLANK], operations: [turned, OPERATIONS[1]] }, 2);
    const events = [
      ...both('dry', 1, 0, 40), // 12 and 12 by itself: 16 for what was planned as 10
      started(blank('dry', 2), 60),
      started(blank('press', 1), 70), // the second still had to be turned
      done(blank('press', 1), 85),
    ];
    const all = timingsOf(own, deriveRun(own, events), events);
    expect(all.map(({ operation: { id }, hands: took }) => [id, took])).to.deep.equal([
      ['dry', null],
      ['press', null],
    ]);
    const twice = [...both('dry', 1, 0, 40), ...both('dry', 2, 50, 90)];
    // from the end of the first: nothing left of it, none before, ten within; ten of gap and sixteen
    expect(timingsOf(own, deriveRun(own, twice), twice)[1].hands).to.deep.equal({ plannedS: 10, tookS: 26 });
  });
});
