import type { Catalogue, GarmentStyle } from '@saltflat/contract';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { anOrder } from '../../testing/samples.ts';
import { answering, refused } from '../../testing/server.ts';
import type { Answer, Asked } from '../../testing/server.ts';
import { OrderForm } from './OrderForm.tsx';

const TEE = {
  ...{ id: '7f000001-0000-4000-8000-00000000000a', name: 'Harbour tee', maker: 'Quay & Daughters' },
  ...{ kind: 'tee', fibres: { cotton: 1, polyester: 0, elastane: 0, nylon: 0, other: 0 }, massGM2: 180 },
  ...{ construction: 'knit', thicknessMm: null, features: [], maxPressC: null, pretreated: null, areas: [] },
  colours: [
    { id: '7f000001-0000-4000-8000-00000000000b', name: 'Navy', hex: '#1b2a4a', tone: 'dark', dye: 'dyed' },
  ],
  sizes: [
    { size: 'M', chestMm: 520, lengthMm: 720, cents: 310 },
    { size: 'L', chestMm: 550, lengthMm: 740, cents: 310 },
  ],
  version: 1,
} as unknown as GarmentStyle;
const CATALOGUE = { styles: [TEE], house: { document: DEFAULT_HOUSE, version: 1 } } as unknown as Catalogue;
const ORDERS = { 'GET /customers': (): Answer => ({ body: [{ name: 'Slipway Rowers' }] }) };

describe('a new order', () => {
  const form = () => {
    const saved: string[] = [];
    const shown = show(
      <OrderForm
        catalogue={CATALOGUE}
        order={null}
        onNewBlank={() => undefined}
        onSaved={({ code }) => saved.push(code)}
        onLeave={() => saved.push('left')}
      />,
    );
    return { ...shown, saved };
  };
  type Shown = ReturnType<typeof form>;
  const fill = async ({ user, getByLabelText }: Shown, pieces: string): Promise<void> => {
    await user.click(getByLabelText('Customer'));
    await user.paste('Slipway Rowers'); // the whole form is drawn at every key, and slowly in a made-up page
    await user.clear(getByLabelText('M'));
    await user.type(getByLabelText('M'), pieces);
  };
  const take = ({ user, getByRole }: Shown): Promise<void> =>
    user.click(getByRole('button', { name: 'Take in the order' }));
  const sent = (asked: readonly Asked[]): Asked[] => asked.filter(({ method }) => method === 'POST');

  it('that lacks its customer and says half a shirt is not sent: each is told at its field', async () => {
    const asked = answering(ORDERS);
    const shown = form();
    await shown.user.type(shown.getByLabelText('M'), '1.5');
    await take(shown);
    await waitFor(() =>
      expect(shown.getByLabelText('Customer').getAttribute('aria-invalid')).to.equal('true'),
    );
    expect(document.activeElement, 'the first that is wrong has the hand').to.equal(
      shown.getByLabelText('Customer'),
    );
    expect(shown.container.textContent).to.match(/must be a whole number, but 1\.5 was given/);
    expect(sent(asked)).to.deep.equal([]);
  });

  it('is taken in as it was written', async () => {
    const asked = answering({ ...ORDERS, 'POST /orders': () => ({ status: 201, body: anOrder() }) });
    const shown = form();
    await fill(shown, '12');
    await take(shown);
    await waitFor(() => expect(shown.saved).to.deep.equal(['K-501']));
    const [order] = sent(asked);
    expect(order?.body).to.deep.include({ customer: 'Slipway Rowers', note: '' });
    expect(order?.body)
      .to.have.nested.property('lines[0].sizes')
      .that.deep.equals([{ size: 'M', quantity: 12 }]);
    expect(order?.body).to.have.nested.property('lines[0].prints[0].artworkId', null);
  });

  it('that is refused says why, marks the field, and is still there after a reload', async () => {
    const why = '“Harbour tee” in M is sold out.';
    answering({
      ...ORDERS,
      'POST /orders': () =>
        refused('The order has a mistake.', [{ path: '/lines/0/sizes/0/quantity', message: why }]),
    });
    const shown = form();
    await fill(shown, '7');
    await take(shown);
    await shown.findByText(`Size M: ${why}`);
    shown.unmount();
    const again = form();
    expect((again.getByLabelText('Customer') as HTMLInputElement).value).to.equal('Slipway Rowers');
    expect((again.getByLabelText('M') as HTMLInputElement).value).to.equal('7');
    expect(again.saved).to.deep.equal([]);
  });

  it('is left without a trace when a person says so', async () => {
    answering(ORDERS);
    const shown = form();
    await fill(shown, '7');
    await shown.user.click(shown.getByRole('button', { name: 'Leave without saving' }));
    expect(shown.saved).to.deep.equal(['left']);
    shown.unmount();
    expect((form().getByLabelText('Customer') as HTMLInputElement).value).to.equal('');
  });

  it('has a line more, with a garment of its own, and a line less', async () => {
    answering(ORDERS);
    const { user, getByRole, getAllByRole, queryByRole } = form();
    expect(queryByRole('button', { name: 'Remove the line' }), 'one there must be').to.equal(null);
    await user.click(getByRole('button', { name: 'Add a line' }));
    const remove = getAllByRole('button', { name: 'Remove the line' });
    expect(remove).to.have.length(2);
    await user.click(remove[1]!);
    expect(queryByRole('button', { name: 'Remove the line' })).to.equal(null);
  });
});
