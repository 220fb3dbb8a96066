import type { SprayerDevice } from '@saltflat/contract';
import type { FloorAction } from '@saltflat/core/run';
import type { Operation } from '@saltflat/core/work';
import { act, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { answering } from '../../testing/server.ts';
import { sprayerSpoke } from '../../api/liveSlice.ts';
import { SprayerPanel } from './SprayerPanel.tsx';
import type { LiveRun } from './useRunState.ts';

const BOX = '7f000001-0000-4000-8000-0000000000d3';
const RUN = '7f000001-0000-4000-8000-0000000000d4';
const STEP = 'pretreat/1.blank.1';
const device = (own: Partial<SprayerDevice> = {}): SprayerDevice => ({
  machineId: BOX,
  name: 'Spray box',
  isSimulated: true,
  bottleMl: 640,
  bottleSizeMl: 1000,
  last: null,
  drive: { openShare: 1 },
  ...own,
});
const at = (own: { role?: string; beforeG?: number | null }) =>
  show(
    <SprayerPanel
      live={{ run: { id: RUN } } as LiveRun}
      action={{ step: { id: STEP, beforeG: own.beforeG ?? null } } as FloorAction}
      operation={
        {
          role: own.role ?? 'spray',
          weighIn: { targetG: 13, toleranceG: 1.3 },
          modes: [{ machine: { id: BOX } }],
        } as Operation
      }
    />,
  );

describe('the sprayer a garment lies in', () => {
  it('waits for the dry weight, then sprays that step, and tells what left the bottle', async () => {
    const asked = answering({
      'GET /sprayers': () => ({ body: [device()] }),
      [`POST /sprayers/${BOX}/sprays`]: () => ({ status: 201, body: device() }),
    });
    const dry = at({});
    const waits = (await dry.findByRole('button', { name: 'Spray it on Spray box' })) as HTMLButtonElement;
    expect(waits.disabled).to.equal(true);
    dry.getByText(/Weighed dry first/);
    dry.getByText(/640\sml of 1000\sml in the bottle/);
    dry.unmount();

    const { user, findByRole, getByRole, store, queryByRole } = at({ beforeG: 181 });
    await user.click(await findByRole('button', { name: 'Spray it on Spray box' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'POST')?.body).to.deep.equal({ runId: RUN, step: STEP }),
    );
    const last = { at: '2031-02-01T08:00:00.000Z', runId: RUN, step: STEP, ml: 19.4, ranDry: false };
    act(() => void store.dispatch(sprayerSpoke(device({ last, bottleMl: 150 }))));
    expect(getByRole('status').textContent).to.match(/Sprayed 19\.4\sml/);
    getByRole('button', { name: 'Spray once more' });
    getByRole('button', { name: 'Put on a full bottle' }); // less than a fifth is left
    act(() => void store.dispatch(sprayerSpoke(device({ last: { ...last, ranDry: true }, bottleMl: 0 }))));
    expect(getByRole('alert').textContent).to.match(/ran dry in the middle of this garment/);
    // another garment's spray is not this one's
    act(
      () =>
        void store.dispatch(
          sprayerSpoke(device({ last: { ...last, step: 'pretreat/1.blank.2', ranDry: true } })),
        ),
    );
    expect(queryByRole('alert')).to.equal(null);
    getByRole('button', { name: 'Spray it on Spray box' });
  });

  it('is not there where nothing is sprayed', () => {
    answering({ 'GET /sprayers': () => ({ body: [device()] }) });
    expect(at({ role: 'print' }).container.textContent).to.equal('');
  });
});
