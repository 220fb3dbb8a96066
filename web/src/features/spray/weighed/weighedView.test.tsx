import type { FloorWeighing } from '@saltflat/contract';
import { within } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../../testing/render.tsx';
import { WeighedView } from './WeighedView.tsx';
import { floorChart, weighedPlot } from './weighedPlot.ts';

/** Garments that were to get 20 g and got so many per cent of it, newest first as the server gives them. */
const garments = (...oldestFirst: number[]): FloorWeighing[] =>
  oldestFirst
    .map((pct, i) => ({
      runId: 'run',
      step: `pretreat/1.blank.${i + 1}`,
      code: `K-${501 + i}`,
      at: new Date(Date.UTC(2031, 1, 1, 8, i)).toISOString(),
      by: 'Ines',
      beforeG: 150,
      afterG: 150 + pct / 5,
      targetG: 20,
      toleranceG: 2,
      areaMm2: 150_000,
      setting: 40,
      passes: 1,
      fluidId: null,
      waitedS: 0,
      isTaken: false,
    }))
    .reverse();
const shown = (weighings: FloorWeighing[]) => {
  const taken: string[] = [];
  const own = show(
    <WeighedView
      name="Spray box"
      setting="Volume, %"
      weighings={weighings}
      onTake={({ code }) => taken.push(code)}
      takingStep={null}
    />,
  );
  return { ...own, taken };
};

describe('garments weighed in over all runs', () => {
  it('ask for the nozzle as soon as two in a row are a little dry, as the floor does', () => {
    expect(shown(garments(101, 88, 87)).getByRole('status').textContent).to.match(
      /twice in a row off to one side: the nozzle, the pump, the bottle\?/,
    );
  });

  it('ask nothing where one is off, or two to different sides', () => {
    expect(shown(garments(101, 88)).queryByRole('status')).to.equal(null);
    expect(shown(garments(112, 88)).queryByRole('status')).to.equal(null);
  });

  it('stand newest first, each counted by its own button, and those that count have none', async () => {
    const [newest, ...older] = garments(100, 104, 96);
    const { user, getByRole, taken } = shown([{ ...newest!, isTaken: true }, ...older]);
    const [, ...rows] = within(getByRole('table', { name: 'Garments weighed in' })).getAllByRole('row');
    expect(rows.map((own) => /K-\d+/.exec(own.textContent)?.[0])).to.deep.equal(['K-503', 'K-502', 'K-501']);
    expect(rows[0]?.textContent).to.contain('● counts');
    await user.click(getByRole('button', { name: /^Count K-502, 20\.8\sg/ }));
    expect(taken).to.deep.equal(['K-502']);
  });

  it('know how the sprayer lies from the twelfth on: the centre of those before, hollow where a rule is broken', () => {
    const chart = floorChart(
      garments(...Array.from({ length: 12 }, (_, i) => (i % 2 === 0 ? 99 : 101)), 125),
    );
    expect(chart.limits?.centrePct).to.be.closeTo(100, 1e-9);
    const { dots } = weighedPlot(chart, (at) => at);
    expect(dots?.map(({ isHollow }) => isHollow)).to.deep.equal([...Array<boolean>(12).fill(false), true]);
    expect(floorChart(garments(100, 100)).limits).to.equal(null);
  });

  it('lead to the floor while there is none', () => {
    const { getByRole } = shown([]);
    expect(getByRole('link', { name: 'To the floor' }).getAttribute('href')).to.equal('/floor');
  });
});
