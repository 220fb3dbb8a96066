import { expect } from 'chai';
import { runsShort, stockNeeds } from './index.ts';
import type { LineToMake } from './index.ts';

const use = (id: string | null, amount: number, kind: 'mass' | 'volume' | 'area' | 'count') => ({
  ...{ id, amount, kind, what: id ?? 'unkept', cents: 0, isAssumed: true },
});
/** Ten transfers and one spare, each 0.02 m² of film, 0.3 ml colour, 0.5 ml white and 2 g powder; pressed under a sheet that does 100. */
const line: LineToMake = {
  pieces: 10,
  leftOf: null,
  lanes: [
    { id: 'film', part: 'transfer', print: 'a', spares: 1 },
    { id: 'blank', part: 'blank', print: null, spares: 0 },
  ],
  operations: [
    {
      id: 'print',
      lane: 'film',
      consumes: [use('film', 0.02, 'area'), use('ink', 0.3, 'volume'), use('ink', 0.5, 'volume')],
    },
    { id: 'powder', lane: 'film', consumes: [use('powder', 2, 'mass')] },
    { id: 'press', lane: 'blank', consumes: [use('sheet', 0.01, 'count'), use(null, 3, 'count')] },
  ],
};
const material = (id: string, stock: number | null, stockUnit: string, widthMm: number | null = null) => ({
  ...{ id, name: id, stock, stockUnit, widthMm, heightMm: null },
});

describe('What lines take of the stock', () => {
  it('counts spares where they are made, and nothing of what is done', () => {
    const amounts = (own: LineToMake): Record<string, number> =>
      Object.fromEntries(stockNeeds([own]).map(({ id, amount }) => [id, Number(amount.toFixed(6))]));
    expect(amounts(line)).to.deep.equal({ film: 0.22, ink: 8.8, powder: 22, sheet: 0.1 });
    const begun = { ...line, leftOf: ({ id }: { id: string }) => (id === 'print' ? 0 : 4) };
    expect(amounts(begun)).to.deep.equal({ film: 0, ink: 0, powder: 8, sheet: 0.04 });
  });

  it('says what runs short in what the shop counts it in, the shortest first', () => {
    const twice = stockNeeds([line, line]);
    // 0.44 m² of a roll 0.4 m wide are 1.1 m; 44 g are 0.044 kg; 17.6 ml are 0.0176 l
    const short = runsShort(twice, [
      material('film', 1, 'm', 400),
      material('powder', 0.04, 'kg'),
      material('ink', 0.0177, 'l'),
      material('sheet', 1, 'sheets'),
    ]);
    expect(short.map(({ id, stock, needs }) => [id, stock, Number(needs.toFixed(4))])).to.deep.equal([
      ['film', 1, 1.1],
      ['powder', 0.04, 0.044],
    ]);
  });

  it('says nothing of what nobody counts, or counts in what cannot be compared', () => {
    const needs = stockNeeds([line]);
    expect(
      runsShort(needs, [material('film', 0, 'boxes', 400), material('powder', null, 'kg')]),
    ).to.deep.equal([]);
    expect(runsShort(needs, [material('powder', 0, ' KG ')]).map(({ needs: own }) => own)).to.deep.equal([
      0.022,
    ]);
  });

  it('counts single sheets by their size', () => {
    const sheets = { ...material('film', 1, 'sheets', 300), heightMm: 400 }; // 0.12 m² each
    expect(runsShort(stockNeeds([line]), [sheets])[0]?.needs).to.be.closeTo(0.22 / 0.12, 1e-9);
  });
});
