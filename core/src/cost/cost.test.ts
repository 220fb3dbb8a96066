import { expect } from 'chai';
import { lineOf } from '../fixtures/index.ts';
import { DEFAULT_HOUSE, planRoute } from '../route/index.ts';
import { DEFAULT_RATES, priceRoute, quoteLine } from './index.ts';
import type { Rates } from './index.ts';

const rates: Rates = {
  centsPerHour: 3600,
  machineCentsPerHour: 720,
  setUpMinutes: 10,
  spoilageShare: 0.1,
  spoilageFrom: 'measured',
  marginShare: 0.5,
  priceBreaks: [{ from: 10, offShare: 0.1 }],
  performanceCents: 100,
  capCents: 150,
};
const routeFor = (pieces: number) => planRoute(lineOf({ pieces }));

describe('priceRoute', () => {
  it('adds blank, materials, hands, machines, set-up over the pieces and what is spoiled', () => {
    const route = routeFor(10);
    const cost = priceRoute(route, 300, 10, rates);
    const materialCents = cost.materials.reduce((sum, { cents }) => sum + cents, 0);
    expect(cost.labourCents).to.be.closeTo(route.totals.handsS / 10, 1e-9);
    expect(cost.setUpCents).to.equal(60);
    const making = 300 + materialCents + cost.labourCents + cost.machineCents;
    expect(cost.spoilageCents).to.be.closeTo(0.1 * making, 1e-9);
    expect(cost.totalCents).to.be.closeTo(1.1 * making + 60, 1e-9);
    expect(cost.materials.map(({ what }) => what)).to.include('Tarn Cold Film');
  });

  it('costs less a piece the more there are, and counts no blank for the shelf', () => {
    const each = [1, 10, 100].map((pieces) => priceRoute(routeFor(pieces), 300, pieces, rates).totalCents);
    expect(each[0]).to.be.above(each[1] ?? NaN);
    expect(each[1]).to.be.above(each[2] ?? NaN);
    const shelf = planRoute(lineOf({ house: { ...DEFAULT_HOUSE, filmUse: 'stock' } }));
    expect(priceRoute(shelf, 300, 10, rates).blankCents).to.equal(0);
  });
});

describe('quoteLine', () => {
  const sizes = [
    { size: 'M', quantity: 6, blankCents: 300 },
    { size: 'XXL', quantity: 4, blankCents: 400 },
  ];
  const quote = quoteLine({ routeFor, garment: lineOf().garment, sizes, rates });

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
    const assumed = quoteLine({ routeFor, garment: lineOf().garment, sizes, rates: DEFAULT_RATES });
    expect(assumed.assumptions.join(' ')).to.contain('spoilage of 3 %');
  });

  it('adds an extra for performance wear and caps, and refuses a margin that has no price', () => {
    const garment = { ...lineOf().garment, kind: 'performance-shirt' as const };
    expect(quoteLine({ routeFor, garment, sizes, rates }).upCharges).to.deep.equal([
      { what: 'performance fabric', cents: 100 },
    ]);
    const plain = quoteLine({ routeFor, garment: lineOf().garment, sizes, rates });
    const dearer = quoteLine({ routeFor, garment, sizes, rates });
    // a euro more, less the quantity's tenth
    expect((dearer.sizes[0]?.eachCents ?? NaN) - (plain.sizes[0]?.eachCents ?? NaN)).to.be.closeTo(90, 1);
    expect(() => quoteLine({ routeFor, garment, sizes, rates: { ...rates, marginShare: 1 } })).to.throw(
      RangeError,
      'margin',
    );
    expect(() => quoteLine({ routeFor, garment, sizes: [], rates })).to.throw(RangeError, 'at least one');
  });
});
