import type { Run, StoredEvent } from '@saltflat/contract';
import { expect } from 'chai';
import { addSent, askFloor, bringUpToDate, newerRun, withNews } from './knownRun.ts';

const event = (id: string): StoredEvent => ({
  id,
  clientId: 'press',
  clientSeq: Number(id),
  kind: 'problem-raised',
  step: null,
  at: '2026-03-02T08:00:00.000Z',
  by: 'Ines',
  payload: { problem: 'a made-up jam' },
});
const runWith = (...ids: string[]): Run => ({ id: 'run', finishedAt: null, events: ids.map(event) }) as never; // no more is looked at
const idsOf = ({ events }: Run): string[] => events.map(({ id }) => id);
const news = (eventCount: number, ...ids: string[]) => ({
  runId: 'run',
  eventCount,
  finishedAt: null,
  events: ids.map(event),
});

describe('what a page knows of a run', () => {
  it('grows by what is new alone, each event once', () => {
    const run = withNews(runWith('1', '2'), news(4, '2', '3', '4'));
    expect(run && idsOf(run)).to.deep.equal(['1', '2', '3', '4']);
  });

  it('is asked for whole again where something lies between', async () => {
    expect(withNews(runWith('1'), news(4, '4'))).to.equal(null);
    const asked: string[] = [];
    const source = {
      whole: (id: string) => (asked.push(id), Promise.resolve(runWith('1', '2', '3', '4'))),
      news: () => Promise.resolve(news(4, '4')),
    };
    expect(idsOf(await bringUpToDate(source, 'run', runWith('1')))).to.have.length(4);
    expect(asked).to.deep.equal(['run']);
  });

  it('is not taken back by an answer that was asked for earlier and comes later', () => {
    const known = runWith('1', '2', '3');
    expect(newerRun(known, runWith('1'))).to.equal(known);
    const late = withNews(known, { ...news(2, '2'), finishedAt: '2026-03-02T09:00:00.000Z' });
    expect(late?.finishedAt, 'finished by an answer that knew less').to.equal(null);
  });

  it('has what was sent as soon as the server has it, and is finished only when all of it is known', () => {
    const run = runWith('1');
    const sent = [{ ...event('2'), deviceAt: '2026-03-02T08:00:00.000Z' }];
    addSent(run, sent, { runId: 'run', eventCount: 3, finishedAt: '2026-03-02T09:00:00.000Z' });
    addSent(run, sent, { runId: 'run', eventCount: 3, finishedAt: '2026-03-02T09:00:00.000Z' });
    expect(idsOf(run)).to.deep.equal(['1', '2']);
    expect(run.finishedAt, 'another device’s event is still missing').to.equal(null);
  });

  it('is told of the floor as a whole in one question, by what is new', async () => {
    const asked: unknown[] = [];
    const source = {
      floor: (known: unknown) => {
        asked.push(known);
        return Promise.resolve({
          runs: [
            { ...news(3, '3'), whole: null },
            { ...news(1), runId: 'other', whole: { ...runWith('9'), id: 'other' } },
          ],
        });
      },
    };
    const runs = await askFloor(source, [runWith('1', '2')], 0);
    expect(runs.map(idsOf)).to.deep.equal([['1', '2', '3'], ['9']]);
    expect(asked).to.deep.equal([{ known: [{ runId: 'run', events: 2 }] }]);
  });

  it('is asked for the whole floor again where something lies between', async () => {
    const answers = [
      { runs: [{ ...news(5, '5'), whole: null }] },
      { runs: [{ ...news(5), whole: runWith('1', '2', '3', '4', '5') }] },
    ];
    const asked: unknown[] = [];
    const source = { floor: (known: unknown) => (asked.push(known), Promise.resolve(answers.shift()!)) };
    const [run] = await askFloor(source, [runWith('1')], 0);
    expect(run && idsOf(run)).to.have.length(5);
    expect(asked[1]).to.deep.equal({ known: [] });
  });

  it('forgets a finished run after its day', async () => {
    const finished = { ...runWith('1'), finishedAt: '2026-03-02T08:00:00.000Z' };
    const asked: unknown[] = [];
    const source = { floor: (known: unknown) => (asked.push(known), Promise.resolve({ runs: [] })) };
    await askFloor(source, [finished], Date.parse('2026-03-03T08:00:00Z'));
    expect(asked).to.deep.equal([{ known: [] }]);
  });
});
