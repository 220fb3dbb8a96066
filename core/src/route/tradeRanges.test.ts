import { expect } from 'chai';
import { TRADE, pressureWord } from './tradeRanges.ts';

type Key = keyof typeof TRADE;

/** What practitioners state, range by range; a change here is a change of practice, not of code. */
const STATED: Partial<Record<Key, readonly [min: number, max: number]>> = {
  prePressS: [5, 10],
  prePressCapS: [3, 10],
  pretreatmentCottonGM2: [110, 180],
  pretreatmentFleeceFactor: [2, 3],
  pretreatmentPolyesterFactor: [1.2, 1.4],
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
  transferCottonC: [150, 165],
  transferCottonS: [10, 20],
  transferPolyesterC: [130, 140],
  transferPolyesterS: [15, 50],
  secondPressS: [5, 15],
  capFrontC: [135, 140],
  capFrontS: [7, 15],
  patchTackC: [110, 120],
  patchTackS: [2, 5],
  patchCapC: [135, 142],
  patchCapS: [15, 20],
  subTransferC: [150, 195],
  subTransferS: [20, 40],
  directHoverS: [20, 40],
  directCureCottonC: [160, 177],
  directCureDarkS: [60, 120],
  directCureLightS: [30, 45],
  directCurePolyesterC: [138, 143],
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

const within =
  (low: number, high: number) =>
  (values: number[]): boolean =>
    values.every((value) => value >= low && value <= high);

describe('words for a pressure', () => {
  it('are what people say, and never milder for more', () => {
    expect([10, 35, 50, 80].map(pressureWord)).to.deep.equal(['light', 'medium', 'firm', 'hard']);
    const rank = ['light', 'medium', 'firm', 'hard'];
    const ranks = Array.from({ length: 120 }, (_, kPa) => rank.indexOf(pressureWord(kPa)));
    ranks.slice(1).forEach((own, i) => expect(own).to.be.at.least(ranks[i] ?? NaN));
  });
});
