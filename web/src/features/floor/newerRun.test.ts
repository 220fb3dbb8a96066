import type { Run } from '@saltflat/contract';
import { configureStore } from '@reduxjs/toolkit';
import { expect } from 'chai';
import { baseApi } from '../../api/baseApi.ts';
import './floorApi.ts';
import { newerRun } from './newerRun.ts';

const run = (id: string, events: number): Run =>
  ({ id, finishedAt: null, events: Array.from({ length: events }, (_, i) => ({ id: `${id}.${i}` })) }) as Run;

describe('answers about a run', () => {
  it('are taken by what they know, not by when they come', () => {
    const [early, late] = [run('r', 9), run('r', 11)];
    expect(newerRun(undefined, early)).to.equal(early);
    expect(newerRun(early, late)).to.equal(late);
    expect(newerRun(late, early)).to.equal(late);
    const again = run('r', 11);
    expect(newerRun(late, again), 'what else changed of it is news').to.equal(again);
  });

  it('that were asked for earlier and come later leave the floor where it is', async () => {
    const answers: (() => unknown)[] = [];
    const itsOwn = globalThis.fetch;
    const itsRequest = globalThis.Request;
    globalThis.Request = class extends itsRequest {
      constructor(input: string | URL | Request, init?: RequestInit) {
        super(typeof input === 'string' ? `http://print.room${input}` : input, init);
      }
    };
    globalThis.fetch = () => Promise.resolve(Response.json(answers.shift()?.() ?? null));
    const store = configureStore({
      reducer: { [baseApi.reducerPath]: baseApi.reducer },
      middleware: (usual) => usual().concat(baseApi.middleware),
    });
    try {
      type Endpoints = Record<'run' | 'activeRuns', { initiate: (arg: unknown, how: object) => never }>;
      const { run: one, activeRuns } = baseApi.endpoints as unknown as Endpoints;
      const ask = async (of: 'run' | 'activeRuns', answer: unknown): Promise<Run & Run[]> => {
        answers.push(() => answer);
        const thunk = of === 'run' ? one.initiate('r', AGAIN) : activeRuns.initiate(undefined, AGAIN);
        const got: { data: Run & Run[] } = await store.dispatch(thunk);
        return got.data;
      };
      expect((await ask('run', run('r', 11))).events).to.have.lengthOf(11);
      expect((await ask('run', run('r', 9))).events).to.have.lengthOf(11);
      expect((await ask('run', run('r', 12))).events).to.have.lengthOf(12);
      await ask('activeRuns', [run('r', 12), run('s', 1)]);
      const list = await ask('activeRuns', [run('r', 9), run('t', 2)]);
      expect(list.map(({ id, events }) => [id, events.length])).to.deep.equal([
        ['r', 12],
        ['t', 2],
      ]);
    } finally {
      Object.assign(globalThis, { fetch: itsOwn, Request: itsRequest });
    }
  });
});

const AGAIN = { forceRefetch: true };
