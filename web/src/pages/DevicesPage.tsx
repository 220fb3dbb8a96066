import { t } from '../words/index.ts';
import { useSelector } from 'react-redux';
import type { Device } from '@saltflat/contract';
import { problemMessage } from '../api/problemMessage.ts';
import { usePrintersQuery } from '../api/printersApi.ts';
import { useSprayersQuery } from '../api/sprayersApi.ts';
import { DevicePanel, PrinterKnobs, SprayerKnobs, useDevicesQuery } from '../features/devices/index.ts';
import { Columns, Failed, Loading, PageHead } from '../ui/index.ts';

/** The devices the shop reads, and knobs for the simulated ones. */
export function DevicesPage() {
  const { data, error, refetch } = useDevicesQuery();
  const { data: printers } = usePrintersQuery();
  const { data: sprayers } = useSprayersQuery();
  const live = useSelector(
    (state: { live: { devices: Partial<Record<Device['id'], Device>> } }) => state.live.devices,
  );
  return (
    <>
      <PageHead
        title={t('Devices')}
        says={t('Stand-ins that lag, drift, are noisy and can fail. The floor reads them like real ones.')}
      />
      {error && (
        <Failed title={t('The devices cannot be read')} onRetry={() => void refetch()}>
          {problemMessage(error)}
        </Failed>
      )}
      {!data && !error && <Loading what={t('the devices')} />}
      <Columns least={380} gap={16}>
        {data?.map((device) => (
          <DevicePanel key={device.id} device={live[device.id] ?? device} />
        ))}
        {printers?.map((printer) => (
          <PrinterKnobs key={printer.machineId} asked={printer} />
        ))}
        {sprayers?.map((sprayer) => (
          <SprayerKnobs key={sprayer.machineId} asked={sprayer} />
        ))}
      </Columns>
    </>
  );
}
