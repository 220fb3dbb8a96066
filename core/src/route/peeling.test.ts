import { expect } from 'chai';
import { cap, hotFilm, lineOf, operationOf, routeOf, shopWith, small } from '../fixtures/index.ts';
import { say } from '../words/index.ts';
import type { PrintInput } from './index.ts';

describe('peeling', () => {
  it('is done sooner on metal, at once or in a window as the film is made', () => {
    const rest = (given: Partial<PrintInput>): [number, number | null] => {
      const { waitAfter } = operationOf(routeOf(lineOf(given)), 'press-transfer');
      return [waitAfter!.minS, waitAfter!.maxS];
    };
    expect(rest({})).to.deep.equal([45, null]);
    expect(
      rest(shopWith({ coolingTable: { id: 'steel', name: 'Steel', places: 4, isMetal: true } })),
    ).to.deep.equal([25, null]);
    expect(rest(shopWith({ coolingTable: null }))).to.deep.equal([45, null]);
    expect(rest({ process: 'bought-in' })).to.deep.equal([12, 30]);
    expect(rest(shopWith({ films: [hotFilm] }))).to.deep.equal([0, 4]);
  });

  it('leaves time on a cap to rub the film down before it peels hot', () => {
    const films = [{ ...hotFilm, pressC: { min: 130, max: 150 } }];
    const route = routeOf(lineOf({ garment: cap, ...small('cap-front'), ...shopWith({ films }) }));
    expect(operationOf(route, 'press-cap').waitAfter).to.include({ minS: 0, maxS: 10 });
    expect(operationOf(route, 'peel').checks).to.deep.include(say('check.rub-down'));
  });
});
