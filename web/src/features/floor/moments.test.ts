import type { Run } from '@saltflat/contract';
import type { Operation } from '@saltflat/core/route';
import { deriveRun, stepId } from '@saltflat/core/run';
import type { RunEvent, RunPlan } from '@saltflat/core/run';
import { expect } from 'chai';
import { momentsOf, partOf, titleOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

const START = Date.parse('2031-01-03T08:00:00Z');
const at = (seconds: number): number => START + 1000 * seconds;

const operation = (id: string, per: 'batch' | 'piece', own: Partial<Operation> = {}): Operation =>
  ({
    id,
    title: `Do ${id}`,
    station: id,
    per,
    perLoad: null,
    timerS: 0,
    timerPieceS: 0,
    waitAfter: null,
    weighIn: null,
    isInspection: false,
    ...own,
  }) as Operation;
const OPERATIONS = [
  operation('melt', 'batch', { perLoad: 2, timerS: 150 }),
  operation('press', 'piece', { timerS: 15, waitAfter: { minS: 45, maxS: null, why: 'cold peel' } }),
  operation('peel', 'piece'),
  operation('inspect', 'piece', { isInspection: true }),
];

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
  const plan: RunPlan = { operations: OPERATIONS, pieces };
  const run = { id: code, code, route: { operations: OPERATIONS } } as unknown as Run;
  return { id: code, run, plan, state: deriveRun(plan, events) } as LiveRun;
}
const wordsOf = (runs: LiveRun[], nowMs: number): string[] =>
  momentsOf(runs, nowMs).map(
    ({ live: { run }, action }) =>
      `${run.code} ${action.kind} ${titleOf({ run } as LiveRun, action)}, ${partOf(action.step)}`,
  );

describe('what the floor wants next', () => {
  it('leads with the line whose machine is done longest', () => {
    const first = live('K-1', 2, [event('step-started', '1/melt/0', 0)]);
    const second = live('K-2', 2, [event('step-started', '1/melt/0', 30)]);
    expect(wordsOf([second, first], at(200))).to.deep.equal([
      'K-1 complete Do melt, all',
      'K-2 complete Do melt, all',
    ]);
  });

  it('lines up what will be due after what is due now, soonest first', () => {
    const resting = live('K-1', 2, [
      event('step-completed', '1/melt/0', 0),
      event('step-completed', stepId(1, 'press', 1), 100),
    ]);
    const running = live('K-2', 2, [event('step-started', '1/melt/0', 90)]);
    expect(wordsOf([resting, running], at(110))).to.deep.equal([
      'K-1 start Do press, piece 2',
      'K-1 start Do peel, piece 1',
      'K-2 complete Do melt, all',
    ]);
  });

  it('leaves out lines that are finished', () => {
    const events = ['press', 'peel'].map((id, i) => event('step-completed', stepId(1, id, 1), 10 + i));
    const done = live('K-1', 1, [
      event('step-completed', '1/melt/0', 0),
      ...events.map((own) => ({ ...own, clientSeq: (seq += 1) })),
      event('piece-inspected', stepId(1, 'inspect', 1), 90),
    ]);
    expect(done.state.finishedAt).to.not.equal(null);
    expect(wordsOf([done], at(100))).to.deep.equal([]);
  });

  it('names the load a batch is in, the piece, or all of it', () => {
    expect(wordsOf([live('K-1', 5, [])], at(0))).to.deep.equal(['K-1 start Do melt, load 1 of 3']);
    const second = live('K-1', 5, [event('step-completed', '1/melt/0', 0)]);
    expect(wordsOf([second], at(5))).to.deep.equal(['K-1 start Do melt, load 2 of 3']);
  });
});
