import { expect } from 'chai';
import {
  cottonTee,
  equipment,
  hoodie,
  housed,
  lineInput,
  lineOf,
  routeOf,
  shopWith,
  valueOf,
} from '../fixtures/index.ts';
import { sprayerTable } from '../spray/index.ts';
import { inWords } from '../words/index.ts';
import type { NozzleFit, PrintInput, Route, SprayerDial } from './index.ts';

describe('how a print is laid down', () => {
  const printOf = (given: Partial<PrintInput>): ((key: string) => number) => {
    const route = routeOf(lineOf(given));
    return (key) => valueOf(route, given.process === 'dtg' ? 'print' : 'print-film', key);
  };
  const filled = (share: number): PrintInput['print'] => {
    const { print } = lineInput();
    return { ...print, inkMm2: print.widthMm * print.heightMm * share };
  };

  it('goes slower, one way and with less ink where much of it is solid, also in a shop that keeps to one mode', () => {
    const [open, solid] = [
      printOf({ process: 'dtf', print: filled(0.2) }),
      printOf({ process: 'dtf', print: filled(0.95) }),
    ];
    expect([open('passes'), open('oneWay')]).to.deep.equal([6, 0]);
    expect([solid('passes'), solid('oneWay')]).to.deep.equal([8, 1]);
    expect(solid('inkLimit')).to.be.below(open('inkLimit'));
    const one = printOf({ process: 'dtf', print: filled(0.95), house: housed({ printMode: 'one' }) });
    expect([one('passes'), one('oneWay')]).to.deep.equal([6, 1]);
  });

  it('takes more saturation on dark cloth, less brightness on film, and the file as it is on pale cloth', () => {
    const dark = printOf({ process: 'dtg', garment: { ...cottonTee, tone: 'dark' } });
    const light = printOf({ process: 'dtg', garment: { ...cottonTee, tone: 'light' } });
    expect(dark('saturation')).to.be.above(1);
    expect(printOf({ process: 'dtf' })('brightness')).to.be.below(1);
    for (const key of ['saturation', 'brightness', 'contrast']) expect(light(key), key).to.equal(1);
  });
});

describe('the dial of a sprayer', () => {
  const dial = [20, 40, 60, 80].map((mark) => ({ mark, gM2: mark * 3.5 }));
  const sprayers = equipment.sprayers.map((own) => (own.isHandGun ? own : { ...own, dial }));
  const setFor = (gM2: number): number[] => {
    const override = { operation: 'pretreat', setting: 'gM2', value: gM2, who: 'Ines', why: 'a test' };
    const route = routeOf(
      lineOf({ process: 'dtg', garment: hoodie, overrides: [override], ...shopWith({ sprayers }) }),
    );
    return [valueOf(route, 'pretreat', 'dial'), valueOf(route, 'pretreat', 'sprayPasses')];
  };

  it('is set to the nearest mark in as few passes as come within a tenth', () => {
    expect(setFor(150), '140 is within a tenth').to.deep.equal([40, 1]);
    expect(setFor(300), '280 is within a tenth').to.deep.equal([80, 1]);
    expect(setFor(420), '280 is too little: twice 210').to.deep.equal([60, 2]);
    expect(setFor(800), 'three times 280').to.deep.equal([80, 3]);
    expect(setFor(20), 'nothing comes near: the least there is').to.deep.equal([20, 1]);
  });

  describe('that was weighed', () => {
    const setting: SprayerDial = { name: 'Volume, %', least: 10, most: 100, step: 5, sense: 'up' };
    // 1.5 g/m² a mark, half of what its table says
    const weighed = [20, 35, 50, 65, 80].map((mark) => ({ setting: mark, passes: 1, gm2: 1.5 * mark }));
    const fit = sprayerTable(setting, weighed, setting.step);
    const fluidId = equipment.pretreatments.find(({ fibre }) => fibre === 'cotton')!.id;
    const routeWith = (own: Partial<NozzleFit>, gM2: number): Route => {
      const override = { operation: 'pretreat', setting: 'gM2', value: gM2, who: 'Ines', why: 'a test' };
      const known = { dial, setting, nozzle: 'brass', fits: [{ ...fit, fluidId, nozzle: 'brass', ...own }] };
      const sprayer = { ...equipment.sprayers[0], ...known };
      return routeOf(lineOf({ process: 'dtg', overrides: [override], ...shopWith({ sprayers: [sprayer] }) }));
    };
    const dialOf = (route: Route) =>
      route.operations.find(({ id }) => id === 'pretreat')!.settings.find(({ key }) => key === 'dial')!;

    it('goes by the weighings before the maker’s table, in steps it can be set to', () => {
      const setting90 = dialOf(routeWith({}, 90));
      expect(setting90).to.deep.include({ value: 60, label: 'Volume, %', conflicts: [] });
      expect(setting90.reasons.map(({ source, value }) => [source, value])).to.deep.equal([
        ['proven', 60],
        ['trade', 20],
      ]);
      expect(valueOf(routeWith({}, 90), 'pretreat', 'sprayPasses')).to.equal(1);
    });

    it('takes a second pass where one does not give enough', () => {
      const route = routeWith({}, 220);
      expect([valueOf(route, 'pretreat', 'dial'), valueOf(route, 'pretreat', 'sprayPasses')]).to.deep.equal([
        75, 2,
      ]);
    });

    it('says what it cannot give, at the end of its range', () => {
      const most = dialOf(routeWith({}, 500));
      expect(most.value).to.equal(100);
      expect(inWords(most.reasons[0].said)).to.match(/does not give 500.g\/m²/);
    });

    it('does not go by another nozzle’s weighings', () => {
      expect(dialOf(routeWith({ nozzle: 'steel' }, 90)).reasons.map(({ source }) => source)).to.deep.equal([
        'trade',
      ]);
    });
  });

  it('is not spoken of where nobody knows what it gives', () => {
    const { settings } = routeOf(lineOf({ process: 'dtg', garment: hoodie })).operations.find(
      ({ id }) => id === 'pretreat',
    )!;
    expect(settings.map(({ key }) => key)).to.deep.equal(['gM2']);
  });
});
