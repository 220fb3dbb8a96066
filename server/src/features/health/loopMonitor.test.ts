import { execFileSync } from 'node:child_process';
import { expect } from 'chai';
import { watchLoop } from './loopMonitor.ts';

describe('the watch over the thread that answers', () => {
  it('tells what the thread worked in one go apart from what it waited for', async () => {
    const loop = watchLoop();
    const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 120));
    await turn();
    execFileSync(process.execPath, ['-e', 'setTimeout(() => 0, 900)']); // held up, and idle
    await turn();
    const waited = loop.read();
    expect(waited.maxMs).to.be.at.least(850);
    expect(waited.maxWorkMs).to.be.below(waited.maxMs / 2);

    const before = process.cpuUsage();
    const workedMs = (): number => {
      const { user, system } = process.cpuUsage(before);
      return (user + system) / 1000;
    };
    while (workedMs() < 1200); // of a processor, not by the clock
    const worked = loop.read();
    expect(worked.maxWorkMs).to.be.within(900, 1300); // of all threads: a little of it was not this one's
    loop.stop();
  });
});
