import { expect } from 'chai';
import { USUAL_GRAMS, gramsFor, sprayArea, wantedGm2 } from './index.ts';

describe('grams for a job', () => {
  it('covers a print and its margin, no more than the platen', () => {
    // 280 × 330 mm with 15 mm about it; its corners are quarter circles
    const { needMm2, rectMm, isClipped } = sprayArea({ rect: [280, 330] }, 15, null);
    expect(rectMm).to.deep.equal([310, 360]);
    expect(needMm2).to.be.closeTo(310 * 360 - (4 - Math.PI) * 225, 1e-6);
    expect(isClipped).to.be.false;
    expect(sprayArea({ rect: [280, 330] }, 15, [300, 400])).to.deep.include({
      rectMm: [300, 360],
      isClipped: true,
    });
  });

  it('goes by the shape, not its box, and by the area itself without a margin', () => {
    const rows = Array.from({ length: 40 }, (_, y) => (y < 10 ? [5, 30] : y < 30 ? [] : [0, 4, 20, 4]));
    const area = { pitchMm: 2, cols: 60, rows };
    expect(sprayArea(area, 0, null)).to.deep.include({ needMm2: (10 * 30 + 10 * 8) * 4, rectMm: [70, 80] });
    // one cell grows to all cells whose centre is within 2 cells: 13 of them
    const dot = { pitchMm: 1, cols: 9, rows: Array.from({ length: 9 }, (_, y) => (y === 4 ? [4, 1] : [])) };
    expect(sprayArea(dot, 2, null).needMm2).to.equal(13);
    // beyond the mask as well
    const corner = { pitchMm: 1, cols: 2, rows: [[0, 1], []] };
    expect(sprayArea(corner, 2, null).needMm2).to.equal(13);
  });

  it('wants more on heavier cloth, within what is usual, and none on pale', () => {
    expect(wantedGm2('cotton-knit', 'dark').targetGm2).to.equal(130);
    expect(wantedGm2('cotton-knit', 'dark', 4 * 170).targetGm2).to.equal(180);
    expect(wantedGm2('fleece', 'dark', 320).targetGm2).to.be.closeTo(268.53, 0.01);
    expect(wantedGm2('cotton-knit', 'pale')).to.deep.equal({ targetGm2: 0, rangeGm2: [0, 60] });
  });

  it('wants a fifth to two fifths more on polyester, and two to three times as much on fleece', () => {
    const tee = wantedGm2('cotton-knit', 'dark').targetGm2;
    expect(wantedGm2('polyester-knit', 'dark').targetGm2 / tee).to.be.within(1.2, 1.4);
    expect(wantedGm2('fleece', 'dark').targetGm2 / tee).to.be.within(2, 3);
  });

  it('adds up for the line, in ml and bottles', () => {
    const line = gramsFor({ ...USUAL_GRAMS, targetGm2: 130, sprayMm2: 111_600, count: 24, bottleMl: 500 });
    expect(line.gramsOn).to.be.closeTo(14.508, 1e-9);
    expect([line.lowG, line.highG]).to.deep.equal([14.508 * 0.9, 14.508 * 1.1]);
    // a third of it and more goes beside; 3 g to prime, a twentieth kept over
    expect(line.lineMl).to.be.closeTo((((24 * 14.508) / 0.65 + 3) * 1.05) / 1.03, 1e-9);
    expect(line.bottles).to.equal(2);
    expect(gramsFor({ ...USUAL_GRAMS, targetGm2: 0, sprayMm2: 111_600 })).to.deep.include({
      lineMl: 0,
      bottles: 0,
    });
  });
});
