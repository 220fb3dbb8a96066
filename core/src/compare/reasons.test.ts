import { expect } from 'chai';
import { allInWords, inWords } from '../words/index.ts';
import fc from 'fast-check';
import { DEFAULT_RATES } from '../cost/index.ts';
import { cottonTee, equipment, lineInput } from '../fixtures/index.ts';
import type { Equipment } from '../route/index.ts';
import { compareProcesses } from './index.ts';
import type { Comparison, ComparisonInput, ProcessOption } from './index.ts';

type Plan = NonNullable<ProcessOption['plan']>;

/** A shop with a direct printer alone: it prints the garment, or film on its platen. */
const ONE_PRINTER = {
  ...equipment,
  printers: equipment.printers.filter(({ tasks }) => tasks.includes('direct')),
  boughtIns: [],
};

/** One with a film printer alone: it makes transfers, or buys them in. */
const FILM_OR_BOUGHT = {
  ...equipment,
  printers: equipment.printers.filter(({ tasks }) => tasks.includes('film')),
};

interface Line {
  pieces: number;
  fill: number;
  tone: 'light' | 'dark';
  blankCents: number;
  centsPerHour: number;
}
function inputOf(
  { pieces, fill, tone, blankCents, centsPerHour }: Line,
  shop: Equipment = equipment,
): ComparisonInput {
  const { print, ...line } = lineInput({ pieces, equipment: shop, garment: { ...cottonTee, tone } });
  const inkMm2 = fill * 280 * 320;
  const film = { ...print, inkMm2, colourMl: inkMm2 * 7e-6, whiteMl: inkMm2 * 1e-5, powderG: inkMm2 * 45e-6 };
  const dark = { ...film, colourMl: inkMm2 * 9e-6, whiteMl: inkMm2 * 75e-6 };
  return {
    line,
    id: '1',
    others: [],
    prints: { dtf: film, 'dtg-dark': dark, 'dtg-light': { ...dark, whiteMl: 0 } },
    blankCents,
    rates: { ...DEFAULT_RATES, centsPerHour },
  };
}
/** The two that can be done, the recommended first. */
function bothOf({ options, recommended }: Comparison): [best: Plan, second: Plan] {
  const possible = options.filter((own): own is ProcessOption & { plan: Plan } => own.plan !== null);
  if (possible.length !== 2) throw new Error(`${possible.length} processes can be done`);
  const best = possible.find(({ process }) => process === recommended)!;
  return [best.plan, possible.find((own) => own !== best)!.plan];
}
const lines = fc.record<Line>({
  pieces: fc.integer({ min: 1, max: 120 }),
  fill: fc.double({ min: 0.02, max: 1, noNaN: true }),
  tone: fc.constantFrom('light', 'dark'),
  blankCents: fc.integer({ min: 0, max: 3000 }),
  centsPerHour: fc.integer({ min: 500, max: 6000 }),
});

/** A wide light print where hands are cheap: what film feels like is all that sets the two apart. */
const HAND_TELLS: Line = { pieces: 7, fill: 0.4, tone: 'light', blankCents: 600, centsPerHour: 500 };

describe('the reasons of a recommendation', () => {
  it('are true of the two processes they compare', () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(lines, fc.boolean(), (own, isFilm) => {
        const line = isFilm ? { ...own, pieces: own.pieces + 12 } : own; // bought in from ten on
        const comparison = compareProcesses(inputOf(line, isFilm ? FILM_OR_BOUGHT : ONE_PRINTER));
        const [best, second] = bothOf(comparison);
        for (const reason of allInWords(comparison.reasons)) {
          const [first = NaN, then = NaN] = (reason.match(/\d+(?:\.\d+)?/g) ?? []).map(Number);
          if (reason.includes('a piece against')) {
            seen.add('cost');
            expect(best.cost.totalCents).to.be.below(second.cost.totalCents);
            expect(first).to.be.at.most(then);
          } else if (reason.includes('of hands against')) {
            seen.add('hands');
            expect(best.handsS).to.be.below(second.handsS);
          } else if (reason.startsWith('the softer hand')) {
            seen.add('hand');
            expect(best.look.softness).to.be.above(second.look.softness);
            expect(reason).to.contain(inWords(best.look.said));
          } else if (reason.startsWith('better cover')) {
            seen.add('cover');
            expect(best.look.opacity).to.be.above(second.look.opacity);
          } else if (reason === 'less that can go wrong') {
            seen.add('risk');
            expect(best.risks.length).to.be.below(second.risks.length);
          } else expect(reason).to.match(/settings|level with the next/);
        }
      }),
      { numRuns: 80, examples: [[HAND_TELLS, false]] },
    );
    expect([...seen]).to.include.members(['cost', 'hands', 'hand']);
  });

  it('say where the order turns, and there it does', () => {
    let turned = 0;
    fc.assert(
      fc.property(lines, (line) => {
        const comparison = compareProcesses(inputOf(line));
        const named = /^(From about|At) (\d+) pieces|^For a single piece/.exec(
          inWords(comparison.wouldChange),
        );
        if (!named) return;
        turned++;
        const pieces = Number(named[2] ?? 1);
        const other = inputOf({ ...line, pieces });
        const sizes = inputOf(line).line.placement.sizes.map((own) => ({
          ...own,
          quantity: Math.max(1, Math.round((own.quantity * pieces) / line.pieces)),
        }));
        const there = compareProcesses({
          ...other,
          line: { ...other.line, placement: { ...other.line.placement, sizes } },
        });
        expect(there.recommended).to.not.equal(comparison.recommended);
        expect(named[1] === 'From about' ? pieces > line.pieces : pieces < line.pieces).to.equal(true);
      }),
      { numRuns: 60 },
    );
    expect(turned).to.be.above(0);
  });
});
