import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import fc from 'fast-check';
import { DEFAULT_RATES } from '../cost/index.ts';
import { cottonTee, equipment, hoodie, lineInput } from '../fixtures/index.ts';
import { DEFAULT_HOUSE, PROCESSES } from '../route/index.ts';
import type { LineInput } from '../route/index.ts';
import { compareProcesses } from './index.ts';
import type { Comparison, ProcessOption } from './index.ts';

/** A line of a garment in so many pieces, with a print that fills so much of a full front. */
const compare = (own: Partial<LineInput>, fill = 0.5, blankCents = 340): Comparison => {
  const { print, ...line } = lineInput(own);
  const inkMm2 = fill * 280 * 300;
  const film = {
    ...print,
    inkMm2,
    colourMl: inkMm2 * 7e-6,
    whiteMl: inkMm2 * 16e-6 * 0.6,
    powderG: inkMm2 * 45e-6,
  };
  const dark = { ...film, colourMl: inkMm2 * 9e-6, whiteMl: inkMm2 * 75e-6 };
  return compareProcesses({
    line: {
      ...line,
      placement: {
        ...line.placement,
        sizes: [{ size: 'M', quantity: line.pieces, bodyWidthMm: 510, collarDropMm: null }],
      },
    },
    id: '1',
    others: [],
    prints: { dtf: film, sub: film, 'dtg-dark': dark, 'dtg-light': { ...dark, whiteMl: 0 } },
    blankCents,
    rates: DEFAULT_RATES,
  });
};
const of = ({ options }: Comparison, process: string): NonNullable<ProcessOption['plan']> => {
  const plan = options.find((own) => own.process === process)?.plan;
  if (!plan) throw new Error(`${process} has no plan`);
  return plan;
};

describe('what the comparison says of its options', () => {
  it('costs less a piece and takes longer in all, the more pieces there are', () => {
    const [few, many] = [compare({ pieces: 10 }), compare({ pieces: 60 })];
    for (const process of ['dtg', 'dtf', 'dtf-platen', 'bought-in']) {
      expect(of(many, process).cost.totalCents, process).to.be.below(of(few, process).cost.totalCents);
      expect(of(many, process).handsS, process).to.be.above(of(few, process).handsS);
    }
  });

  it('feels a solid film print more than open art, and direct print least', () => {
    const [open, solid] = [compare({}, 0.3), compare({}, 0.8)];
    expect(of(solid, 'dtf').look.softness).to.be.below(of(open, 'dtf').look.softness);
    expect(of(solid, 'dtf').look.breathing).to.be.below(of(open, 'dtf').look.breathing);
    expect(of(solid, 'dtg').look.softness).to.be.above(of(solid, 'dtf').look.softness);
    expect(of(solid, 'dtf').risks.map(({ code }) => code)).to.include('risk.large-solid');
  });

  it('covers more with two hits of white than with one', () => {
    const house = { ...DEFAULT_HOUSE, whiteHits: 'double' as const };
    expect(of(compare({ house }), 'dtg').look.opacity).to.be.above(of(compare({}), 'dtg').look.opacity);
  });

  it('names the machines each would take, so that the busy ones can be seen', () => {
    expect(of(compare({}), 'dtf').machines).to.include.members(['Film printer', 'Oven', 'Press A']);
    expect(of(compare({}), 'bought-in').machines).to.not.include('Film printer');
  });

  it('carries what stands in the way of the placement', () => {
    const zipped = { ...hoodie, features: ['zip'] as const };
    expect(
      of(compare({ garment: zipped }), 'dtf')
        .problems.map(({ code }) => code)
        .join(' '),
    ).to.contain('place.zip');
  });
});

describe('the recommendation', () => {
  it('turns from direct print to film as pieces get many, where it says it would', () => {
    const at = (pieces: number): Comparison => compare({ pieces }, 0.9);
    const { wouldChange, recommended } = at(12);
    const named = /(?:From about|At) (\d+) pieces|single piece/.exec(inWords(wouldChange));
    expect(named, inWords(wouldChange)).to.not.equal(null);
    expect(at(Number(named?.[1] ?? 1)).recommended).to.not.equal(recommended);
  });

  it('is always one that can be done, with reasons, on any line', () => {
    const lines = fc.record({
      pieces: fc.integer({ min: 1, max: 200 }),
      tone: fc.constantFrom('light' as const, 'tint' as const, 'dark' as const),
      polyester: fc.double({ min: 0, max: 1, noNaN: true }),
      fill: fc.double({ min: 0.02, max: 0.95, noNaN: true }),
      blankCents: fc.integer({ min: 0, max: 4000 }),
    });
    fc.assert(
      fc.property(lines, ({ pieces, tone, polyester, fill, blankCents }) => {
        const fibres = { ...cottonTee.fibres, cotton: 1 - polyester, polyester };
        const comparison = compare({ pieces, garment: { ...cottonTee, tone, fibres } }, fill, blankCents);
        const { options, recommended, reasons, wouldChange } = comparison;
        expect(options.map(({ process }) => process)).to.deep.equal([...PROCESSES]);
        const best = options.find(({ process }) => process === recommended)?.plan;
        if (!best) throw new Error('nothing is recommended');
        const fewest = Math.min(...options.flatMap(({ plan }) => (plan ? [plan.conflicts.length] : [])));
        expect(best.conflicts.length).to.equal(fewest);
        expect(reasons.length).to.be.within(1, 2);
        expect(inWords(wouldChange)).to.match(/\.$/);
      }),
      { numRuns: 25 },
    );
  });

  it('falls back on what the shop has', () => {
    const bare = { ...equipment, printers: [], inkSets: [] };
    expect(compare({ pieces: 20, equipment: bare }).recommended).to.equal('bought-in');
    const few = compare({ pieces: 4, equipment: bare });
    expect(few.recommended).to.equal(null);
    expect(few.options.every(({ refusals }) => refusals.length > 0)).to.equal(true);
  });
});
