import { expect } from 'chai';
import { judgePowder } from './index.ts';

describe('powder that was weighed', () => {
  it('is what the container lost, judged by what the art takes', () => {
    expect(judgePowder(null, 480, 2)).to.equal(null);
    expect(judgePowder(482.4, null, 2)).to.equal(null);
    const of = (usedG: number) => judgePowder(500, 500 - usedG, 2)?.verdict;
    expect([0.9, 1.1, 2, 3.5, 3.7].map(of)).to.deep.equal([
      'too-little', 'as-expected', 'as-expected', 'as-expected', 'too-much',
    ]); // prettier-ignore
    // more came back than was poured: something else is in the container, or it was read wrong
    expect(judgePowder(480, 482, 2)).to.deep.include({ usedG: -2, verdict: 'too-little' });
  });
});
