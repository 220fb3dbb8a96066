import { routeInputOf } from '@saltflat/contract';
import { compareProcesses } from '@saltflat/core/compare';
import type { ComparisonInput } from '@saltflat/core/compare';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { callPort } from '@saltflat/core/task';
import type { HostPort } from '@saltflat/core/task';
import { demoLine } from '@saltflat/demo';
import { expect } from 'chai';
import { CORE_TASKS } from './coreTasks.ts';
import { createCoreThreads } from './coreThreads.ts';

function input(): ComparisonInput {
  const { prints, overrides: _own, ...line } = routeInputOf(demoLine());
  const { id, artwork, placement, print } = prints[0]!;
  return {
    line: { ...line, artwork, placement },
    id,
    others: [],
    prints: { dtf: print, 'dtg-dark': { ...print, whiteMl: 2 } },
    blankCents: 343,
    rates: DEFAULT_RATES,
  };
}

describe('heavy work in a thread of its own', function () {
  it('comes out as it does in this one', async () => {
    const threads = createCoreThreads();
    const answers = await Promise.all([1, 2, 3].map(() => threads.run('compare', input())));
    for (const answer of answers) expect(answer).to.deep.equal(compareProcesses(input()));
    threads.stop();
  });

  it('is begun again in another thread where its own dies, and says why not where that dies too', async () => {
    const dying = (deaths: number): (() => HostPort) => {
      let made = 0;
      return () => {
        const host = callPort(CORE_TASKS, { now: () => 0, pause: () => Promise.resolve() });
        if (made++ >= deaths) return host;
        let die: (why: string) => void = () => undefined;
        return {
          ...host,
          send: () => queueMicrotask(() => die('no memory')),
          onDeath: (told) => (die = told),
        };
      };
    };
    expect((await createCoreThreads(dying(1)).run('compare', input())).recommended).to.equal(
      compareProcesses(input()).recommended,
    );
    let refusal = '';
    await createCoreThreads(dying(2))
      .run('compare', input())
      .catch((error: unknown) => (refusal = String(error)));
    expect(refusal).to.contain('more memory than there is');
  });
});
