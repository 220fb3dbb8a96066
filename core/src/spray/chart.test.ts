import { expect } from 'chai';
import { mulberry32, normalFrom } from './noise.ts';
import { USUAL_CHART, amountOn, freshLossGM2S, topUpG, weighChart } from './index.ts';
import type { ChartSetting, SignalRule } from './index.ts';

/** Ten about 100 whose neighbours differ by 4 on average: sigma = 4 / 1.128 × 1.2. */
const BASE = [100, 104, 100, 96, 100, 104, 100, 96, 100, 100];
const SIGMA = (32 / 9 / 1.128) * 1.2;
const chart = (after: readonly number[], own: Partial<ChartSetting> = {}) =>
  weighChart([...BASE, ...after], { ...USUAL_CHART, baseline: 10, ...own });
const signals = (after: readonly number[], rules: SignalRule[], resets: number[] = []): SignalRule[][] =>
  chart(after, { rules, resets })
    .points.slice(10)
    .map((point) => point.signals);

describe('the running chart of weighings', () => {
  it('takes its centre and spread from the first garments, without what stands out', () => {
    expect(chart([]).limits).to.deep.include({ centrePct: 100 });
    expect(chart([]).limits!.sigmaPct).to.be.closeTo(SIGMA, 1e-9);
    const wild = weighChart([...BASE.slice(0, 9), 180], { ...USUAL_CHART, baseline: 10 });
    expect(wild.limits!.centrePct).to.be.closeTo(100, 0.1);
    expect(weighChart(BASE.slice(0, 9), { ...USUAL_CHART, baseline: 10 }).limits).to.be.null;
  });

  it('sees one far out, and only then', () => {
    const [inside, beyond] = [100 + 2.99 * SIGMA, 100 + 3.01 * SIGMA];
    expect(signals([inside, 100, beyond], ['beyond'])).to.deep.equal([[], [], ['beyond']]);
  });

  it('sees two of three far out on one side, where the last takes part', () => {
    const far = 100 + 2.2 * SIGMA;
    expect(signals([far, 100, far], ['two-of-three'])).to.deep.equal([[], [], ['two-of-three']]);
    expect(signals([far, far, 100], ['two-of-three'])).to.deep.equal([[], ['two-of-three'], []]);
    expect(signals([far, 100 - 2.2 * SIGMA], ['two-of-three'])).to.deep.equal([[], []]);
  });

  it('sees nine on one side, seven in a trend, and a jump', () => {
    const side = Array.from({ length: 9 }, (_, i) => 101 + (i % 2));
    expect(signals(side, ['same-side']).map((own) => own.length)).to.deep.equal([0, 0, 0, 0, 0, 0, 0, 0, 1]);
    const rise = [97, 98, 99, 100, 101, 102, 103];
    expect(signals(rise, ['trend']).at(-1)).to.deep.equal(['trend']);
    expect(signals([97, 98, 99, 99, 101, 102, 103], ['trend']).flat()).to.deep.equal([]);
    expect(signals([100 - 2.3 * SIGMA, 100 + 2.3 * SIGMA], ['jump'])).to.deep.equal([[], ['jump']]);
  });

  it('forgets before a reset, and never looks ahead', () => {
    const side = Array.from({ length: 12 }, () => 101);
    expect(signals(side, ['same-side'], [14]).flat()).to.deep.equal([]);
    const whole = signals(side, ['same-side']);
    for (let n = 1; n < 12; n++)
      expect(signals(side.slice(0, n), ['same-side'])).to.deep.equal(whole.slice(0, n));
  });

  // shares of 20 000 charts found elsewhere: false alarms within ten garments, and a shift of two sigma found within ten
  for (const [baseline, falsely, found] of [
    [8, 0.154, 0.905],
    [12, 0.134, 0.93],
    [30, 0.096, 0.973],
  ] as const)
    it(`cries wolf, and finds a shift, about as often as it should after ${baseline} garments`, () => {
      const share = (shift: number): number => {
        const noise = normalFrom(mulberry32(baseline + 100 * shift));
        let alarms = 0;
        for (let i = 0; i < 3000; i++) {
          const values = Array.from(
            { length: baseline + 10 },
            (_, k) => 100 + 4 * noise() + (k >= baseline ? 4 * shift : 0),
          );
          if (weighChart(values, { ...USUAL_CHART, baseline }).firstSignal !== null) alarms++;
        }
        return alarms / 3000;
      };
      expect(share(0)).to.be.closeTo(falsely, 0.022); // three standard errors
      expect(share(2)).to.be.closeTo(found, 0.022);
    });

  it('judges one garment by itself, by what was put on and what dried off before it was weighed', () => {
    const loss = freshLossGM2S({ tempC: 23, rh: 0.5, airMPerS: 0 });
    expect(loss).to.be.closeTo(0.021423, 1e-5);
    expect(freshLossGM2S({ tempC: 28, rh: 0.3, airMPerS: 0 })).to.be.closeTo(0.036607, 1e-5);
    const garment = { beforeG: 152.3, afterG: 167.7, areaMm2: 140_000, targetGm2: 130, elapsedS: 30 };
    const { gm2, pct, evapG } = amountOn(garment, loss);
    expect(evapG).to.be.closeTo(0.021423 * 0.14 * 30, 1e-5);
    expect(gm2).to.be.closeTo(15.4 / 0.14 + 0.021423 * 30, 1e-3);
    // 15 % short of 18.2 g
    expect(topUpG(pct, garment, 10)).to.be.closeTo(18.2 - gm2 * 0.14, 1e-9);
    expect(topUpG(95, garment, 10)).to.equal(0);
  });

  it('does not mind how large the job is', () => {
    const of = (scale: number): number =>
      amountOn(
        { beforeG: 10, afterG: 10 + 2 * scale, areaMm2: 1e5 * scale, targetGm2: 20, elapsedS: 60 },
        0.02,
      ).pct;
    expect(of(3)).to.be.closeTo(of(1), 1e-9);
  });
});
