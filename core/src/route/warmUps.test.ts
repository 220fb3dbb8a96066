import { expect } from 'chai';
import { IMPERIAL } from '../units/index.ts';
import { cap, eachRoute, equipment, lineOf, routeOf, shopWith, small } from '../fixtures/index.ts';
import { inWords } from '../words/index.ts';
import { plannedMode } from '../work/index.ts';
import { warmUpSaid } from './index.ts';
import type { PrintInput } from './index.ts';

const warmed = (own: Partial<PrintInput>): [string, number, number][] =>
  routeOf(lineOf(own)).warmUps.map(({ machine, heatS, settleS }) => [machine.name, heatS / 60, settleS / 60]);

describe('warming up', () => {
  it('takes a press what its own rate says, and other machines what the trade reckons', () => {
    // 20 to 157 °C at 12 °C a minute is 11.4 min, counted in whole minutes
    expect(warmed({ process: 'dtf' })).to.deep.equal([
      ['Oven', 11, 5],
      ['Press A', 12, 5],
    ]);
    const [press] = equipment.presses;
    const slow = shopWith({ presses: [{ ...press, heatsPerMin: 6 }] });
    expect(warmed({ process: 'bought-in', ...slow })).to.deep.equal([['Press A', 23, 5]]); // 155 °C, by the sheet
    expect(warmed({ process: 'patch-cap', garment: cap, ...small('cap-front') })).to.deep.equal([
      ['Oven', 11, 5],
      ['Hand iron', 4, 0],
      ['Cap press', 10, 5],
    ]);
  });

  it('is said for every heated machine of a route once, at what it is used at first', () => {
    eachRoute(({ warmUps, operations }) => {
      const heated = operations
        .map((operation) => plannedMode(operation))
        .filter(({ machine, stateC }) => machine !== null && stateC !== null);
      const first = new Map([...heated].reverse().map(({ machine, stateC }) => [machine?.id, stateC]));
      expect(new Map(warmUps.map(({ machine, tempC }) => [machine.id, tempC]))).to.deep.equal(first);
    }, 100);
  });

  it('is a sentence in the reader’s units', () => {
    const said = warmUpSaid({ machine: { id: 'a', name: 'Press A' }, tempC: 150, heatS: 660, settleS: 300 });
    const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
    expect(plain(inWords(said))).to.equal('Press A to 150 °C: about 11 min, and 5 min until it is even.');
    const inches = { system: IMPERIAL, currency: 'EUR', language: 'en' } as const;
    expect(plain(inWords(said, inches))).to.contain('302 °F');
  });
});
