import { expect } from 'chai';
import { hardestOf } from '../words/index.ts';
import { FIBRE_FACTS } from './fibres.ts';
import { TRADE } from './tradeRanges.ts';

type Key = keyof typeof TRADE;

/** What practitioners state, range by range; a change here is a change of practice, not of code. */
const STATED: Partial<Record<Key, readonly [min: number, max: number]>> = {
  prePressS: [5, 10],
  prePressCapS: [3, 10],
  pretreatmentCottonGM2: [110, 180],
  pretreatmentFleeceFactor: [2, 3],
  dryBurstS: [10, 15],
  airDryS: [20 * 60, 40 * 60],
  airDryPressS: [5, 15],
  filmPauseS: [15, 20],
  filmWhiteDensity: [0.5, 0.7],
  powderStandS: [0, 5 * 60],
  powderCureC: [120, 165],
  powderCureS: [2 * 60, 3 * 60],
  hoverC: [160, 165],
  hoverS: [2 * 60, 3 * 60],
  hoverFullS: [4 * 60, 8 * 60],
  griddleS: [20, 40],
  secondPressS: [5, 15],
  capFrontC: [135, 140],
  capFrontS: [7, 15],
  patchTackC: [110, 121],
  patchTackS: [2, 5],
  patchCapC: [135, 142],
  patchCapS: [15, 20],
  subTransferC: [150, 195],
  subTransferS: [20, 40],
  directHoverS: [20, 40],
  directCureDarkS: [60, 120],
  directCureLightS: [30, 45],
};

describe('the table of trade ranges', () => {
  it('has the ranges practitioners state', () => {
    for (const [key, [min, max]] of Object.entries(STATED)) {
      const range = TRADE[key as Key];
      expect([range.min, range.max], key).to.deep.equal([min, max]);
    }
  });

  it('starts within each range, and each says what kind of knowledge it is', () => {
    for (const [key, { min, max, start, source }] of Object.entries(TRADE)) {
      expect(min, key).to.be.below(max);
      expect(start, key).to.be.within(min, max);
      expect(['trade range', 'textbook', 'assumption'], key).to.include(source);
    }
  });

  it('has numbers that can only be of the unit in their name', () => {
    for (const [key, { min, max }] of Object.entries(TRADE)) {
      if (key.endsWith('KPa')) expect([min, max], key).to.satisfy(within(5, 120));
      else if (/[a-z]C$/.test(key)) expect([min, max], key).to.satisfy(within(60, 200));
      else if (key.endsWith('Factor')) expect([min, max], key).to.satisfy(within(1, 4));
      else if (key.endsWith('Density') || key.endsWith('Tolerance'))
        expect([min, max], key).to.satisfy(within(0, 1));
    }
  });

  it('lets a patched cap rest for a day, and warms no cap from below beyond 105 °C', () => {
    expect(TRADE.patchRestS.start).to.equal(24 * 3600);
    expect(TRADE.capLowerC.max).to.equal(105);
  });
});

describe('the table of fibres', () => {
  it('has what practitioners state of cotton and polyester', () => {
    const { cotton, polyester } = FIBRE_FACTS;
    const stated = [
      cotton.transferC,
      cotton.transferS,
      cotton.cureC,
      polyester.transferC,
      polyester.transferS,
      polyester.cureC,
    ];
    expect(stated.map(({ min, max }) => [min, max])).to.deep.equal([
      [150, 165],
      [10, 20],
      [160, 177],
      [130, 140],
      [15, 50],
      [138, 143],
    ]);
  });

  it('never starts pressing a fibre hotter or firmer than it stands', () => {
    for (const [fibre, { standsC, transferC, transferKPa, firmest }] of Object.entries(FIBRE_FACTS)) {
      expect(transferC.start, fibre).to.be.at.most(standsC.start);
      expect(transferKPa.start, fibre).to.be.at.most(hardestOf(firmest));
      for (const { min, max, start } of [standsC, transferC, transferKPa])
        expect(start, fibre).to.be.within(min, max);
    }
  });

  it('holds water as a standard room gives it', () => {
    // standard regain at 65 % humidity, textbook: cotton 7 to 8.5, wool 16, viscose 11 to 13, silk 11, nylon 4 to 4.5, polyester 0.4
    const regain = (fibre: keyof typeof FIBRE_FACTS): number => 100 * FIBRE_FACTS[fibre].regain;
    expect(regain('cotton')).to.be.within(7, 8.5);
    expect(regain('viscose')).to.be.within(11, 13);
    expect(regain('wool')).to.be.within(14, 18);
    expect(regain('silk')).to.be.within(10, 11);
    expect(regain('nylon')).to.be.within(4, 4.5);
    expect(regain('polyester')).to.be.closeTo(0.4, 0.05);
    expect(regain('acrylic')).to.be.within(1, 2);
  });
});

const within =
  (low: number, high: number) =>
  (values: number[]): boolean =>
    values.every((value) => value >= low && value <= high);
