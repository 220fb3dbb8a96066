import { expect } from 'chai';
import { BLANK, FILM, byHand, operation, timed } from '../../fixtures/index.ts';
import { compileSteps, planOfLine } from '../../run/index.ts';
import { onOneFilm } from '../index.ts';
import type { ShopJob } from '../index.ts';

/** A line whose film holds so many transfers a sheet; printed, cut, pressed. */
const job = (code: string, pieces: number, size: number): ShopJob => ({
  key: code,
  plan: planOfLine(
    {
      lanes: [{ ...FILM, spares: 1 }, BLANK],
      operations: [
        operation('ready', 'film', { role: 'set-up', unit: 'line', ...byHand(60) }),
        operation('print', 'film', { role: 'print', unit: 'sheet', size, ...timed(60) }),
        operation('cut', 'film', { role: 'cut', unit: 'sheet', size, ...byHand(30) }),
        operation('press', 'blank', { role: 'bond', takes: ['film'], ...timed(15) }),
      ],
    },
    pieces,
  ),
  state: null,
  lines: [{ id: code, code, customer: '', dueMs: 0, restS: 0, releaseMs: null, weight: 1 }],
  titleOf: (line, { id }) => `${code} ${line.key} ${id}`,
  paceOf: () => null,
});

describe('lines on one film', () => {
  it('share sheets as far as each fills its own, and are set up once', () => {
    // 5 of 6 to a sheet and 3 of 4 to a sheet: five sixths, then a quarter is more than is left of the first sheet
    const shared = onOneFilm([job('K-1', 4, 6), job('K-2', 2, 4)]);
    expect(shared.plan.sheets.map(({ parts }) => parts)).to.deep.equal([
      ['1.film.1', '1.film.2', '1.film.3', '1.film.4', '1.film.5'],
      ['2.film.1', '2.film.2', '2.film.3'],
    ]);
    // 3 of 6 and 2 of 4: half and half
    const half = onOneFilm([job('K-1', 2, 6), job('K-2', 1, 4)]);
    expect(half.plan.sheets.map(({ parts }) => parts)).to.deep.equal([
      ['1.film.1', '1.film.2', '1.film.3', '2.film.1', '2.film.2'],
    ]);
    const steps = compileSteps(half.plan).map(({ id }) => id);
    expect(steps.filter((id) => /^(ready|print|cut)/.test(id))).to.deep.equal([
      'ready/1.film.1-3+2.film.1-2',
      'print/1.film.1-3+2.film.1-2',
      'cut/1.film.1-3+2.film.1-2',
    ]);
    expect(steps.filter((id) => id.startsWith('press/'))).to.have.length(3);
  });

  it('are called what they were called by themselves', () => {
    const shared = onOneFilm([job('K-1', 2, 6), job('K-2', 1, 4)]);
    const [, second] = shared.plan.lines;
    expect(shared.titleOf(second, second.operations[0])).to.equal('K-2 1 ready');
    expect(shared.lines.map(({ id }) => id)).to.deep.equal(['K-1', 'K-2']);
  });
});
