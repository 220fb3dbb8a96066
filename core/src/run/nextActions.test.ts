import { expect } from 'chai';
import { lineOf, routeOf } from '../fixtures/index.ts';
import {
  BLANK,
  blank,
  cutApart,
  done,
  event,
  FILM,
  film,
  judged,
  lost,
  operation,
  phase,
  plan,
  sheet,
  START,
  started,
} from '../fixtures/index.ts';
import { deriveRun, filmOnFloor, nextActions, planOfLine } from './index.ts';
import type { RunEvent, RunOperation, RunPlan } from './index.ts';

describe('nextActions', () => {
  const at = (seconds: number): number => START + seconds * 1000;
  const next = (events: RunEvent[], atS: number, of = plan): string[] =>
    nextActions(of, deriveRun(of, events), at(atS)).map(({ step }) => step.id);

  it('leads with the machine that is finished, then with the piece that is furthest on', () => {
    const events = [...sheet('1-2', 0), ...sheet('3-4', 5), started(blank('press', 1), 100)];
    const running = nextActions(plan, deriveRun(plan, events), at(105));
    expect(running.map(({ kind, step, dueAt }) => [kind, step.id, dueAt])).to.deep.equal([
      ['complete', blank('press', 1), at(115)],
    ]);
    expect(next([...events, done(blank('press', 1), 116)], 170)[0]).to.equal(blank('peel', 1));
  });

  it('stays with a machine that is done soon, and offers other work beside one that is not', () => {
    const events = [...sheet('1-2', 0), started(blank('press', 1), 100)];
    expect(next(events, 105)[0], 'ten seconds are left').to.equal(blank('press', 1));
    const long = [...sheet('1-2', 0), started(film('print', '3-4'), 100)];
    expect(next(long, 105)[0], 'a minute is left').to.equal(blank('press', 1));
    expect(next(long, 130)[0], 'half a minute').to.equal(film('print', '3-4'));
  });

  it('goes station by station where the floor works in batches', () => {
    const events = [...sheet('1-2', 0), ...sheet('3-4', 5), done(blank('press', 1), 20)];
    expect(next(events, 200).slice(0, 2)).to.deep.equal([blank('peel', 1), blank('press', 2)]);
    const inBatches = [...events, event('flow-changed', null, 21, { flow: 'batch' })];
    expect(next(inBatches, 200).slice(0, 4)).to.deep.equal([
      ...[blank('press', 2), blank('press', 3), blank('press', 4), blank('peel', 1)],
    ]);
  });

  it('takes wet ink before all else that could be started', () => {
    const events = [...sheet('1-2', 0), done(film('print', '3-4'), 10)];
    expect(next(events, 250)[0], 'a minute is left').to.equal(film('melt', '3-4'));
    const [melt] = nextActions(plan, deriveRun(plan, events), at(250));
    expect(melt?.latestAt).to.equal(at(310));
  });

  it('has a second sheet in the oven beside the first, and a third where somebody sees room; under a press only one', () => {
    const melting = (machineKind: 'oven' | 'press', size: number): RunPlan =>
      planOfLine(
        {
          lanes: [FILM],
          operations: [
            operation('print', 'film', { unit: 'sheet', size: 2 }),
            operation('melt', 'film', {
              role: 'melt',
              unit: 'sheet',
              size,
              modes: [
                {
                  machineKind,
                  machine: { id: null, name: 'Heat' },
                  stateC: 130,
                  phases: [phase(120)],
                  pools: [],
                },
              ],
            }),
          ],
        },
        6,
      );
    const printed = ['1-2', '3-4', '5-6'].map((slots, i) => done(film('print', slots), i));
    const melts = (of: RunPlan, events: RunEvent[]): unknown[] =>
      nextActions(of, deriveRun(of, events), at(60)).map(({ step, kind, isTaken }) => [
        step.id,
        kind,
        isTaken,
      ]);
    // sheets of two that fill the oven
    const oven = melting('oven', 2);
    const first = [...printed, started(film('melt', '1-2'), 10)];
    expect(melts(oven, first)).to.deep.equal([
      [film('melt', '1-2'), 'complete', false],
      [film('melt', '3-4'), 'start', true],
      [film('melt', '5-6'), 'start', true],
    ]);
    expect(melts(melting('press', 2), first)).to.deep.equal([[film('melt', '1-2'), 'complete', false]]);
    const both = [...first, started(film('melt', '3-4'), 20), done(film('melt', '1-2'), 131)];
    const after = deriveRun(oven, both);
    expect(after.steps.filter(({ status }) => status === 'running').map(({ id }) => id)).to.deep.equal([
      film('melt', '3-4'),
    ]);
    // each has its own time
    const [second] = nextActions(oven, after, at(132));
    expect([second?.step.id, second?.dueAt]).to.deep.equal([film('melt', '3-4'), at(140)]);
  });

  it('takes film that melts together into the heat at once, sheet by sheet', () => {
    const machine = { id: null, name: 'Oven' };
    const of: RunPlan = {
      ...planOfLine(
        {
          lanes: [FILM],
          operations: [
            operation('melt', 'film', {
              role: 'melt',
              unit: 'load',
              size: 4,
              modes: [{ machineKind: 'oven', machine, stateC: 130, phases: [phase(120)], pools: [] }],
            }),
            operation('cut', 'film', { role: 'cut', unit: 'sheet', size: 2 }),
          ],
        },
        6,
      ),
      // laid out by hand: each sheet is a thing of its own up to the cut
      sheets: [
        { id: '1', parts: ['1.film.1', '1.film.2'] },
        { id: '2', parts: ['1.film.3', '1.film.4'] },
        { id: '3', parts: ['1.film.5', '1.film.6'] },
      ],
    };
    const state = deriveRun(of, [started(film('melt', '1-2'), 0)]);
    const offered = nextActions(of, state, at(1)).filter(({ kind }) => kind === 'start');
    expect(offered.map(({ isTaken }) => isTaken)).to.deep.equal([false, false]);
    const full = deriveRun(of, [started(film('melt', '1-2'), 0), started(film('melt', '3-4'), 1)]);
    expect(
      nextActions(of, full, at(2))
        .filter(({ kind }) => kind === 'start')
        .map(({ isTaken }) => isTaken),
    ).to.deep.equal([true]);
  });

  it('offers what a press is warm for', () => {
    const hot = (id: string, stateC: number): RunOperation =>
      operation(id, id, {
        modes: [
          {
            machineKind: 'press',
            machine: { id: null, name: 'Press A' },
            stateC,
            phases: [phase(9)],
            pools: [],
          },
        ],
      });
    const lines = [
      { key: '1', lanes: [{ ...BLANK, id: 'cool' }], operations: [hot('cool', 130)], pieces: 1 },
      { key: '2', lanes: [{ ...BLANK, id: 'hot' }], operations: [hot('hot', 160)], pieces: 1 },
    ];
    const both: RunPlan = { lines, sheets: [], flow: 'through' };
    const first = (heat?: Map<string, number>): string | undefined =>
      nextActions(both, deriveRun(both, []), START, { heat: heat ?? new Map(), busy: new Set() })[0]?.step
        .operation;
    expect([first(), first(new Map([['Press A', 159]])), first(new Map([['Press A', 131]]))]).to.deep.equal([
      ...['cool', 'hot', 'cool'],
    ]);
  });

  it('counts down for what is in the step', () => {
    const printing = planOfLine(
      {
        lanes: [FILM],
        operations: [
          operation('print', 'film', {
            unit: 'sheet',
            size: 6,
            modes: [
              {
                machineKind: null,
                machine: null,
                stateC: null,
                phases: [phase(10, { eachS: 30 })],
                pools: [],
              },
            ],
          }),
        ],
      },
      8,
    );
    const due = (slots: string): number => {
      const [action] = nextActions(printing, deriveRun(printing, [started(film('print', slots), 0)]), at(1));
      return (action.dueAt - START) / 1000;
    };
    expect([due('1-6'), due('7-8'), due('1')]).to.deep.equal([190, 70, 40]);
  });

  it('knows the film that lies about, sheet by sheet, with what is left of each one’s window', () => {
    const of = planOfLine({ lanes: [FILM, BLANK], operations: withRoles() }, 4);
    const told = (events: RunEvent[]): string[] =>
      filmOnFloor(of, deriveRun(of, events)).map(({ parts, done: past, next: coming }) => {
        const words = parts.map((id) => id.split('.')[2]).join();
        const latest = coming?.latestAt == null ? '' : ` by ${(coming.latestAt - START) / 1000}`;
        return `${words}: ${past.length} done, ${coming?.isRunning ? 'in ' : ''}${coming?.operation.id}${latest}`;
      });
    expect(told([]), 'the one that comes next').to.deep.equal(['1,2: 0 done, print']);
    const printed = done(film('print', '1-2'), 10);
    expect(told([printed, started(film('print', '3-4'), 20)])).to.deep.equal([
      ...['1,2: 1 done, melt by 310', '3,4: 0 done, in print'],
    ]);
    expect(told([printed, lost('1.film.1', 30), started(film('melt', '2'), 40)])).to.deep.equal([
      ...['2: 1 done, in melt', '3,4: 0 done, print'],
    ]);
    expect(told([...sheet('1-2', 0), done('cut/1.film.1-2', 9)]), 'cut apart').to.deep.equal([
      '3,4: 0 done, print',
    ]);
  });

  it('walks any route of the shop to its end, piece after piece', () => {
    for (const process of ['dtf', 'dtg', 'dtf-platen', 'bought-in'] as const) {
      const route = routeOf(lineOf({ process, pieces: 12 }));
      const of = planOfLine(route, 12);
      const events: RunEvent[] = [];
      let clock = 0;
      for (let i = 0; i < 2000; i++) {
        const [action] = nextActions(of, deriveRun(of, events), at(clock));
        if (!action) break;
        clock = Math.max(clock + 1, Math.ceil((action.dueAt - START) / 1000));
        const isJudged = action.operation.role === 'inspect';
        events.push(isJudged ? judged(action.step.id, clock, 'good') : done(action.step.id, clock));
      }
      const state = deriveRun(of, events);
      expect(state.ignored, process).to.deep.equal([]);
      expect(
        state.outcomes.map(({ verdict }) => verdict),
        process,
      ).to.deep.equal(Array(12).fill('good'));
      expect(state.finishedAt, process).to.not.equal(null);
    }
  });
});

/** The film’s operations with their roles, and a knife at the end of them. */
const withRoles = (): RunOperation[] =>
  cutApart().map((own) => (own.id === 'print' || own.id === 'melt' ? { ...own, role: own.id } : own));
