import type { Beginnings } from '@saltflat/contract';
import { expect } from 'chai';
import { useState } from 'react';
import { show } from '../../testing/render.tsx';
import { ClearDemo, FirstRun } from './index.ts';

const NONE = { words: '', isRetrying: false };
const shop = (part: Partial<Beginnings> = {}, demo: Partial<Beginnings['demo']> = {}): Beginnings => ({
  blanks: 0,
  materials: 0,
  machines: 0,
  orders: 0,
  ...part,
  demo: { state: 'none', share: null, ownOrders: 0, ...demo },
});

describe('a shop without an order', () => {
  const shown = (beginnings: Beginnings, onFill: () => void = () => undefined) =>
    show(<FirstRun beginnings={beginnings} onFill={onFill} isFilling={false} refusal={NONE} />);

  it('says what to set up first, and has the demo one press away', async () => {
    let pressed = 0;
    const begun = shown(shop({ blanks: 3 }));
    expect(begun.getAllByText('none yet')).to.have.length(2);
    expect(begun.getByRole('link', { name: 'Materials' }).getAttribute('href')).to.equal('/shop/materials');
    // something is set up already: the demo would mix with it
    expect(begun.queryByRole('button', { name: 'Fill it with the demo' })).to.equal(null);
    begun.unmount();
    const empty = shown(shop(), () => {
      pressed++;
    });
    await empty.user.click(empty.getByRole('button', { name: 'Fill it with the demo' }));
    expect(pressed).to.equal(1);
  });

  it('shows how far the demo is, and where to go when it ended half-way', () => {
    expect(shown(shop({}, { state: 'filling', share: 0.4 })).getByText(/being taken in: 40 %/)).to.not.equal(
      null,
    );
    const stuck = shown(shop({ blanks: 9 }, { state: 'broken-off' }));
    expect(stuck.getByRole('link', { name: 'Clear what came of it' }).getAttribute('href')).to.equal(
      '/shop/demo',
    );
  });
});

describe('clearing the demo', () => {
  function Part({ beginnings, onClear }: { beginnings: Beginnings; onClear: () => void }) {
    const [now, setNow] = useState(beginnings);
    return (
      <ClearDemo
        beginnings={now}
        onClear={(then) => {
          onClear();
          setNow(shop({}, { state: 'cleared' }));
          then();
        }}
        isBusy={false}
        refusal={NONE}
      />
    );
  }

  it('is asked once more, with how much goes and how much of it is one’s own', async () => {
    let cleared = 0;
    const { user, getByRole, getByText, findByText, queryByRole } = show(
      <Part
        beginnings={shop({ orders: 28 }, { state: 'filled', ownOrders: 2 })}
        onClear={() => {
          cleared++;
        }}
      />,
    );
    getByText(/2 orders were taken in since/);
    await user.click(getByRole('button', { name: /^Clear the demo/ }));
    getByText(/28 orders .* gone for good, 2 of them your own/);
    expect(cleared).to.equal(0);
    await user.click(getByRole('button', { name: 'Clear 28 orders' }));
    await findByText(/The demo is cleared/);
    expect([cleared, queryByRole('button', { name: /^Clear the demo/ })]).to.deep.equal([1, null]);
  });

  it('is not offered where there is none', () => {
    const { queryByRole } = show(<Part beginnings={shop({ orders: 5 })} onClear={() => undefined} />);
    expect(queryByRole('button', { name: /^Clear/ })).to.equal(null);
  });
});
