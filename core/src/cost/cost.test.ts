import { expect } from 'chai';
import { lineOf, routeOf, shelf, shopWith } from '../fixtures/index.ts';
import { DEFAULT_HOUSE, asLaid, planRoute, refusalText } from '../route/index.ts';
import { DEFAULT_RATES, priceRoute, quoteLine, withMaterialsOf } from './index.ts';
import type { Quote, Rates } from './index.ts';

const rates: Rates = {
  centsPerHour: 3600,
  machineCentsPerHour: 720,
  setUpMinutes: 10,
  linesPerWarmUp: 4,
  spoilageShare: 0.1,
  spoilageFrom: 'measured',
  marginShare: 0.5,
  priceBreaks: [{ from: 10, offShare: 0.1 }],
  performanceCents: 100,
  capCents: 150,
};
const routeFor = (pieces: number) => routeOf(lineOf({ pieces }));

describe('priceRoute', () => {
  it('adds blank, materials, hands, machines, set-up over the pieces and what is spoiled', () => {
    const route = routeFor(10);
    const cost = priceRoute(route, 300, 10, rates);
    const materialCents = cost.materials.reduce((sum, { cents }) => sum + cents, 0);
    expect(cost.labourCents).to.be.closeTo(route.totals.handsS / 10, 1e-9);
    expect(cost.setUpCents).to.equal(60);
    // oven and press to heat: 11 min and, by 12 °C a minute from 20 to 157 °C, 12 min; 5 min each to settle; shared by four lines
    expect(cost.warmUpCents).to.be.closeTo((((11 + 12 + 5 + 5) / 60) * 720) / 4 / 10, 1e-9);
    const making = 300 + materialCents + cost.labourCents + cost.machineCents;
    expect(cost.spoilageCents).to.be.closeTo(0.1 * making, 1e-9);
    expect(cost.totalCents).to.be.closeTo(1.1 * making + 60 + cost.warmUpCents, 1e-9);
    expect(cost.materials.map(({ what }) => what)).to.include('Tarn Cold Film');
  });

  it('costs less a piece the more there are, and counts no blank for the shelf', () => {
    const each = [1, 10, 100].map((pieces) => priceRoute(routeFor(pieces), 300, pieces, rates).totalCents);
    expect(each[0]).to.be.above(each[1] ?? NaN);
    expect(each[1]).to.be.above(each[2] ?? NaN);
    const shelf = routeOf(lineOf({ house: { ...DEFAULT_HOUSE, filmUse: 'stock' } }));
    expect(priceRoute(shelf, 300, 10, rates).blankCents).to.equal(0);
  });
});

describe('film as it was laid out', () => {
  it('is paid for in place of what was reckoned, and all else is as it was', () => {
    const route = routeFor(10);
    const before = priceRoute(route, 300, 10, rates);
    const laid = asLaid(route, [{ print: '1', filmM2: 0.05 }]);
    const after = withMaterialsOf(before, laid, 10);
    const film = (cost: typeof before): number =>
      cost.materials.find(({ what }) => what === 'Tarn Cold Film')?.cents ?? NaN;
    expect(film(after)).to.be.closeTo(0.05 * 420, 1e-9); // 4.20 a square metre
    expect(after.totalCents - before.totalCents).to.be.closeTo(1.1 * (film(after) - film(before)), 1e-9);
    expect(after.totalCents).to.be.closeTo(priceRoute(laid, 300, 10, rates).totalCents, 1e-9);
    expect(asLaid(route, [{ print: '2', filmM2: 0.05 }])).to.deep.equal(route); // of no print of this line
  });
});

describe('what is used up', () => {
  const used = (own: Parameters<typeof lineOf>[0], what: string): { amount: number; cents: number } => {
    const rows = routeOf(lineOf(own)).operations.flatMap(({ consumes }) => consumes);
    return rows
      .filter((row) => row.what === what)
      .reduce((sum, { amount, cents }) => ({ amount: sum.amount + amount, cents: sum.cents + cents }), {
        amount: 0,
        cents: 0,
      });
  };

  it('is a cover sheet by every closing under it', () => {
    // transfer and second press; one cure; four bursts of a cure; four to dry
    expect(used({ process: 'dtf' }, 'Parchment').cents).to.be.closeTo(2 * 0.6, 1e-9);
    expect(used({ process: 'dtg' }, 'Parchment').cents).to.be.closeTo(0.6, 1e-9);
    const bursts = { process: 'dtg', house: { ...DEFAULT_HOUSE, directCure: 'bursts' } } as const;
    expect(used(bursts, 'Parchment').cents).to.be.closeTo(4 * 0.6, 1e-9);
    expect(used({ process: 'dtg' }, 'Primer parchment').cents).to.be.closeTo(4 * 0.6, 1e-9);
  });

  it('is what holds film on a platen: tape, alcohol, or nothing', () => {
    const held = (filmHold: 'tape' | 'liquid' | 'grip', what: string): number =>
      used({ process: 'dtf-platen', house: { ...DEFAULT_HOUSE, filmHold } }, what).cents;
    expect(held('tape', 'Heat tape')).to.be.closeTo(0.4 * 12, 1e-9);
    expect(held('liquid', 'Fen alcohol')).to.be.closeTo(0.003 * 900, 1e-9);
    expect(held('liquid', 'Heat tape') + held('grip', 'Heat tape') + held('grip', 'Fen alcohol')).to.equal(0);
  });

  it('is a transfer from the shelf at its own price, and no film, ink or powder', () => {
    const route = routeOf(lineOf({ process: 'shelf', ...shopWith({ shelf }) }));
    const { materials } = priceRoute(route, 300, 10, rates);
    expect(materials.map(({ what, cents }) => [what, cents])).to.deep.equal([
      ['Crest, ready', 130],
      ['Parchment', 1.2],
    ]);
  });
});

describe('quoteLine', () => {
  const sizes = [
    { size: 'M', quantity: 6, blankCents: 300 },
    { size: 'XXL', quantity: 4, blankCents: 400 },
  ];
  const planFor = (pieces: number) => planRoute(lineOf({ pieces }));
  const quoted = (own: Partial<Parameters<typeof quoteLine>[0]> = {}): Quote => {
    const result = quoteLine({ routeFor: planFor, garment: lineOf().garment, sizes, rates, ...own });
    if (!result.ok) throw new Error(refusalText(result.refusals));
    return result.quote;
  };
  const quote = quoted();

  it('prices by size so that the margin is its share of the price, and takes the break off', () => {
    const [medium, large] = quote.sizes;
    expect(quote.offShare).to.equal(0.1);
    expect(medium?.eachCents).to.equal(Math.round((medium?.costCents ?? NaN) * 2 * 0.9));
    expect(large?.costCents).to.be.closeTo((medium?.costCents ?? NaN) + 110, 1e-9); // dearer blank, spoiled ones too
    expect(quote.totalCents).to.equal(6 * (medium?.eachCents ?? NaN) + 4 * (large?.eachCents ?? NaN));
    const cost = quote.sizes.reduce((sum, { quantity, costCents }) => sum + quantity * costCents, 0);
    expect(cost).to.be.closeTo(10 * quote.cost.totalCents, 1e-6);
  });

  it('names its assumptions, and lists falling prices at other quantities', () => {
    expect(quote.assumptions.join(' ')).to.contain('not weighed').and.not.contain('spoilage');
    const prices = quote.ladder.map(({ eachCents }) => eachCents);
    expect([...prices].sort((p, q) => q - p)).to.deep.equal(prices);
    const assumed = quoted({ rates: DEFAULT_RATES });
    expect(assumed.assumptions.join(' ')).to.contain('spoilage of 3 %');
  });

  it('adds an extra for performance wear and caps, and refuses a margin that has no price', () => {
    const garment = { ...lineOf().garment, kind: 'performance-shirt' as const };
    expect(quoted({ garment }).upCharges).to.deep.equal([{ what: 'performance fabric', cents: 100 }]);
    const plain = quoted();
    const dearer = quoted({ garment });
    // a euro more, less the quantity's tenth
    expect((dearer.sizes[0]?.eachCents ?? NaN) - (plain.sizes[0]?.eachCents ?? NaN)).to.be.closeTo(90, 1);
    expect(() => quoted({ rates: { ...rates, marginShare: 1 } })).to.throw(RangeError, 'margin');
    expect(() => quoted({ sizes: [] })).to.throw(RangeError, 'at least one');
  });

  it('lists only quantities a supplier sells, and refuses fewer in words', () => {
    const routeFor = (pieces: number) => planRoute(lineOf({ process: 'bought-in', pieces }));
    const { minimum } = lineOf().equipment.boughtIns[0];
    const many = [{ size: 'M', quantity: minimum + 5, blankCents: 300 }];
    const counts = quoted({ routeFor, sizes: many }).ladder.map(({ pieces }) => pieces);
    expect(counts).to.deep.equal([1, 6, 12, 24, 48, 96].filter((pieces) => pieces >= minimum));
    const few = quoteLine({ routeFor, garment: lineOf().garment, sizes: sizes.slice(0, 1), rates });
    expect(few.ok ? 'quoted' : few.refusals.map(({ kind }) => kind)).to.deep.equal(['not-possible']);
  });
});
