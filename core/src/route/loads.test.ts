import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import fc from 'fast-check';
import { eachRoute, equipment, housed, lineInput, lineOf, operationOf, routeOf } from '../fixtures/index.ts';
import { aloneS, countdownS, handsS, phaseS, plannedMode, plannedPhases, unitsOf } from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import type { PrintInput } from './index.ts';
import { liesFlat, printsOn } from './loads.ts';

const printOf = (widthMm: number, heightMm: number): Pick<PrintInput, 'print'> => ({
  print: { ...lineInput().print, widthMm, heightMm },
});
const melted = (own: Partial<PrintInput>): Operation => operationOf(routeOf(lineOf(own)), 'melt-powder');

describe('loads', () => {
  it('turns prints the way more of them fit, with room to get between', () => {
    expect(printsOn(printOf(90, 190), { widthMm: 400, heightMm: 200 })).to.equal(4);
    expect(printsOn(printOf(190, 90), { widthMm: 400, heightMm: 200 })).to.equal(4);
    expect(printsOn(printOf(100, 200), { widthMm: 400, heightMm: 200 }), 'no room between').to.equal(1);
    expect(printsOn(printOf(700, 700), { widthMm: 400, heightMm: 200 }), 'larger than it').to.equal(1);
  });

  it('never lays more film on a surface than it has area', () => {
    const mm = fc.integer({ min: 20, max: 900 });
    fc.assert(
      fc.property(mm, mm, mm, mm, (w, h, widthMm, heightMm) => {
        const line = printOf(w, h);
        const count = printsOn(line, { widthMm, heightMm });
        if (liesFlat(line, { widthMm, heightMm })) expect(count * w * h).to.be.at.most(widthMm * heightMm);
        else expect(count).to.equal(1);
        expect(printsOn(line, { widthMm: heightMm, heightMm: widthMm })).to.equal(count);
      }),
    );
  });

  it('puts every part in one unit, none empty, all full but the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 60 }), (pieces, size) => {
        const units = unitsOf({ unit: 'load', size }, pieces);
        expect(units.reduce((sum, own) => sum + own, 0)).to.equal(pieces);
        expect(units.slice(0, -1).every((own) => own === size)).to.equal(true);
        expect(units.at(-1)).to.be.within(1, size);
      }),
    );
    expect(unitsOf({ unit: 'line', size: null }, 500)).to.deep.equal([500]);
    expect(unitsOf({ unit: 'piece', size: null }, 3)).to.deep.equal([1, 1, 1]);
    expect(unitsOf({ unit: 'line', size: null }, 0)).to.deep.equal([]);
  });
});

describe('a line’s film in sheets', () => {
  const filmOf = (own: Partial<PrintInput>): Operation[] =>
    routeOf(lineOf(own)).operations.filter(({ lane }) => lane.startsWith('transfer'));
  const sizes = (own: Partial<PrintInput>): Record<string, string> =>
    Object.fromEntries(filmOf(own).map(({ role, unit, size }) => [role, `${unit} ${size}`]));

  it('is small enough that the first print is wet when the last is done, and lies flat in the heat', () => {
    // 0.09 m² at 22 min/m² is two minutes a print, ink stays wet for five: the second is done while the first is fresh
    expect(sizes({ pieces: 37 })).to.deep.equal({
      'set-up': 'line null',
      print: 'sheet 2',
      powder: 'sheet 2',
      melt: 'load 4',
      cut: 'sheet 2',
    });
    const [print] = filmOf({ pieces: 37 }).filter(({ role }) => role === 'print');
    expect(print.waitAfter?.maxS, 'of 300 s the first has been lying for one print').to.be.closeTo(
      300 - 119,
      1,
    );
    expect(sizes({ process: 'dtf-platen', pieces: 3 })).to.include({ print: 'sheet 1', melt: 'load 2' });
    const small = sizes({ pieces: 37, print: { ...lineInput().print, filmM2: 0.004 } });
    expect(small).to.include({ print: 'sheet 4', melt: 'sheet 4' });
  });

  it('keeps both windows on any line, with what the house does and has', () => {
    eachRoute(({ operations }, { pieces }) => {
      const [print] = operations.filter(({ role, lane }) => role === 'print' && lane !== 'blank');
      if (!print) return;
      const [run] = plannedMode(print).phases.filter(({ people }) => people === 0);
      const onSheet = Math.min(pieces, print.size!);
      expect((onSheet - 1) * run.eachS).to.be.at.most(150);
      expect(print.waitAfter!.maxS!).to.be.at.least(150);
      const powder = operations.find(({ role }) => role === 'powder')!;
      const melt = operations.find(({ role }) => role === 'melt')!;
      expect(powder.size).to.equal(print.size);
      expect(melt.size! % print.size!, 'sheets are not cut before they are melted').to.equal(0);
      const apartS = phaseS(run, print.size!);
      const sheets = Math.min(Math.ceil(pieces / print.size!), melt.size! / print.size!);
      if (sheets > 1) expect((sheets - 1) * apartS).to.be.at.most(powder.waitAfter!.maxS!);
    }, 300);
  });
});

describe('melting film', () => {
  it('takes as many times as long as there are loads, with the floor’s timer for one', () => {
    const [few, many] = [melted({ pieces: 4 }), melted({ pieces: 37 })];
    expect(few.size).to.equal(4);
    expect(aloneS(few, 4)).to.equal(countdownS(few, 4));
    expect(aloneS(many, 37)).to.equal(10 * aloneS(few, 4));
    expect(handsS(many, 37)).to.equal(10 * handsS(few, 4));
    expect(inWords(many.checks[0])).to.match(
      /^Up to 2 sheets together, none lying powdered for more than 10.min$/,
    );
  });

  it('counts the plate where the press is held above, and says when a print hangs over', () => {
    const house = housed({ meltMeans: 'hover' });
    const [press] = equipment.presses;
    const hovered = melted({ house, pieces: 10 });
    expect([hovered.size, plannedMode(hovered).machine]).to.deep.equal([
      1,
      { id: press.id, name: press.name },
    ]);
    const tray = { ...equipment, ovens: [{ ...equipment.ovens[0], widthMm: 250, heightMm: 250 }] };
    expect(
      melted({ equipment: tray })
        .checks.map((own) => inWords(own))
        .join(' '),
    ).to.contain('Larger than Oven: melted half by half');
  });

  it('says at the printer that sheets are powdered as they come, where there are several', () => {
    const checks = (pieces: number, process: 'dtf' | 'dtf-platen' = 'dtf'): string =>
      operationOf(routeOf(lineOf({ process, pieces })), 'print-film')
        .checks.map((own) => inWords(own))
        .join(' ');
    expect(checks(2)).to.not.contain('as it comes off');
    expect(checks(3)).to.contain('Powder each sheet as it comes off, 2 at a time at most');
    expect(checks(3, 'dtf-platen')).to.contain('as it comes off, 1 at a time');
  });

  it('makes a stream of it for a plan, whose minutes add up', () => {
    const melt = melted({ pieces: 37 });
    const planned = plannedPhases(melt, 37);
    expect(planned).to.have.length(1);
    expect(planned[0].d).to.equal(Math.ceil((handsS(melt, 37) + aloneS(melt, 37)) / 60));
    expect(planned[0].ops).to.be.within(5, 95);
    expect(plannedPhases(melted({ pieces: 4 }), 4).map(({ ops }) => ops)).to.deep.equal([100, 0, 100]);
  });
});
