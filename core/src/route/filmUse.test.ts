import { expect } from 'chai';
import { equipment, lineOf, operationOf, routeOf, shopWith, small } from '../fixtures/index.ts';
import { plannedMode } from '../work/index.ts';
import { powderClosesS, powderOpensS } from './index.ts';
import type { PrintInput } from './index.ts';

describe('film', () => {
  const filmM2 = (given: Partial<PrintInput>): number =>
    operationOf(routeOf(lineOf(given)), 'print-film').consumes.find(({ kind }) => kind === 'area')!.amount;

  it('is paid for by what a layout takes of a roll, or by whole sheets', () => {
    // prints of 280 × 300 mm, 5 mm between them and along the edges: two across a roll of 600 mm; two rows of 300 in a
    // piece that fits the oven of 640, so ten take two pieces of 615 and one of 310
    expect(filmM2({ pieces: 10 })).to.be.closeTo(((2 * 615 + 310) * 0.6) / 1000 / 10, 1e-9);
    expect(filmM2({ pieces: 1 }), 'turned, a row of 280 mm; the rest of it is left').to.be.closeTo(
      0.29 * 0.6,
      1e-9,
    );
    const sheets = shopWith({ films: [{ ...equipment.films[0], widthMm: 330, heightMm: 480 }] });
    expect(filmM2({ pieces: 10, ...sheets }), 'one on a sheet').to.be.closeTo(0.33 * 0.48, 1e-9);
    // 60 × 40 mm with 5 mm between them on 320 × 470: five across in ten rows, so one sheet for fifty
    expect(filmM2({ pieces: 50, ...small('left-chest'), ...sheets })).to.be.closeTo((0.33 * 0.48) / 50, 1e-9);
  });
});

describe('the wet clock', () => {
  const windowS = (input: Parameters<typeof routeOf>[0]): number | null =>
    operationOf(routeOf(input), 'print-film').waitAfter?.maxS ?? null;

  it('is what is left of the time ink stays wet once the first print of a sheet has waited for the last', () => {
    const usual = lineOf({ ...small('left-chest'), pieces: 1 });
    expect(windowS(usual)).to.equal(300); // five minutes (trade), and nothing printed before it
    const timed = { operation: 'print-film', setting: 'wetS', value: 200, who: 'Ines', why: 'timed here' };
    expect(windowS({ ...usual, overrides: [timed] })).to.equal(200);
    const many = { ...usual, pieces: 20 };
    const printing = operationOf(routeOf(many), 'print-film');
    const each = plannedMode(printing).phases.find(({ eachS }) => eachS > 0)?.eachS ?? NaN;
    expect(windowS({ ...many, overrides: [timed] })).to.equal(
      Math.round(200 - ((printing.size ?? 20) - 1) * each),
    );
  });

  it('lets film stand in a damp room, up to half of the window, and not at all in a dry one', () => {
    expect([null, 40, 60, 70, 80, 95].map((rh) => powderOpensS(300, rh))).to.deep.equal([
      0, 0, 0, 75, 150, 150,
    ]);
  });

  it('closes the window sooner in a warm room, as water’s vapour presses there, and no later in a cool one', () => {
    // steam tables: 26.45 hPa at 22 °C, 42.47 at 30 °C, 31.69 at 25 °C
    const shares = [null, 15, 22, 25, 30].map((roomC) => powderClosesS(300, roomC) / 300);
    expect(shares.slice(0, 3)).to.deep.equal([1, 1, 1]);
    expect(shares[3]).to.be.closeTo(26.45 / 31.69, 0.005);
    expect(shares[4]).to.be.closeTo(26.45 / 42.47, 0.005);
  });
});
