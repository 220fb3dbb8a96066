import type { RouteSource } from '@saltflat/core/route';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { SourcesPanel } from './SourcesPanel.tsx';

const said = (code: string) => ({ code, params: {} }) as unknown as RouteSource['why'];
const FILM: RouteSource = {
  role: 'film',
  id: 'cold',
  name: 'Tarn Cold Film',
  why: said('fits'),
  others: [
    { id: 'hot', name: 'Tarn Hot Film', isPossible: true, why: said('second') },
    { id: 'old', name: 'Old Film', isPossible: false, why: said('too-narrow') },
  ],
} as unknown as RouteSource;

describe('what a print is made with', () => {
  const panel = (part: Partial<Parameters<typeof SourcesPanel>[0]> = {}) => {
    const chosen: unknown[] = [];
    return {
      chosen,
      ...show(
        <SourcesPanel
          of="Full front"
          sources={[FILM]}
          chosen={[]}
          isOpen
          who=""
          onChoose={(picked, signed) => {
            chosen.push([picked, signed]);
            return Promise.resolve(null);
          }}
          onTakeBack={() => Promise.resolve(null)}
          {...part}
        />,
      ),
    };
  };

  it('is chosen by a named person with a reason, of what is possible', async () => {
    const { user, chosen, getByRole, getByLabelText, getByText, findByText } = panel();
    await user.click(getByRole('combobox', { name: 'Film' }));
    expect(getByRole('option', { name: /^Old Film/ }).getAttribute('aria-disabled')).to.equal('true');
    await user.click(getByRole('option', { name: /^Tarn Hot Film/ }));
    await user.click(getByRole('button', { name: 'Plan with it' }));
    await findByText('Who are you? It is kept with the route.');
    getByText('Why? It is kept with the route.');
    expect(chosen).to.deep.equal([]);
    await user.type(getByLabelText('Who'), 'Ines');
    await user.type(getByLabelText('Why'), 'no table free{Enter}');
    await waitFor(() => expect(chosen).to.have.length(1));
    expect(chosen).to.deep.equal([
      [
        { role: 'film', id: 'hot' },
        { who: 'Ines', why: 'no table free' },
      ],
    ]);
  });

  it('says why a choice was not taken back, where it was pressed', async () => {
    const { user, getByRole, findByRole } = panel({
      chosen: ['film'],
      onTakeBack: () => Promise.resolve('Without it nothing fits the powder.'),
    });
    await user.click(getByRole('button', { name: 'What fits best' }));
    expect((await findByRole('alert')).textContent).to.contain('Without it nothing fits the powder.');
  });

  it('cannot be changed once the route is run', () => {
    const { queryByRole, getByText } = panel({ isOpen: false });
    expect(queryByRole('combobox')).to.equal(null);
    getByText('Tarn Cold Film');
  });
});
