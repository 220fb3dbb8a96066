import { expect } from 'chai';
import fc from 'fast-check';
import { PlateMap } from './plateMap.ts';
import { pressKnown } from './knownPress.ts';
import type { MeasuredPress } from './knownPress.ts';
import { platesRead } from './platesRead.ts';
import { readPasted } from './readNumbers.ts';
import { pastEdge, seenMm, spotsFor } from './spots.ts';
import { summarise, underPrint } from './summary.ts';

const SIZE = { widthMm: 400, heightMm: 500 };
const spots = spotsFor(SIZE);
const readings = (at: (x: number, y: number) => number) =>
  spots.map((spot) => ({ ...spot, plateC: at(spot.xMm, spot.yMm) }));

describe('spots of a survey', () => {
  it('are a grid by the plate’s size, within it', () => {
    expect(spots).to.have.length(3 * 4);
    expect(spotsFor({ widthMm: 150, heightMm: 75 })).to.have.length(9);
    expect(spotsFor({ widthMm: 2000, heightMm: 2000 })).to.have.length(49);
    for (const { xMm, yMm } of spots) {
      expect(xMm).to.be.within(1, 399);
      expect(yMm).to.be.within(1, 499);
    }
  });

  it('are seen past the edge from too far away', () => {
    expect(seenMm(300, 12)).to.equal(25);
    expect(seenMm(50, 12)).to.equal(12); // the lens itself
    expect(pastEdge(spots, SIZE, 25)).to.have.length(0);
    expect(pastEdge(spots, SIZE, 2 * 68)).to.have.length(10); // outermost columns and rows: all but two
  });
});

describe('what a survey tells', () => {
  it('of a plate with a cold corner: offset, spread, where it is, and what is left', () => {
    const map = readings((x, y) => (x > 300 && y > 400 ? 146 : 158));
    const found = summarise(map, SIZE, { setC: 160, toleranceK: 4 });
    expect(found.meanC).to.be.closeTo((11 * 158 + 146) / 12, 1e-9);
    expect(found.offsetK).to.be.closeTo(-3, 1e-9);
    expect(found.spreadK).to.equal(12);
    expect(found.coldSpots.map(({ xMm, yMm }) => [xMm > 300, yMm > 400])).to.deep.equal([[true, true]]);
    expect(found.usableShare).to.be.within(0.85, 0.97);
    const { usable } = found;
    // the corner's third by quarter is left out, the longer way round
    expect(usable?.leftMm).to.equal(0);
    expect(usable?.backMm).to.equal(0);
    expect((usable?.widthMm ?? 0) * (usable?.heightMm ?? 0)).to.be.within(0.6 * 200_000, 0.85 * 200_000);
  });

  it('of an even plate: all of it', () => {
    const found = summarise(
      readings(() => 157),
      SIZE,
      { setC: 160, toleranceK: 1 },
    );
    expect(found).to.deep.include({ meanC: 157, offsetK: -3, spreadK: 0, coldSpots: [], usableShare: 1 });
    expect(found.usable).to.deep.equal({ leftMm: 0, backMm: 0, widthMm: 400, heightMm: 500 });
  });

  it('needs five readings', () => {
    expect(() => summarise(readings(() => 157).slice(0, 3), SIZE, { setC: 160, toleranceK: 3 })).to.throw(
      RangeError,
      '3 readings, 5 are needed',
    );
  });

  it('a print over the cold corner is told so, one beside it is not', () => {
    const map = new PlateMap(
      SIZE,
      readings((x, y) => (x > 300 && y > 400 ? 146 : 158)),
    );
    const over = underPrint(map, { leftMm: 50, backMm: 50, widthMm: 320, heightMm: 420 });
    expect(over.coldestC).to.be.below(150);
    expect(over.coldestAt.xMm).to.be.above(300);
    const beside = underPrint(map, { leftMm: 20, backMm: 20, widthMm: 200, heightMm: 200 });
    expect(beside.coldestC).to.be.above(157.5);
  });

  it('a map never goes beyond what was read, and is what was read at each spot', () => {
    const temps = fc.array(fc.double({ min: 130, max: 190, noNaN: true }), { minLength: 12, maxLength: 12 });
    fc.assert(
      fc.property(temps, fc.nat(399), fc.nat(499), (drawn, x, y) => {
        const own = spots.map((spot, i) => ({ ...spot, plateC: drawn[i] ?? 0 }));
        const map = new PlateMap(SIZE, own);
        expect(map.at(x, y)).to.be.within(Math.min(...drawn) - 1e-9, Math.max(...drawn) + 1e-9);
        for (const spot of own) expect(map.at(spot.xMm, spot.yMm)).to.equal(spot.plateC);
      }),
    );
  });
});

describe('readings that are pasted', () => {
  const four = spots.slice(0, 4);
  it('are taken with places or in the order of the spots, with points or with commas where something else stands between', () => {
    const placed = readPasted('x, y, C\n67, 63, 136.5\n200, 63, 137', four);
    expect(placed).to.deep.equal({
      ok: true,
      readings: [
        { xMm: 67, yMm: 63, readC: 136.5 },
        { xMm: 200, yMm: 63, readC: 137 },
      ],
    });
    expect(readPasted('67;63;136,5', four)).to.deep.include({
      readings: [{ xMm: 67, yMm: 63, readC: 136.5 }],
    });
    expect(readPasted('136.5 °C\n137', four)).to.deep.equal({
      ok: true,
      readings: [
        { ...four[0], readC: 136.5 },
        { ...four[1], readC: 137 },
      ],
    });
  });

  const refused: [string, string, RegExp][] = [
    ['decimal commas between commas', '67,63,136,5', /has 4 figures.*semicolons/],
    ['words', '136\nhot', /Line 2 \(“hot”\) is not figures alone/],
    ['nothing', ' \n ', /no line of figures/],
    ['a column too few', '67;63;136\n67;136', /Line 2 .* has 2 figures/],
    ['more than there are spots', '1\n2\n3\n4\n5', /5 readings for 4 spots/],
  ];
  for (const [name, text, sentence] of refused)
    it(`are refused in words: ${name}`, () => {
      const read = readPasted(text, four);
      expect(read.ok ? '' : read.problem).to.match(sentence);
    });
});

describe('what a survey is to the model', () => {
  const survey = {
    setC: 160,
    readOff: 'plate' as const,
    closedS: 60,
    lateS: 2,
    roomC: 24,
    readings: spots.map((spot) => ({ ...spot, readC: spot.xMm > 300 && spot.yMm > 400 ? 146 : 155 })),
  };

  const measured = (readings: typeof survey.readings, own: Partial<MeasuredPress> = {}): MeasuredPress => ({
    survey: { setC: 160, surveyedOn: '2026-02-03', plates: platesRead({ ...survey, readings }) },
    pressure: null,
    calibration: null,
    ...own,
  });
  const WHOLE = { leftMm: 0, backMm: 0, ...SIZE };

  it('reads bare metal nearly as it is, and the offset where the print lies', () => {
    const { spots: plates, uncertainK } = platesRead(survey);
    expect(plates[0]?.plateC).to.be.closeTo(155.08, 1e-9); // 0.04 K a second
    expect(uncertainK).to.equal(1.5); // the thermometer's own
    const small = pressKnown(measured(survey.readings), SIZE, {
      leftMm: 150,
      backMm: 150,
      widthMm: 100,
      heightMm: 100,
    });
    expect(small.known.offsetC).to.be.closeTo(-5, 0.3);
    const whole = pressKnown(measured(survey.readings), SIZE, WHOLE);
    expect(whole.known.offsetC).to.be.below(small.known.offsetC);
    expect(whole.known.known['plate-error']).to.deep.equal({ usual: 0, low: -1.5, high: 1.5 });
  });

  it('needs five readings', () => {
    expect(() => pressKnown(measured(survey.readings.slice(0, 3)), SIZE, WHOLE)).to.throw(
      RangeError,
      '3 readings',
    );
  });

  it('stands beside a pressure test and a calibration, and any of them may be missing', () => {
    const known = { 'bond-seconds': { usual: 12, low: 11, high: 13 } };
    const all = measured(survey.readings, {
      pressure: [{ mark: 1, kPa: 20, low: 18, high: 22 }],
      calibration: { calibratedOn: '2026-03-01', found: { known, spread: 0.14 } },
    });
    const found = pressKnown(all, SIZE, WHOLE).known;
    expect(Object.keys(found.known).sort()).to.deep.equal(['bond-seconds', 'plate-error', 'pressure']);
    expect(found).to.deep.include({ calibratedOn: '2026-03-01', spread: 0.14 });
    const none = pressKnown({ survey: null, pressure: null, calibration: null }, SIZE, WHOLE);
    expect(none).to.deep.equal({
      known: { offsetC: 0, surveyedOn: null, calibratedOn: null, known: {}, spread: 0.25 },
      under: null,
    });
  });
});
