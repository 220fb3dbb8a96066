import type { Run } from '@saltflat/contract';
import { deriveRun, planOfLine } from '@saltflat/core/run';
import type { RunEvent } from '@saltflat/core/run';
import type { Lane, Operation, Phase } from '@saltflat/core/work';
import { expect } from 'chai';
import { codesOf, momentsOf, partOf, titleOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

const START = Date.parse('2031-01-03T08:00:00Z');
const at = (seconds: number): number => START + 1000 * seconds;

const timed = (onceS: number): Phase[] =>
  onceS === 0
    ? []
    : [
        {
          label: 'run',
          onceS,
          eachS: 0,
          people: 0,
          isTimed: true,
          canPause: false,
          maxWaitS: null,
          heat: null,
        },
      ];
const operation = (id: string, lane: string, own: Partial<Operation> & { s?: number } = {}): Operation =>
  ({
    id,
    role: 'load',
    title: `Do ${id}`,
    station: 'press',
    lane,
    takes: [],
    awaits: [],
    unit: 'piece',
    size: null,
    modes: [
      {
        machineKind: null,
        machine: { id: null, name: id },
        stateC: null,
        phases: timed(own.s ?? 0),
        pools: [],
      },
    ],
    waitAfter: null,
    weighIn: null,
    ...own,
  }) as Operation;
const LANES: Lane[] = [
  { id: 'film', part: 'transfer', print: '1', spares: 0 },
  { id: 'blank', part: 'blank', print: null, spares: 0 },
];
const OPERATIONS = [
  operation('melt', 'film', { role: 'melt', unit: 'load', size: 2, s: 150 }),
  operation('press', 'blank', {
    takes: ['film'],
    s: 15,
    waitAfter: { minS: 45, maxS: null, why: { code: 'wait.cap-cools', params: {} } },
  }),
  operation('peel', 'blank'),
  operation('inspect', 'blank', { role: 'inspect' }),
];
const melt = (slots: string): string => `melt/1.film.${slots}`;

/** Orders that are due at another time than all others. */
const due: Record<string, string> = { 'K-9': '2031-01-04T08:00:00Z' };

let seq = 0;
function event(kind: RunEvent['kind'], step: string, seconds: number): RunEvent {
  seq++;
  return {
    id: `e${seq}`,
    clientId: 'a',
    clientSeq: seq,
    kind,
    step,
    at: new Date(at(seconds)).toISOString(),
    by: 'Ada',
    payload: kind === 'piece-inspected' ? { inspection: { verdict: 'good', faults: [] } } : {},
  };
}
function live(code: string, pieces: number, events: RunEvent[]): LiveRun {
  const route = { lanes: LANES, operations: OPERATIONS };
  const plan = planOfLine(route, pieces);
  const run = {
    id: code,
    guests: [],
    lines: [{ key: '1', code, pieces, route, dueAt: due[code] ?? '2031-01-09T08:00:00Z' }],
  } as unknown as Run;
  return { id: code, run, plan, state: deriveRun(plan, events) } as LiveRun;
}
const wordsOf = (runs: LiveRun[], nowMs: number): string[] =>
  momentsOf(runs, nowMs).map(
    ({ live: own, action }) =>
      `${codesOf(own.run)} ${action.kind} ${titleOf(own, action)}, ${partOf(own, action.step)}`,
  );

describe('what the floor wants next', () => {
  it('leads with the line whose machine is done longest', () => {
    const first = live('K-1', 2, [event('step-started', melt('1-2'), 0)]);
    const second = live('K-2', 2, [event('step-started', melt('1-2'), 30)]);
    expect(wordsOf([second, first], at(200))).to.deep.equal([
      'K-1 complete Do melt, all 2 transfers',
      'K-2 complete Do melt, all 2 transfers',
    ]);
  });

  it('lines up what will be due after what is due now, soonest first', () => {
    const resting = live('K-1', 2, [
      event('step-completed', melt('1-2'), 0),
      event('step-completed', 'press/1.blank.1', 100),
    ]);
    const running = live('K-2', 2, [event('step-started', melt('1-2'), 90)]);
    expect(wordsOf([resting, running], at(110))).to.deep.equal([
      'K-1 start Do press, piece 2',
      'K-1 start Do peel, piece 1',
      'K-2 complete Do melt, all 2 transfers',
    ]);
  });

  it('takes the order that is due sooner, and last what another line is on the machine for', () => {
    expect(wordsOf([live('K-1', 2, []), live('K-9', 2, [])], at(0))).to.deep.equal([
      'K-9 start Do melt, all 2 transfers',
      'K-1 start Do melt, all 2 transfers',
    ]);
    const melting = live('K-1', 2, [event('step-started', melt('1-2'), 0)]);
    expect(wordsOf([melting, live('K-9', 2, [])], at(10))).to.deep.equal([
      'K-1 complete Do melt, all 2 transfers',
      'K-9 start Do melt, all 2 transfers',
    ]);
    const [, waiting] = momentsOf([melting, live('K-9', 2, [])], at(10));
    expect(waiting?.action.isTaken).to.equal(true);
  });

  it('leaves out lines that are finished', () => {
    const events = ['press', 'peel'].map((id, i) => event('step-completed', `${id}/1.blank.1`, 10 + i));
    const done = live('K-1', 1, [
      event('step-completed', melt('1'), 0),
      ...events.map((own) => ({ ...own, clientSeq: (seq += 1) })),
      event('piece-inspected', 'inspect/1.blank.1', 90),
    ]);
    expect(done.state.finishedAt).to.not.equal(null);
    expect(wordsOf([done], at(100))).to.deep.equal([]);
  });

  it('asks for nothing that another run’s film carries, as long as that is on the floor', () => {
    const lost = { part: '1.film.1', isReplaced: true, faults: [] };
    const spoiled = live('K-1', 1, [
      event('step-completed', melt('1'), 0),
      { ...event('part-lost', '', 6), step: null, payload: { lost } },
    ]);
    const again = 'K-1 start Do melt, transfer 1, made again';
    const host = live('K-2', 1, []);
    expect(wordsOf([spoiled, host], at(9))).to.include(again);
    const guests = [{ sheet: '1', runId: 'K-1', part: '1.film.1~2', code: 'K-1 1' }];
    const carrying = { ...host, run: { ...host.run, guests } };
    expect(wordsOf([spoiled, carrying], at(9))).to.deep.equal(['K-2 start Do melt, transfer 1']);
    const alone = { ...host, run: { ...host.run, guests: guests.map((own) => ({ ...own, sheet: null })) } };
    expect(wordsOf([spoiled, alone], at(9))).to.include(again);
  });

  it('names what a step is about: the transfers of a load, the piece, all of it, what is made again', () => {
    const first = (pieces: number, events: RunEvent[], nowS: number): string | undefined =>
      wordsOf([live('K-1', pieces, events)], at(nowS))[0];
    expect(first(5, [], 0)).to.equal('K-1 start Do melt, transfers 1 and 2');
    const load = event('step-completed', melt('1-2'), 0);
    expect(first(5, [load], 5)).to.equal('K-1 start Do press, piece 1');
    const lost = {
      ...event('part-lost', melt('1-2'), 6),
      step: null,
      payload: { lost: { part: '1.film.1', isReplaced: true, faults: [] } },
    };
    expect(wordsOf([live('K-1', 2, [load, lost])], at(9))).to.deep.equal(['K-1 start Do press, piece 2']);
    const pressed = [
      event('step-completed', 'press/1.blank.2', 10),
      event('step-completed', 'peel/1.blank.2', 60),
    ];
    const judged = event('piece-inspected', 'inspect/1.blank.2', 70);
    expect(first(2, [load, lost, ...pressed, judged], 80)).to.equal(
      'K-1 start Do melt, transfer 1, made again',
    );
  });
});
