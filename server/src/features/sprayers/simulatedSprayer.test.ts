import { expect } from 'chai';
import { SimulatedSprayer } from './simulatedSprayer.ts';

const NOW = Date.parse('2026-03-02T08:00:00Z');
const WORK = { runId: 'run', step: 'pretreat/1', onG: 13, ml: 19.4 };
const fresh = (): SimulatedSprayer => new SimulatedSprayer({ machineId: '5a17f1a7-0000', name: 'Sprayer' });

describe('a simulated sprayer', () => {
  it('puts on the garment what the route wants, within three in a hundred, and its bottle falls by it', () => {
    const sprayer = fresh();
    const got = Array.from({ length: 20 }, () => sprayer.spray(WORK, NOW));
    for (const g of got) expect(g).to.be.within(0.97 * 13, 1.03 * 13);
    expect(new Set(got).size, 'no two are alike').to.equal(20);
    const sprayed = got.reduce((sum, g) => sum + g, 0);
    expect(1000 - sprayer.read().bottleMl).to.be.closeTo((sprayed / 13) * 19.4, 1e-9);
  });

  it('gives less through a nozzle that is half closed, and does not say so', () => {
    const sprayer = fresh();
    sprayer.turn({ openShare: 0.5 });
    expect(sprayer.spray(WORK, NOW)).to.be.within(0.97 * 6.5, 1.03 * 6.5);
    expect(sprayer.read().last?.ranDry).to.equal(false);
  });

  it('sprays what there is and no more, tells that it ran dry, and is filled again', () => {
    const sprayer = fresh();
    sprayer.turn({ bottleMl: 9.7 });
    expect(sprayer.spray(WORK, NOW)).to.be.closeTo(6.5, 1e-9);
    expect(sprayer.read()).to.deep.include({ bottleMl: 0 });
    expect(sprayer.read().last?.ranDry).to.equal(true);
    expect(sprayer.spray(WORK, NOW)).to.equal(0);
    sprayer.refill();
    expect(sprayer.read().bottleMl).to.equal(1000);
    sprayer.spray(WORK, NOW);
    expect(sprayer.read().last?.ranDry).to.equal(false);
  });
});
