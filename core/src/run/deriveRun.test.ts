import { expect } from 'chai';
import fc from 'fast-check';
import {
  FollowedRun,
  RUN_EVENT_KINDS,
  countdownS,
  deriveRun,
  judgeWeighIn,
  nextActions,
  stepId,
} from './index.ts';
import type { RunEvent, RunEventKind, RunEventPayload, RunOperation, RunPlan } from './index.ts';

const operation = (id: string, per: 'batch' | 'piece', more: Partial<RunOperation> = {}): RunOperation => ({
  id,
  per,
  station: id,
  perLoad: null,
  timerS: 0,
  timerPieceS: 0,
  waitAfter: null,
  weighIn: null,
  isInspection: false,
  ...more,
});
const plan: RunPlan = {
  pieces: 2,
  operations: [
    operation('film', 'batch', { timerS: 60, waitAfter: { minS: 0, maxS: 300 } }),
    operation('press', 'piece', { timerS: 15, waitAfter: { minS: 45, maxS: null } }),
    operation('peel', 'piece'),
    operation('inspect', 'piece', { isInspection: true }),
  ],
};
const START = Date.parse('2030-05-06T08:00:00Z');
let made = 0;
function event(
  kind: RunEventKind,
  step: string | null,
  atS: number,
  payload: RunEventPayload = {},
  client = 'a',
): RunEvent {
  made++;
  return {
    id: `e${made}`,
    clientId: client,
    clientSeq: made,
    kind,
    step,
    at: new Date(START + atS * 1000).toISOString(),
    by: 'Ada',
    payload,
  };
}
const done = (step: string, atS: number) => event('step-completed', step, atS);
const judged = (step: string, atS: number, verdict: 'good' | 'reprint' | 'scrap') =>
  event('piece-inspected', step, atS, {
    inspection: { verdict, faults: verdict === 'good' ? [] : ['white-rim'] },
  });
const onePiece = (piece: number, round: number, atS: number, verdict: 'good' | 'reprint' | 'scrap') => [
  done(stepId(round, 'press', piece), atS),
  done(stepId(round, 'peel', piece), atS + 60),
  judged(stepId(round, 'inspect', piece), atS + 90, verdict),
];

describe('deriveRun', () => {
  it('finishes a run when every piece is judged', () => {
    const state = deriveRun(plan, [
      done('1/film/0', 0),
      ...onePiece(1, 1, 100, 'good'),
      ...onePiece(2, 1, 200, 'scrap'),
    ]);
    expect(state.finishedAt).to.equal(new Date(START + 290_000).toISOString());
    expect(state.outcomes.map(({ verdict }) => verdict)).to.deep.equal(['good', 'scrap']);
    expect(state.ignored).to.deep.equal([]);
  });

  it('makes a reprint in a round of its own, from the first operation', () => {
    const state = deriveRun(plan, [
      done('1/film/0', 0),
      ...onePiece(1, 1, 100, 'reprint'),
      ...onePiece(2, 1, 200, 'good'),
    ]);
    expect(state.finishedAt).to.equal(null);
    expect(state.rounds).to.equal(2);
    expect(state.steps.filter(({ round }) => round === 2).map(({ id }) => id)).to.deep.equal([
      '2/film/0',
      '2/press/3',
      '2/peel/3',
      '2/inspect/3',
    ]);
  });

  it('says why an event changes nothing', () => {
    const state = deriveRun(plan, [
      done('1/press/1', 0),
      done('1/film/0', 10),
      done('1/film/0', 20),
      done('9/film/0', 30),
      done('1/inspect/1', 40),
    ]);
    expect(state.ignored.map(({ why }) => why)).to.deep.equal([
      'the step before it is not done',
      'the step was already done',
      'there is no such step',
      'the step before it is not done',
    ]);
  });

  it('takes back the last step', () => {
    const film = done('1/film/0', 0);
    const press = done('1/press/1', 50);
    const before = deriveRun(plan, [film]);
    const after = deriveRun(plan, [film, press, event('undone', null, 60, { eventId: press.id })]);
    expect(after).to.deep.equal(before);
    expect(deriveRun(plan, [film, press]).lastEventId).to.equal(press.id);
  });

  it('takes a batch through a small machine load by load, and reprints by as many loads as they need', () => {
    const small: RunPlan = {
      pieces: 5,
      operations: plan.operations.map((own) => (own.id === 'film' ? { ...own, perLoad: 2 } : own)),
    };
    const films = (round: number, events: RunEvent[]) =>
      deriveRun(small, events)
        .steps.filter((step) => step.operation === 'film' && step.round === round)
        .map(({ id, status }) => `${id} ${status}`);
    expect(films(1, [done('1/film/0.2', 0), done('1/film/0', 5)])).to.deep.equal([
      '1/film/0 done',
      '1/film/0.2 idle',
      '1/film/0.3 idle',
    ]);
    const early = deriveRun(small, [done('1/film/0', 0), done('1/film/0.2', 9), done('1/press/1', 20)]);
    expect(early.ignored.map(({ why }) => why)).to.deep.equal(['the step before it is not done']);
    const all = [done('1/film/0', 0), done('1/film/0.2', 9), done('1/film/0.3', 19)];
    const pressed = deriveRun(small, [...all, done('1/press/1', 30)]);
    expect(pressed.ignored).to.deep.equal([]);
    const reprints = [1, 2, 3, 4, 5].flatMap((piece) =>
      onePiece(piece, 1, 100 * piece, piece <= 3 ? 'reprint' : 'good'),
    );
    expect(films(2, [...all, ...reprints])).to.deep.equal(['2/film/0 idle', '2/film/0.2 idle']);
  });

  it('keeps both weighings with the step', () => {
    const state = deriveRun(plan, [
      event('reading-taken', '1/film/0', 0, { reading: { what: 'before', massG: 180 } }),
      event('reading-taken', '1/film/0', 5, { reading: { what: 'after', massG: 192.5 } }),
    ]);
    expect(state.steps[0]).to.include({ status: 'running', beforeG: 180, afterG: 192.5 });
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, 192.5)).to.deep.equal({
      addedG: 12.5,
      verdict: 'within',
    });
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, 190)?.verdict).to.equal('too-little');
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, null)).to.equal(null);
  });

  it('gives one state for 2 000 events in any order of arrival that keeps each client’s own, repeats included', () => {
    const large: RunPlan = { ...plan, pieces: 150 };
    const stepIds = deriveRun(large, []).steps.map(({ id }) => id);
    fc.assert(
      fc.property(fc.integer(), fc.integer(), (seed, arrivalSeed) => {
        const random = lcg(seed);
        const events = Array.from({ length: 2000 }, (_, i) => randomEvent(stepIds, random, i));
        const arrived = interleave(events, lcg(arrivalSeed));
        const repeated = [...arrived, ...arrived.filter((_, i) => i % 7 === 0)];
        expect(deriveRun(large, repeated)).to.deep.equal(deriveRun(large, events));
      }),
      { numRuns: 12 },
    );
  });
});

describe('FollowedRun', () => {
  it('stands after each event where a replay of all of them does, in whatever order they arrive', () => {
    const stepIds = deriveRun(plan, []).steps.map(({ id }) => id);
    fc.assert(
      fc.property(fc.integer(), fc.integer(), fc.boolean(), (seed, arrivalSeed, isInOrder) => {
        const random = lcg(seed);
        const events = Array.from({ length: 40 }, (_, i) => randomEvent(stepIds, random, i));
        const arrived = isInOrder
          ? [...events].sort((p, q) => Date.parse(p.at) - Date.parse(q.at))
          : interleave(events, lcg(arrivalSeed));
        const followed = new FollowedRun(plan, arrived.slice(0, 5));
        for (let i = 5; i < arrived.length; i++) {
          followed.add(arrived.slice(i - 1, i + 1)); // one of them known already
          expect(followed.state).to.deep.equal(deriveRun(plan, arrived.slice(0, i + 1)));
        }
      }),
      { numRuns: 100 },
    );
  });
});

describe('nextActions', () => {
  const at = (seconds: number) => START + seconds * 1000;
  it('leads with the machine that is finished, then with the piece that is furthest on', () => {
    const events = [done('1/film/0', 0), event('step-started', '1/press/1', 100)];
    const running = nextActions(plan, deriveRun(plan, events), at(105));
    expect(running.map(({ kind, step, dueAt }) => [kind, step.id, dueAt])).to.deep.equal([
      ['complete', '1/press/1', at(115)],
    ]);
    const rested = nextActions(plan, deriveRun(plan, [...events, done('1/press/1', 116)]), at(170));
    expect(rested.map(({ step }) => step.id)).to.deep.equal(['1/peel/1', '1/press/2']);
  });

  it('lets the next load follow at once: rest and window are for what comes after the last', () => {
    const small: RunPlan = {
      pieces: 4,
      operations: [
        operation('powder', 'batch', { waitAfter: { minS: 0, maxS: 600 } }),
        operation('melt', 'batch', { perLoad: 2, timerS: 150, waitAfter: { minS: 60, maxS: null } }),
        ...plan.operations.slice(1),
      ],
    };
    const events = [done('1/powder/0', 0), done('1/melt/0', 200)];
    const [second] = nextActions(small, deriveRun(small, events), at(210));
    expect(second).to.deep.include({ kind: 'start', dueAt: at(200), latestAt: null });
    expect(second.step.id).to.equal('1/melt/0.2');
    const [press] = nextActions(small, deriveRun(small, [...events, done('1/melt/0.2', 400)]), at(410));
    expect([press.step.id, press.dueAt]).to.deep.equal(['1/press/1', at(460)]);
  });

  it('counts down for what is in the step: a reprint of one is printed sooner than the line', () => {
    const printing: RunPlan = {
      pieces: 24,
      operations: [operation('print', 'batch', { timerS: 10, timerPieceS: 30 }), ...plan.operations.slice(1)],
    };
    const [line] = deriveRun(printing, []).steps;
    expect([line.pieces, countdownS(printing.operations[0], line)]).to.deep.equal([24, 730]);
    const printed = done('1/print/0', 800);
    const judgedAll = Array.from({ length: 24 }, (_, i) =>
      onePiece(i + 1, 1, 1000 + 200 * i, i === 0 ? 'reprint' : 'good'),
    ).flat();
    const state = deriveRun(printing, [printed, ...judgedAll, event('step-started', '2/print/0', 9000)]);
    const [action] = nextActions(printing, state, at(9001));
    expect([action.step.id, action.dueAt]).to.deep.equal(['2/print/0', at(9040)]);
  });

  it('counts a rest down and offers other work meanwhile', () => {
    const state = deriveRun(plan, [done('1/film/0', 0), done('1/press/1', 100)]);
    const actions = nextActions(plan, state, at(110));
    expect(actions.map(({ step, dueAt }) => [step.id, dueAt])).to.deep.equal([
      ['1/press/2', at(0)],
      ['1/peel/1', at(145)],
    ]);
    expect(actions[0].latestAt).to.equal(at(300));
  });
});

/** Numerical Recipes' 32-bit linear congruential generator, 0–1. */
function lcg(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

function randomEvent(stepIds: string[], random: () => number, i: number): RunEvent {
  const kind = RUN_EVENT_KINDS[Math.floor(random() * RUN_EVENT_KINDS.length)];
  const client = `client-${Math.floor(random() * 4)}`;
  const isAboutRun = kind === 'undone' || kind.startsWith('problem');
  const payload: RunEventPayload =
    {
      'piece-inspected': {
        inspection: {
          verdict: (['good', 'reprint', 'scrap'] as const)[Math.floor(random() * 3)],
          faults: [],
        },
      },
      'reading-taken': { reading: { what: 'before' as const, massG: random() * 300 } },
      undone: { eventId: `r${Math.floor(random() * (i + 1))}` },
      'problem-raised': { problem: 'jam' },
    }[kind as string] ?? {};
  return {
    id: `r${i}`,
    clientId: client,
    clientSeq: i + 1,
    kind,
    step: isAboutRun ? null : stepIds[Math.floor(random() * Math.min(stepIds.length, 12 + i / 4))],
    at: new Date(START + i * 900 + Math.floor(random() * 20_000) - 10_000).toISOString(),
    by: client,
    payload,
  };
}

/** Another order of arrival: client queues merged at random, each in its own order. */
function interleave(events: RunEvent[], random: () => number): RunEvent[] {
  const queues = [...new Set(events.map(({ clientId }) => clientId))].map((id) =>
    events.filter(({ clientId }) => clientId === id),
  );
  const arrived: RunEvent[] = [];
  for (;;) {
    const waiting = queues.filter((queue) => queue.length > 0);
    if (waiting.length === 0) return arrived;
    arrived.push(waiting[Math.floor(random() * waiting.length)].shift()!);
  }
}
