import { expect } from 'chai';
import fc from 'fast-check';
import { beginWith, changed, redone, undone } from './draftHistory.ts';
import type { DraftHistory } from './draftHistory.ts';

interface Draft {
  width: number;
  choke: number;
}
type History = DraftHistory<Draft>;
const START: Draft = { width: 200, choke: 0.1 };

describe('the history of a draft', () => {
  it('goes back and forth step by step, and no further than there is', () => {
    const twice = changed(changed(beginWith(START), { width: 180 }), { choke: 0.2 });
    expect(twice.now).to.deep.equal({ width: 180, choke: 0.2 });
    expect(undone(twice).now).to.deep.equal({ width: 180, choke: 0.1 });
    expect(undone(undone(undone(twice))).now).to.deep.equal(START);
    expect(redone(undone(twice)).now).to.deep.equal(twice.now);
    expect(redone(twice)).to.equal(twice);
  });

  it('takes a slider being drawn as one step, and two sliders as two', () => {
    const drawn = [0.11, 0.12, 0.13].reduce<History>(
      (history, choke) => changed(history, { choke }, 'choke'),
      beginWith(START),
    );
    expect(undone(drawn).now).to.deep.equal(START);
    const other = changed(drawn, { width: 190 }, 'width');
    expect(undone(other).now).to.deep.equal({ width: 200, choke: 0.13 });
    const letGo = changed(undone(other), { choke: 0.2 }, 'choke');
    expect(undone(letGo).now.choke, 'after an undo a new move begins').to.equal(0.13);
  });

  it('forgets what was taken back once something else is done, and counts nothing that changes nothing', () => {
    const branched = changed(undone(changed(beginWith(START), { width: 180 })), { width: 160 });
    expect(redone(branched)).to.equal(branched);
    expect(changed(branched, { width: 160 })).to.equal(branched);
  });

  it('comes back to where it was by as many undos as redos, whatever was done, a hundred steps deep', () => {
    const moves = fc.array(
      fc.record({ width: fc.integer({ min: 10, max: 400 }), kind: fc.constantFrom('', 'width', 'other') }),
      { maxLength: 140 },
    );
    fc.assert(
      fc.property(moves, fc.nat({ max: 160 }), (list, steps) => {
        const end = list.reduce<History>(
          (history, { width, kind }) => changed(history, { width }, kind),
          beginWith(START),
        );
        expect(end.past.length).to.be.at.most(100);
        const back = Math.min(steps, end.past.length);
        let history = end;
        for (let i = 0; i < back; i++) history = undone(history);
        for (let i = 0; i < back; i++) history = redone(history);
        expect(history.now).to.deep.equal(end.now);
        expect(history.past).to.deep.equal(end.past);
      }),
    );
  });
});
