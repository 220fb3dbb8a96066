import { expect } from 'chai';
import fc from 'fast-check';
import { START, interleave, likelyEvents, planFor, randomEvents } from '../fixtures/index.ts';
import { seededRandom } from '../work/index.ts';
import { FollowedRun, currentIn, deriveRun, nextActions } from './index.ts';
import type { RunEvent, RunEventKind, RunPlan, RunState } from './index.ts';

describe('any run', () => {
  it('is one state for 2 000 events in any order of arrival that keeps each client’s own, repeats included', () => {
    const large = planFor(150);
    fc.assert(
      fc.property(fc.integer(), fc.integer(), (seed, arrivalSeed) => {
        const events = randomEvents(large, seededRandom(seed), 2000);
        const arrived = interleave(events, seededRandom(arrivalSeed));
        const repeated = [...arrived, ...arrived.filter((_, i) => i % 7 === 0)];
        expect(deriveRun(large, repeated)).to.deep.equal(deriveRun(large, events));
      }),
      { numRuns: 12 },
    );
  });

  it('loses no event: each is applied, taken back or said to be too late', () => {
    forAnyRun((events, state) => {
      const undone = new Set(
        events.filter(({ kind }) => kind === 'undone').map(({ payload }) => payload.eventId),
      );
      const late = new Set(state.ignored.map(({ eventId }) => eventId));
      const applied = events.filter(({ id }) => !undone.has(id) && !late.has(id));
      const count = (kind: RunEventKind): number => applied.filter((own) => own.kind === kind).length;
      const ended = state.steps.filter(({ status }) => status === 'done').length;
      expect(ended).to.equal(count('step-completed') + count('piece-inspected'));
      const good = applied.filter(({ payload }) => payload.inspection?.verdict === 'good').length;
      expect(state.losses.length).to.equal(count('part-lost') + count('piece-inspected') - good);
      expect(late.size).to.equal(state.ignored.length);
    });
  });

  it('has each part in one step of each of its operations, and at one station at a time', () => {
    forAnyRun((_events, state) => {
      const seen = new Map<string, string>();
      const running = new Map<string, string>();
      for (const { id, operation: at, parts, status } of state.steps)
        for (const part of parts) {
          expect(seen.has(`${part}@${at}`), `${part} twice at ${at}`).to.equal(false);
          seen.set(`${part}@${at}`, id);
          if (status !== 'running') continue;
          expect(running.has(part), `${part} in two steps`).to.equal(false);
          running.set(part, id);
          expect(state.parts[part]?.runningIn).to.equal(id);
        }
    });
  });

  it('makes nothing again that is intact', () => {
    forAnyRun((_events, state) => {
      for (const part of Object.values(state.parts)) {
        if (part.attempt === 1) continue;
        const former =
          state.parts[
            `${part.line}.${part.lane}.${part.slot}${part.attempt > 2 ? `~${part.attempt - 1}` : ''}`
          ];
        expect(former?.isLost, part.id).to.equal(true);
      }
      const lostBlanks = state.outcomes.filter(({ verdict }) => verdict === 'reprint').length;
      const madeBlanks = Object.values(state.parts).filter(
        ({ lane, attempt }) => lane === 'blank' && attempt > 1,
      );
      expect(madeBlanks.length).to.equal(lostBlanks);
    });
  });

  it('has one part for each piece that is still made, and never one for two', () => {
    forAnyRun((_events, state, of) => {
      const served = new Set<string>();
      for (const { line, lane, piece, isLost, id } of Object.values(state.parts)) {
        if (piece === 0 || isLost) continue;
        expect(served.has(`${line}.${lane}.${piece}`), id).to.equal(false);
        served.add(`${line}.${lane}.${piece}`);
        expect(currentIn(state)({ line, piece }, lane)?.id).to.equal(id);
      }
      const scrapped = state.outcomes.filter(({ verdict }) => verdict === 'scrap').length;
      const blanks = [...served].filter((key) => key.startsWith('1.blank.')).length;
      expect(blanks).to.equal(of.lines[0].pieces - scrapped);
    });
  });

  it('reports the window of everything that waits', () => {
    forAnyRun((_events, state, of) => {
      const actions = nextActions(of, state, START);
      for (const { step, latestAt } of actions.filter(
        (own) => own.operation.id === 'melt' && own.kind === 'start',
      )) {
        const printed = step.parts.map((part) => Date.parse(state.parts[part].doneAt!));
        expect(latestAt, step.id).to.equal(Math.min(...printed) + 300_000);
      }
    });
  });

  const runs: { events: RunEvent[]; state: RunState; of: RunPlan }[] = [];
  before(() => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed * 7919);
      const of = planFor(2 + Math.floor(random() * 6), seed % 3);
      const events = likelyEvents(of, random, 80);
      runs.push({ events, state: deriveRun(of, events), of });
    }
  });
  const forAnyRun = (check: (events: RunEvent[], state: RunState, of: RunPlan) => void): void => {
    for (const { events, state, of } of runs) check(events, state, of);
  };
});

describe('FollowedRun', () => {
  it('stands after each event where a replay of all of them does, in whatever order they arrive', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer(), fc.boolean(), (seed, arrivalSeed, isInOrder) => {
        const plan = planFor(4, Math.abs(seed) % 3);
        const events = likelyEvents(plan, seededRandom(seed), 40);
        const arrived = isInOrder
          ? [...events].sort((p, q) => Date.parse(p.at) - Date.parse(q.at))
          : interleave(events, seededRandom(arrivalSeed));
        const followed = new FollowedRun(plan, arrived.slice(0, 5));
        for (let i = 5; i < arrived.length; i++) {
          followed.add(arrived.slice(i - 1, i + 1)); // one of them known already
          expect(followed.state).to.deep.equal(deriveRun(plan, arrived.slice(0, i + 1)));
        }
      }),
      { numRuns: 25 },
    );
  });
});
