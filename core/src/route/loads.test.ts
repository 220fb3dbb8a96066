import { expect } from 'chai';
import fc from 'fast-check';
import { equipment, housed, lineOf, operationOf, routeOf, small } from '../fixtures/index.ts';
import { liesFlat, loadsOf, printsOn } from './loads.ts';
import { countdownS } from '../run/index.ts';
import { planWork } from './index.ts';
import type { Operation, RouteInput } from './index.ts';

const printOf = (widthMm: number, heightMm: number): Pick<RouteInput, 'print'> => ({
  print: { ...lineOf().print, widthMm, heightMm },
});
const melted = (own: Partial<RouteInput>): Operation => operationOf(routeOf(lineOf(own)), 'melt-powder');

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

  it('counts loads so that every piece is in one and none is empty', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 60 }), (pieces, perLoad) => {
        const loads = loadsOf(pieces, perLoad);
        expect(loads * perLoad).to.be.at.least(pieces);
        expect((loads - 1) * perLoad).to.be.below(pieces);
      }),
    );
    expect(loadsOf(500, null)).to.equal(1);
  });
});

describe('melting more film than the machine takes', () => {
  it('takes as many times as long, with the floor’s timer for one load', () => {
    const [few, many] = [melted({ pieces: 4 }), melted({ pieces: 37 })];
    expect(few.perLoad).to.equal(4);
    expect(few.machineS).to.equal(few.timerS);
    expect(many.timerS).to.equal(few.timerS);
    expect(many.machineS).to.equal(10 * few.timerS);
    expect(many.handsS).to.equal(10 * few.handsS);
    expect(many.checks[0]).to.equal('10 loads of up to 4, each with its own time');
    expect(few.checks.join(' ')).to.not.contain('loads');
  });

  it('warns where powder would lie loose for longer than it holds', () => {
    const checks = (pieces: number): string => melted({ pieces }).checks.join(' ');
    expect(checks(12)).to.not.contain('loose powder');
    expect(checks(37)).to.contain('Powder no more than 12 at a time');
  });

  it('counts the plate where the press is held above, and says when a print hangs over', () => {
    const house = housed({ meltMeans: 'hover' });
    const [press] = equipment.presses;
    expect(melted({ house, pieces: 10 })).to.include({ perLoad: 1, machine: press.name });
    expect(melted({ house, pieces: 10, ...small('left-chest') }).perLoad, 'turned').to.equal(8 * 7);
    const tray = { ...equipment, oven: { ...equipment.oven!, widthMm: 250, heightMm: 250 } };
    expect(melted({ equipment: tray }).checks.join(' ')).to.contain('Larger than Oven: melted half by half');
  });

  it('wants powder on the first prints before they are dry, where printing all takes longer than ink stays wet', () => {
    const checks = (pieces: number, process: 'dtf' | 'dtf-platen' = 'dtf'): string =>
      operationOf(routeOf(lineOf({ process, pieces })), 'print-film').checks.join(' ');
    // 0.09 m² at 22 min/m² is two minutes a print, and ink stays wet for five
    expect(checks(2)).to.not.contain('as it comes off');
    expect(checks(3)).to.contain('Powder as it comes off, 2 at a time at most');
    expect(checks(3, 'dtf-platen')).to.contain('as it comes off, 1 at a time');
  });

  it('films printed on a platen go on it load by load as well', () => {
    const route = routeOf(lineOf({ process: 'dtf-platen', pieces: 3 }));
    const [print] = route.operations;
    expect(print.perLoad).to.equal(1);
    const countdowns = countdownS(print, { pieces: 1 }) * 3;
    expect(countdowns).to.be.closeTo(print.machineS, 3);
  });

  it('makes a stream of it for a plan, whose minutes add up', () => {
    const route = routeOf(lineOf({ pieces: 37 }));
    const { work } = planWork(route, 37);
    const melt = melted({ pieces: 37 });
    const planned = work.find(({ operation }) => operation === 'melt-powder')!;
    expect(planned.phases).to.have.length(1);
    expect(planned.phases[0].d).to.equal(Math.ceil((melt.handsS + melt.machineS) / 60));
    expect(planned.phases[0].ops).to.be.within(5, 95);
    const alone = planWork(routeOf(lineOf({ pieces: 4 })), 4).work.find(
      ({ operation }) => operation === 'melt-powder',
    )!;
    expect(alone.phases.map(({ ops }) => ops)).to.deep.equal([100, 0, 100]);
  });
});
