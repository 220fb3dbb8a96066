import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { KeepTried } from './KeepTried.tsx';
import type { Signed } from '@saltflat/contract';

describe('values being tried', () => {
  const bar = (part: Partial<Parameters<typeof KeepTried>[0]> = {}) =>
    show(
      <KeepTried
        count={2}
        problem=""
        who="Ines"
        onKeep={() => Promise.resolve(null)}
        onGiveUp={() => undefined}
        {...part}
      />,
    );

  it('are kept with a name and a reason, and not without', async () => {
    const kept: Signed[] = [];
    const { user, getByRole, getByLabelText, findByText } = bar({
      onKeep: (signed) => {
        kept.push(signed);
        return Promise.resolve(null);
      },
    });
    await user.click(getByRole('button', { name: 'Plan with these values' }));
    await findByText('Why? It is kept with the route.');
    expect(kept).to.deep.equal([]);
    await user.type(getByLabelText('Why'), 'press B runs cool{Enter}');
    await waitFor(() => expect(kept).to.deep.equal([{ who: 'Ines', why: 'press B runs cool' }]));
  });

  it('say why the server refused them, and what was typed stays', async () => {
    const { user, getByLabelText, findByText } = bar({
      onKeep: () => Promise.resolve('Somebody planned this line anew: look at version 3.'),
    });
    await user.type(getByLabelText('Why'), 'cooler{Enter}');
    await findByText('Somebody planned this line anew: look at version 3.');
    expect((getByLabelText('Why') as HTMLInputElement).value).to.equal('cooler');
  });

  it('cannot be kept while nothing can be planned with them', () => {
    const { getByRole, getByText } = bar({ problem: 'The press cannot be set over 230 °C.' });
    getByText('The press cannot be set over 230 °C.');
    expect((getByRole('button', { name: 'Plan with these values' }) as HTMLButtonElement).disabled).to.equal(
      true,
    );
  });
});
