import { expect } from 'chai';
import { chartRows, chartWords } from './chartData.ts';
import type { ChartData } from './chartData.ts';

const ladder: ChartData = {
  along: { title: 'Pieces', values: ['1', '12', '50'] },
  up: { title: 'Price each', write: (cents) => `€ ${(cents / 100).toFixed(2)}` },
  series: [
    { name: 'Price', kind: 'line', values: [null, 900, 720] },
    { name: 'Cost', kind: 'line', values: [null, null, null] },
  ],
};

describe('what a chart shows', () => {
  it('is the same as a table, with nothing where nothing is known', () => {
    expect(chartRows(ladder)).to.deep.equal([
      ['Pieces', 'Price', 'Cost'],
      ['1', '', ''],
      ['12', 900, ''],
      ['50', 720, ''],
    ]);
  });

  it('is said in a sentence to who does not see it', () => {
    expect(chartWords(ladder)).to.equal('Price: from € 9.00 at 12 to € 7.20 at 50; Cost: nothing yet');
  });
});
