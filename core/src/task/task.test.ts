import { expect } from 'chai';
import {
  HostDied,
  TaskCancelled,
  TaskClient,
  TaskFailed,
  atOnce,
  callPort,
  runTask,
  share,
  taskOf,
} from './index.ts';
import type { Asked, Division, FromHost, HostPort, Pacing, Task, ToHost } from './index.ts';

/** Sums numbers one at a time: a task whose answer and progress are known by hand. */
const sum = taskOf(function* (numbers: readonly number[]): Generator<number, number> {
  let total = 0;
  for (const [i, own] of numbers.entries()) {
    total += own;
    yield (i + 1) / numbers.length;
  }
  return total;
});

/** Halves an interval round √2 for ever: always something to show, never done. */
const root: Task<number, { low: number; high: number; steps: number }, number> = {
  start: (x) => ({ low: 0, high: x, steps: 0 }),
  improve: (state) => {
    const middle = (state.low + state.high) / 2;
    if (middle * middle > 2) state.high = middle;
    else state.low = middle;
    state.steps++;
    return { share: Math.min(1, state.steps / 20), isDone: false };
  },
  answer: ({ low, high, steps }) => (steps === 0 ? null : (low + high) / 2),
};

const failing = atOnce((): number => {
  throw new RangeError('it cannot be');
});

const TASKS = { sum, root, failing };
/** A clock that moves on with each look, and a pause that lets messages through. */
const pacing = (): Pacing => {
  let at = 0;
  return { now: () => (at += 5), pause: () => new Promise((resolve) => setTimeout(resolve)), everyMs: 10 };
};
const client = (): TaskClient<typeof TASKS> => new TaskClient(() => callPort(TASKS, pacing()));
const failure = (answer: Promise<unknown>): Promise<Error> =>
  answer.then(
    () => new Error('it was answered'),
    (error: unknown) => error as Error,
  );

describe('a task', () => {
  it('is run to its end, telling ever larger shares', async () => {
    const shares: number[] = [];
    const end = await runTask(sum, [1, 2, 3, 4], { onProgress: (own) => shares.push(own) });
    expect(end).to.deep.equal({ how: 'done', answer: 10 });
    expect(shares).to.deep.equal([0.25, 0.5, 0.75, 1]);
  });

  it('gives the best it has when it is stopped, and nothing where it had nothing', async () => {
    let looks = 0;
    const end = await runTask(root, 2, { wish: () => (++looks > 40 ? 'stop' : 'go-on') });
    if (end.how !== 'stopped') throw new Error(end.how);
    expect(end.answer).to.be.closeTo(Math.SQRT2, 1e-11);
    expect(await runTask(root, 2, { wish: () => 'stop' })).to.deep.equal({ how: 'cancelled' });
  });

  it('pauses by the clock of its host', async () => {
    let pauses = 0;
    let at = 0;
    await runTask(
      sum,
      Array.from({ length: 30 }, () => 1),
      {
        now: () => at++,
        everyMs: 10,
        pause: () => {
          pauses++;
          return Promise.resolve();
        },
      },
    );
    expect(pauses).to.be.within(2, 4);
  });
});

describe('a host of tasks', () => {
  it('answers several at once, each its own', async () => {
    const own = client();
    const answers = await Promise.all([
      own.ask('sum', [1, 2, 3]).answer,
      own.ask(
        'sum',
        Array.from({ length: 100 }, (_, i) => i),
      ).answer,
    ]);
    expect(answers).to.deep.equal([6, 4950]);
    expect(own.busy).to.equal(0);
  });

  it('stops and cancels between two steps', async () => {
    const own = client();
    const stopped: Asked<number> = own.ask('root', 2, (done) => done === 1 && stopped.stop());
    expect(await stopped.answer).to.be.closeTo(Math.SQRT2, 1e-5);
    const cancelled: Asked<number> = own.ask('root', 2, () => cancelled.cancel());
    expect(await failure(cancelled.answer)).to.be.instanceOf(TaskCancelled);
    const put = own.ask('root', 2);
    own.end();
    expect(await failure(put.answer)).to.be.instanceOf(TaskCancelled);
  });

  it('says what failed, and that it has no such task', async () => {
    const error = await failure(client().ask('failing', undefined).answer);
    if (!(error instanceof TaskFailed)) throw error;
    expect([error.failure, error.message]).to.deep.equal(['RangeError', 'it cannot be']);
    const other = new TaskClient<typeof TASKS>(() => callPort({ sum }, pacing()));
    expect((await failure(other.ask('root', 2).answer)).message).to.contain('no task “root”');
  });

  /** A host that dies on the first messages it gets, and works after that. */
  function mortal(deaths: number): { make: () => HostPort; made: () => number } {
    let made = 0;
    const make = (): HostPort => {
      const inner = callPort(TASKS, pacing());
      const dies = made++ < deaths;
      let die: (why: string) => void = () => undefined;
      return {
        send: (message: ToHost) => (dies ? queueMicrotask(() => die('out of memory')) : inner.send(message)),
        listen: (hear: (message: FromHost) => void) => inner.listen(hear),
        onDeath: (told) => (die = told),
        end: () => inner.end(),
      };
    };
    return { make, made: () => made };
  }

  it('is replaced when it dies, and what was under way goes on there', async () => {
    const host = mortal(1);
    const own = new TaskClient<typeof TASKS>(host.make, { mostDeaths: 2 });
    expect(await own.ask('sum', [20, 22]).answer).to.equal(42);
    expect(host.made()).to.equal(2);
  });

  it('is not killed for ever by the same task: it says why not, and the next is answered', async () => {
    const host = mortal(2);
    const words = (why: string): string => `It stopped: ${why}. Try again.`;
    const own = new TaskClient<typeof TASKS>(host.make, { mostDeaths: 2, diedWords: words });
    const error = await failure(own.ask('sum', [1]).answer);
    expect(error).to.be.instanceOf(HostDied);
    expect(error.message).to.equal('It stopped: out of memory. Try again.');
    expect(await own.ask('sum', [1]).answer).to.equal(1);
  });
});

describe('a task that tells', () => {
  it('gives what it has by now, each once, before its answer', async () => {
    const growing: Task<number, { n: number; best: { n: number } }, { n: number }> = {
      start: () => ({ n: 0, best: { n: 0 } }),
      improve: (state) => {
        state.n++;
        if (state.n % 3 === 0) state.best = { n: state.n };
        return { share: state.n / 9, isDone: state.n === 9 };
      },
      answer: ({ best }) => best,
      isTelling: true,
    };
    const told: number[] = [];
    const asked = new TaskClient(() => callPort({ growing }, pacing())).ask(
      'growing',
      1,
      undefined,
      ({ n }) => told.push(n),
    );
    expect(await asked.answer).to.deep.equal({ n: 9 });
    expect(told).to.deep.equal([0, 3, 6]);
  });
});

describe('a task shared between hosts', () => {
  const halves: Division<readonly number[], number> = {
    divide: (numbers, parts) => {
      const each = Math.ceil(numbers.length / parts);
      return Array.from({ length: Math.ceil(numbers.length / each) }, (_, i) =>
        numbers.slice(i * each, (i + 1) * each),
      );
    },
    join: (sums) => sums.reduce((all, own) => all + own, 0),
  };
  const numbers = Array.from({ length: 101 }, (_, i) => i);

  it('comes out as it does on one, on any number of them', async () => {
    for (const count of [1, 2, 3, 7]) {
      const clients = Array.from({ length: count }, client);
      const shares: number[] = [];
      const answer = await share(clients, { kind: 'sum', input: numbers }, halves, (own) => shares.push(own));
      expect(answer, `${count} hosts`).to.equal(5050);
      expect(shares.at(-1)).to.equal(1);
      expect([...shares].sort((p, q) => p - q)).to.deep.equal(shares);
    }
  });

  it('fails with the part that fails, and lets the others go', async () => {
    const clients = [client(), client()];
    const part: Division<unknown, number> = { divide: () => [undefined, undefined], join: () => 0 };
    const error = await failure(share(clients, { kind: 'failing', input: undefined }, part));
    expect(error.message).to.equal('it cannot be');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(clients.map(({ busy }) => busy)).to.deep.equal([0, 0]);
  });
});
