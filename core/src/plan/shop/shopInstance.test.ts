import { expect } from 'chai';
import { deriveRun, planOfLine } from '../../run/index.ts';
import type { RunEvent, RunOperation } from '../../run/index.ts';
import { BLANK, START, blank, done, operation, phase, started, wait } from '../../fixtures/index.ts';
import { inWords } from '../../words/index.ts';
import {
  Planning,
  checkPlan,
  deadlines,
  handsNeeded,
  nextNight,
  overnight,
  planPicture,
  problemOf,
  repairPlan,
  shopInstance,
  stationsNow,
  switchedOn,
} from '../index.ts';
import type { PlannedOp, ShopInstance, ShopJob, ShopMachine, ShopNow } from '../index.ts';

/** Eight in the morning of the first day is minute 480, and {@link START}. */
const EIGHT = 480;
const MINUTE_MS = 60_000;
const at = (minute: number): number => START + (minute - EIGHT) * MINUTE_MS;

const machine = (id: string, own: Partial<ShopMachine> = {}): ShopMachine => ({
  id,
  name: id,
  kind: 'press',
  heats: { upPerMin: 10, downPerMin: 2, settleMin: 5 },
  rangeC: { min: 60, max: 200 },
  room: { widthMm: 400, heightMm: 500 },
  can: [],
  places: 0,
  ...own,
});
const PRESS = machine('press A');
const PRINTER = machine('printer', { kind: 'printer', heats: null, rangeC: null });

/** A blank is printed in ten minutes by itself, then pressed for two by hand at 150 °C within half an hour, then looked at. */
const print = operation('print', 'blank', {
  role: 'print',
  waitAfter: wait(0, 1800),
  modes: [
    {
      machineKind: 'printer',
      machine: { id: 'printer', name: 'printer' },
      stateC: null,
      phases: [phase(60, { people: 1, isTimed: false }), phase(600)],
      pools: [],
    },
  ],
});
const press = operation('press', 'blank', {
  role: 'cure',
  station: 'press',
  modes: [
    {
      machineKind: 'press',
      machine: { id: 'press A', name: 'press A' },
      stateC: 150,
      phases: [phase(120, { people: 1 })],
      pools: [],
    },
  ],
});
const look = operation('look', 'blank', {
  role: 'inspect',
  station: 'inspection',
  modes: [
    { ...press.modes[0], machineKind: null, machine: null, stateC: null, phases: [phase(60, { people: 1 })] },
  ],
});

const job = (
  events: readonly RunEvent[] | null,
  pieces = 1,
  operations: RunOperation[] = [print, press, look],
): ShopJob => {
  const plan = planOfLine({ lanes: [BLANK], operations }, pieces);
  return {
    key: 'job',
    plan,
    state: events && deriveRun(plan, events),
    lines: [
      { id: 'line', code: 'K-1', customer: 'Terns', dueMs: at(600), restS: 0, releaseMs: null, weight: 1 },
    ],
    titleOf: (_, { id }) => id,
    paceOf: () => null,
  };
};

const shop = (nowMin: number, jobs: readonly ShopJob[], own: Partial<ShopNow> = {}): ShopInstance =>
  shopInstance({
    jobs,
    machines: [PRESS, PRINTER],
    calendar: {
      zone: 'Etc/UTC',
      week: Array.from({ length: 7 }, () => ({ fromMin: EIGHT, toMin: 960 })),
      breaks: [],
      people: [{ name: 'Ines', week: null, breaks: null, machines: null }],
      holidays: [],
      away: [],
      down: [],
    },
    epochMs: at(0),
    nowMs: at(nowMin),
    days: ['2030-05-06', '2030-05-07'],
    minuteOf: (date, minute) => (date === '2030-05-06' ? 0 : 1440) + minute,
    former: [],
    locks: [],
    ...own,
  });
const best = ({ instance }: ShopInstance): readonly PlannedOp[] =>
  new Planning({ instance, seed: 1 }).answer.best.ops;
const startOf = (plan: readonly PlannedOp[], id: string): number =>
  plan.find((own) => own.id.includes(id))!.start[0];

describe('the open shop as a problem to be planned', () => {
  it('warms a cold press for as long as it takes to be hot all over, and has orders by their lines', () => {
    const own = shop(EIGHT, [job(null)]);
    const [order] = own.instance.orders;
    expect(order).to.include({ id: 'line', name: 'K-1', due: 600 });
    const plan = best(own);
    // from 22 to 150 °C at 10 a minute and five minutes to settle is 18; printed by 8:11, so it is the press that is waited for
    expect(startOf(plan, 'press/')).to.equal(EIGHT + 18);
    const { changes, orders, load } = planPicture(own, plan);
    expect(changes).to.deep.equal([
      { machine: 'press A', from: EIGHT, to: EIGHT + 18, before: -28, after: 150, people: 0 },
    ]);
    expect(orders[0]).to.include({ from: EIGHT, through: EIGHT + 21 });
    // eleven minutes of a stream that takes a tenth of somebody, two at the press, one of looking
    expect(load.reduce((sum, [from, to, people]) => sum + ((to - from) * people) / 100, 0)).to.be.closeTo(
      4.1,
      1e-9,
    );
  });

  it('lets a piece leave once it has rested, and begins when what it needs is here', () => {
    const plain = job(null);
    const [line] = plain.lines;
    const patched = { ...plain, lines: [{ ...line, restS: 86_400, releaseMs: at(EIGHT + 60) }] };
    const own = shop(EIGHT, [patched]);
    const [order] = planPicture(own, best(own)).orders;
    // printed from nine on, eleven minutes, pressed in two by a press that is hot by then, looked at in one; a day later it may go
    expect([order.from, order.through]).to.deep.equal([EIGHT + 60, EIGHT + 60 + 14 + 1440]);
  });

  it('fixes what runs with its real start and what is left of it, and goes on from there', () => {
    // begun at 8:02, of eleven minutes; at 8:06 seven are left
    const own = shop(EIGHT + 6, [job([started(blank('print', 1), 120)])]);
    const { instance } = own;
    const [fixed] = instance.fixed;
    expect(instance.fixed).to.have.length(1);
    expect(fixed.start).to.deep.equal([EIGHT + 2, EIGHT + 6]);
    const { phases } = instance.ops.find(({ id }) => id === fixed.id)!.modes[0];
    expect(phases.map(({ d, ops }) => [d, ops])).to.deep.equal([
      [4, 0],
      [7, 10], // a stream of one: a tenth of its time takes hands
    ]);
    const plan = best(own);
    expect(checkPlan(problemOf(instance), plan).breaches).to.deep.equal([]);
    expect(startOf(plan, 'press/')).to.equal(EIGHT + 6 + 18);
    expect(own.about.get(fixed.id)).to.include({ isRunning: true, sinceMs: at(EIGHT + 2) });
  });

  it('keeps what is over where something waits for it: the longest wait counts from when it was done', () => {
    const events = [started(blank('print', 1), 0), done(blank('print', 1), 660)];
    const own = shop(EIGHT + 21, [job(events)]);
    const printed = own.instance.fixed.find(({ id }) => id.includes('print/'))!;
    expect(printed.start).to.deep.equal([EIGHT + 11]);
    expect(startOf(best(own), 'press/')).to.equal(EIGHT + 39); // it is cold yet: 18 min from now, 28 after the print
    const late = new Planning({ instance: shop(EIGHT + 40, [job(events)]).instance, seed: 1 }).answer;
    expect(late.faults.map((said) => inWords(said))).to.deep.equal([
      '“K-1 press” cannot follow “K-1 print” in time: what was made then is spoiled and has to be made again.',
    ]);
  });

  it('leaves on its rack what still rests there, and begins what follows when it has', () => {
    const rack = { id: 'rack', name: 'Rack' };
    const [mode] = print.modes;
    const resting = { ...print, waitAfter: wait(1200, 3600), modes: [{ ...mode, pools: [rack] }] };
    const events = [started(blank('print', 1), 0), done(blank('print', 1), 660)];
    const racks = { machines: [PRESS, PRINTER, machine('rack', { kind: 'rack', heats: null, places: 1 })] };
    const own = shop(EIGHT + 21, [job(events, 1, [resting, press, look])], racks);
    const printed = own.instance.ops.find(({ id }) => id.includes('print/'))!;
    // twenty minutes from 8:11; then the press within forty more
    expect(printed.modes[0]).to.deep.include({
      pools: { rack: 1 },
      phases: [{ d: 20, ops: 0, brk: false, wait: 0 }],
    });
    expect(own.instance.lags.find(({ from }) => from === printed.id)).to.include({ min: 0, max: 40 });
    const picture = planPicture(own, best(own));
    expect(stationsNow(own, picture)[0]).to.deep.include({ station: 'press', waiting: [] });
    expect(stationsNow(own, picture)[0].resting.map(({ until }) => until)).to.deep.equal([EIGHT + 31]);
    const later = shop(EIGHT + 35, [job(events, 1, [resting, press, look])], racks);
    expect(later.instance.fixed[0].start).to.deep.equal([EIGHT + 31]);
  });

  it('takes of a batch what is not done, and a press that was used today as hot', () => {
    const one = [
      ...['print', 'press'].flatMap((id, i) => [
        started(blank(id, 1), 700 * i),
        done(blank(id, 1), 700 * i + 660),
      ]),
    ];
    const own = shop(EIGHT + 25, [job(one, 2)]);
    const left = own.instance.ops.filter(({ id }) => own.about.get(id)!.parts > 0);
    expect(left.map(({ id }) => own.about.get(id)!)).to.satisfy(
      (all: { operation: string; parts: number }[]) =>
        all.filter(({ operation: of }) => of !== 'look').every(({ parts }) => parts === 1),
    );
    const { windows } = own.instance.machines.find(({ id }) => id === 'press A')!;
    expect(windows.slice(0, 2)).to.deep.equal([
      [EIGHT, EIGHT + 25, -28],
      [EIGHT + 25, 960, 150],
    ]);
  });

  it('offers another press only where it does all that the planned one does', () => {
    const alternatives = (other: Partial<ShopMachine>): (string | null)[] =>
      shop(EIGHT, [job(null)], { machines: [PRESS, PRINTER, machine('press B', other)] })
        .instance.ops.find(({ id }) => id.includes('press/'))!
        .modes.map((mode) => mode.machine);
    expect(alternatives({})).to.deep.equal(['press A', 'press B']);
    expect(alternatives({ room: { widthMm: 390, heightMm: 500 } })).to.deep.equal(['press A']);
    expect(alternatives({ rangeC: { min: 60, max: 140 } })).to.deep.equal(['press A']);
    expect(alternatives({ kind: 'cap-press' })).to.deep.equal(['press A']);
  });

  it('says what is missing where no machine can do it, and plans the rest', () => {
    const own = shop(EIGHT, [job(null)], { machines: [PRINTER] });
    const { faults, best: plan } = new Planning({ instance: own.instance, seed: 1 }).answer;
    expect(faults.map((said) => inWords(said))[0]).to.equal(
      'press A has no time in which it can be used: one operation has no other way and cannot be planned.',
    );
    expect(plan.ops.map(({ id }) => id)).to.deep.equal(['job/print/1.blank.1']);
    expect(planPicture(own, plan.ops).orders[0].through).to.equal(null);
  });

  it('finds the plan that was kept again, to the minute, and its locks', () => {
    const first = shop(EIGHT, [job(null)]);
    const later = best(first).map((own) => ({ ...own, start: own.start.map((minute) => minute + 60) }));
    const former = later.map(({ id, mode, start }) => ({
      id,
      machine: first.instance.ops.find((op) => op.id === id)!.modes[mode].machine,
      startMs: start.map(at),
    }));
    const own = shop(EIGHT + 5, [job(null)], {
      former,
      locks: [former.find(({ id }) => id.includes('press/'))!],
    });
    expect(
      repairPlan(own.instance, own.former, { keepsLocks: true }).ops.map(({ start }) => start),
    ).to.deep.equal(later.map(({ start }) => start));
    expect(own.instance.locked).to.have.length(1);
    expect(startOf(best(own), 'press/')).to.equal(startOf(later, 'press/'));
  });

  it('says of the room what waits and since when, what may not stand longer, whose hands are next, what is switched on', () => {
    const events = [started(blank('print', 1), 0), done(blank('print', 1), 660)];
    const own = shop(EIGHT + 21, [job(events)]);
    const picture = planPicture(own, best(own));
    const stations = stationsNow(own, picture);
    expect(
      stations.map(({ station, waiting, next }) => [station, waiting.length, next?.title]),
    ).to.deep.equal([
      ['press', 1, 'press'],
      ['inspection', 0, 'look'],
    ]);
    expect(stations[0].waiting[0].since).to.equal(EIGHT + 11);
    // half an hour from the end of the print
    expect(deadlines(own, picture).map(({ op: { title }, by }) => [title, by])).to.deep.equal([
      ['press', EIGHT + 41],
    ]);
    expect(
      handsNeeded(picture, EIGHT + 21, 5).map(({ op: { title }, at: from, until }) => [title, from, until]),
    ).to.deep.equal([
      ['press', EIGHT + 39, EIGHT + 41],
      ['look', EIGHT + 41, EIGHT + 42],
    ]);
    expect(switchedOn(picture, [EIGHT + 21, 1440])).to.deep.equal([
      { machine: 'press A', at: EIGHT + 21, tempC: 150, hotAt: EIGHT + 39 },
    ]);
    expect(switchedOn(picture, [EIGHT + 60, 1440])).to.deep.equal([]);
  });

  it('says what must not be left for the night, and what may rest through it', () => {
    // printed 15:20 to 15:31, to be pressed within half an hour; all leave at four, and are back at eight
    const PRINTED = 440;
    const wet = [started(blank('print', 1), PRINTED * 60), done(blank('print', 1), (PRINTED + 11) * 60)];
    const evening = shop(EIGHT + PRINTED + 15, [job(wet)]);
    const night = nextNight(evening);
    expect(night).to.deep.equal({ leave: 960, back: 1440 + EIGHT });
    const whole = overnight(evening, planPicture(evening, best(evening)), night!);
    expect(whole.mustGoOn.map(({ op: { title }, by }) => [title, by])).to.deep.equal([['press', 961]]);
    expect(whole.resting).to.deep.equal([]);
    // what dries for three hours from 15:31 may be left: it is dry at 18:31, and may wait until the morning
    const drying = { ...print, waitAfter: wait(3 * 3600, null) };
    const overNight = shop(EIGHT + PRINTED + 15, [job(wet, 1, [drying, press, look])]);
    const rests = overnight(overNight, planPicture(overNight, best(overNight)), night!);
    expect(rests.mustGoOn).to.deep.equal([]);
    expect(rests.resting.map(({ title, until }) => [title, until])).to.deep.equal([['print', 1111]]);
  });
});
