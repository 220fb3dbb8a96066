import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import { Turns } from './turns.ts';

/** Work that is done when told to. */
function held(): { work: () => Promise<void>; finish: () => void; isBegun: () => boolean } {
  let finish = (): void => undefined;
  let isBegun = false;
  const done = new Promise<void>((resolve) => {
    finish = resolve;
  });
  return {
    work: () => {
      isBegun = true;
      return done;
    },
    finish: () => finish(),
    isBegun: () => isBegun,
  };
}
const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));
const code = (error: unknown): string => (error instanceof DomainError ? error.code : 'no refusal');

describe('a bounded queue', () => {
  it('does so much at once by weight, in the order it was asked, and what is heavier than that alone', async () => {
    const turns = new Turns({ most: 100, waiting: 9, patienceMs: 5000, busy: 'Busy.' });
    const [first, heavy, light] = [held(), held(), held()];
    const all = [turns.take(60, first.work), turns.take(250, heavy.work), turns.take(10, light.work)];
    await soon();
    expect([first, heavy, light].map((own) => own.isBegun())).to.deep.equal([true, false, false]);
    first.finish();
    await soon();
    expect([heavy.isBegun(), light.isBegun()], 'nothing beside the heavy one').to.deep.equal([true, false]);
    heavy.finish();
    await soon();
    expect(light.isBegun()).to.equal(true);
    light.finish();
    await Promise.all(all);
  });

  it('sends away whom there is no room for, and whoever has waited too long, and goes on', async () => {
    const turns = new Turns({ most: 1, waiting: 1, patienceMs: 30, busy: 'Busy.' });
    const first = held();
    const begun = turns.take(1, first.work);
    const waiting = turns.take(1, () => Promise.resolve()).catch(code);
    expect(await turns.take(1, () => Promise.resolve()).catch(code)).to.equal('busy');
    expect(await waiting, 'it waited 30 ms').to.equal('busy');
    first.finish();
    await begun;
    expect(await turns.take(1, () => Promise.resolve('done'))).to.equal('done');
  });

  it('gives a place back where the work fails', async () => {
    const turns = new Turns({ most: 1, waiting: 1, patienceMs: 5000, busy: 'Busy.' });
    await turns.take(1, () => Promise.reject(new Error('it broke'))).catch(() => undefined);
    expect(await turns.take(1, () => Promise.resolve('done'))).to.equal('done');
  });
});
