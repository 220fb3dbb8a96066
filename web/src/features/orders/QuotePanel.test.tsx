import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { answering, refused } from '../../testing/server.ts';
import { QuotePanel } from './QuotePanel.tsx';

const DRAFT = {
  draft: { lines: [{ code: 'K-501' }], totalCents: 19_936, unpriced: [] },
  given: [],
};
const panel = () =>
  show(<QuotePanel orderId="o1" by="Ines" nowMs={Date.parse('2031-02-02T08:00:00Z')} isCancelled={false} />);

describe('a quote', () => {
  it('is given for as many days as are written, and not for half a day', async () => {
    const asked = answering({
      'GET /orders/o1/quotes': () => ({ body: DRAFT }),
      'POST /orders/o1/quotes': () => ({ body: DRAFT }),
    });
    const { user, findByRole, getByLabelText, findByText } = panel();
    const give = await findByRole('button', { name: 'Give this quote' });
    await user.clear(getByLabelText('Good for, days'));
    await user.type(getByLabelText('Good for, days'), '0.5');
    await user.click(give);
    await findByText('“Good for, days” must be a whole number, but 0.5 was given.');
    expect(asked.filter(({ method }) => method === 'POST')).to.deep.equal([]);
    await user.clear(getByLabelText('Good for, days'));
    await user.type(getByLabelText('Good for, days'), '30');
    await user.click(give);
    const given = await waitFor(
      () => asked.find(({ method }) => method === 'POST') ?? expect.fail('not yet'),
    );
    expect(given.body).to.deep.equal({
      by: 'Ines',
      goodDays: 30,
      totalCents: 19_936, // the sum that was seen: another by then is refused
    });
  });

  it('says why it was not given; the days stay as they were typed', async () => {
    answering({
      'GET /orders/o1/quotes': () => ({ body: DRAFT }),
      'POST /orders/o1/quotes': () => refused('The draft is € 210.00 by now: look at it and give it again.'),
    });
    const { user, findByRole, getByLabelText, findByText } = panel();
    const give = await findByRole('button', { name: 'Give this quote' });
    await user.clear(getByLabelText('Good for, days'));
    await user.type(getByLabelText('Good for, days'), '21');
    await user.click(give);
    await findByText('The draft is € 210.00 by now: look at it and give it again.');
    expect((getByLabelText('Good for, days') as HTMLInputElement).value).to.equal('21');
  });

  it('that cannot be fetched says so, and is asked for again by one press', async () => {
    let isAway = true;
    answering({
      'GET /orders/o1/quotes': () => (isAway ? refused('The quotes are being written.') : { body: DRAFT }),
    });
    const { user, findByText, getByRole, findByRole } = panel();
    await findByText(/The quotes are being written/);
    isAway = false;
    await user.click(getByRole('button', { name: 'Try again' }));
    await findByRole('button', { name: 'Give this quote' });
  });
});
