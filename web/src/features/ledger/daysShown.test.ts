import { expect } from 'chai';
import { everyDay, goodShares, inkUse, stretchWords } from './daysShown.ts';

const DAYS = everyDay(
  [
    { day: '2031-02-28', good: 9, reprint: 1, scrap: 0, inks: [{ what: 'Tidal, white', ml: 12 }] },
    { day: '2031-03-02', good: 3, reprint: 0, scrap: 1, inks: [{ what: 'Tidal, colour', ml: 4 }] },
  ],
  '2031-03-03',
  5,
);

describe('the ledger over time', () => {
  it('has every day, those without a piece and the turn of a month included', () => {
    expect(DAYS.map(({ day }) => day)).to.deep.equal([
      '2031-02-27', '2031-02-28', '2031-03-01', '2031-03-02', '2031-03-03',
    ]); // prettier-ignore
  });

  it('shows the share of each day and of seven days by their pieces, and nothing where none was judged', () => {
    const [ofDay, ofSeven] = goodShares(DAYS, (day) => day).series;
    expect(ofDay!.values).to.deep.equal([null, 0.9, null, 0.75, null]);
    // 12 of 14, not the mean of the two shares
    expect(ofSeven!.values).to.deep.equal([null, 0.9, 0.9, 12 / 14, 12 / 14]);
  });

  it('shows each ink by itself, and none as nothing', () => {
    expect(inkUse(DAYS, (day) => day).series.map(({ name, values }) => [name, values])).to.deep.equal([
      ['Tidal, colour', [0, 0, 0, 4, 0]],
      ['Tidal, white', [0, 12, 0, 0, 0]],
    ]);
  });

  it('says what it comes to', () => {
    expect(stretchWords(DAYS)).to.match(/^14 pieces, 85\.7\s% good; 16(\.0)?\sml of ink\.$/);
    expect(stretchWords(everyDay([], '2031-03-03', 7))).to.equal('Nothing was judged in these days.');
  });
});
