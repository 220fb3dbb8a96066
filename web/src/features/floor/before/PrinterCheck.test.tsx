import type { Device, FilmPrinter } from '@saltflat/contract';
import { act, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { deviceSpoke } from '../../../api/liveSlice.ts';
import { answering } from '../../../testing/server.ts';
import { show } from '../../../testing/render.tsx';
import { PrinterCheck } from './PrinterCheck.tsx';

const PRINTER = '7f000001-0000-4000-8000-0000000000d5';

describe('a printer before it prints', () => {
  it('keeps the room as its devices say, later than the sheet was opened too, until somebody types it', async () => {
    sessionStorage.clear();
    const asked = answering({
      [`POST /machines/${PRINTER}/print-starts`]: () => ({ status: 201, body: {} }),
    });
    const printer = { machineId: PRINTER, name: 'Film printer' } as FilmPrinter;
    const { store, user, getByRole, getByText, getByLabelText } = show(
      <PrinterCheck printer={printer} onClose={() => undefined} />,
    );
    const says = (id: Device['id'], value: number): void =>
      act(() => void store.dispatch(deviceSpoke({ id, value } as Device)));
    expect(getByText(/room that ink|Ink wants/).textContent).to.match(/^◆/); // nobody knows the room
    says('room-thermometer', 22);
    says('hygrometer', 48);
    expect(getByText(/room that ink|Ink wants/).textContent).to.match(/^●/);
    await user.clear(getByLabelText(/^Humidity/));
    await user.type(getByLabelText(/^Humidity/), '52');
    await user.tab();
    says('hygrometer', 70); // somebody looked and wrote another
    await user.click(getByRole('button', { name: 'Keep the check' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'POST')?.body).to.include({ roomC: 22, humidity: 0.52 }),
    );
  });
});
