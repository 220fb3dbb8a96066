import type { ArtFigures, PrintProcess } from '@saltflat/core/artwork';
import { METRIC } from '@saltflat/core/units';
import { fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import type { ArtDraft } from './useArtDraft.ts';
import { WhitePanel } from './WhitePanel.tsx';

const DRAFT: ArtDraft = { steps: [], white: {}, chokeMm: 0.1, density: 0.7, widthMm: 280 };
const FIGURES = { white: { chokePx: 1.18, chokeLostShare: 0.0312 } } as ArtFigures;

describe('white under an artwork', () => {
  const panel = (process: PrintProcess, part: Partial<ArtDraft> = {}) => {
    const changed: [Partial<ArtDraft>, string][] = [];
    const shown = show(
      <WhitePanel
        process={process}
        draft={{ ...DRAFT, ...part }}
        figures={FIGURES}
        system={METRIC}
        onChange={(own, kind) => changed.push([own, kind])}
      />,
    );
    return { ...shown, changed };
  };

  it('is laid by a house preset in one press, or by hand, which no preset is then', async () => {
    const { user, getByRole, getByText, changed } = panel('dtf');
    expect(getByRole('button', { name: 'Everyday' }).getAttribute('aria-pressed')).to.equal('true');
    getByText('Hides most fabrics with an ordinary hand.');
    await user.click(getByRole('button', { name: 'Full cover' }));
    expect(changed).to.deep.equal([[{ chokeMm: 0.1, density: 1, white: {} }, '']]);
  });

  it('that is nobody’s preset is called a person’s own', () => {
    const { getByText, getAllByRole } = panel('dtf', { density: 0.71 });
    getByText('Your own setting: none of the house presets.');
    expect(getAllByRole('button').filter((own) => own.getAttribute('aria-pressed') === 'true')).to.deep.equal(
      [],
    );
  });

  it('begins before it is full: one knob takes the other along', () => {
    const { getByRole, changed } = panel('dtg-dark', { white: { nearGarment: { from: 4, to: 8 } } });
    fireEvent.change(getByRole('slider', { name: 'White begins' }), { target: { value: 10 } });
    fireEvent.change(getByRole('slider', { name: 'White is full' }), { target: { value: 2 } });
    expect(changed.map(([own]) => own.white?.nearGarment)).to.deep.equal([
      { from: 10, to: 11 },
      { from: 1, to: 2 },
    ]);
  });

  it('says what its choke takes, in pixels of this print and of what is too thin', async () => {
    const { user, getByRole, getByText } = panel('dtf', { chokeMm: 0.2 });
    await user.click(getByRole('button', { name: 'Why this choke' }));
    getByText(/More than that: edges may look dark\. Here it is 1\.2 px; 3\.12 % of the art is too thin/);
  });

  it('is not printed on a light garment nor by sublimation, which is said', () => {
    panel('dtg-light').getByText('No white is printed on a light garment.');
    const { getByText, queryByRole } = panel('sub');
    getByText(/Sublimation ink has no white/);
    expect(queryByRole('slider')).to.equal(null);
  });
});
