import { useSelector } from 'react-redux';
import type { Device } from '@saltflat/contract';
import { problemMessage } from '../api/problemMessage.ts';
import { DevicePanel, useDevicesQuery } from '../features/devices/index.ts';
import { Loading, Notice } from '../ui/Notice.tsx';

/** The devices the shop reads, and knobs for the simulated ones. */
export function DevicesPage() {
  const { data, error, refetch } = useDevicesQuery();
  const live = useSelector(
    (state: { live: { devices: Partial<Record<Device['id'], Device>> } }) => state.live.devices,
  );
  return (
    <>
      <div className="page-head">
        <h1>Devices</h1>
        <span className="muted">
          Stand-ins that lag, drift, are noisy and can fail. The floor reads them like real ones.
        </span>
      </div>
      {error && (
        <Notice title="The devices cannot be read" onRetry={() => void refetch()}>
          {problemMessage(error)}
        </Notice>
      )}
      {!data && !error && <Loading what="the devices" />}
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(380px, 1fr))', gap: 16 }}>
        {data?.map((device) => (
          <DevicePanel key={device.id} device={live[device.id] ?? device} />
        ))}
      </div>
    </>
  );
}
