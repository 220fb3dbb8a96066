import { t } from '../../words/index.ts';
import type { Device } from '@saltflat/contract';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useDriveDeviceMutation } from './devicesApi.ts';
import {
  Button,
  CheckField,
  Form,
  Mark,
  Note,
  NumberField,
  Panel,
  Refusal,
  Row,
  Stack,
} from '../../ui/index.ts';

const PRESETS: Record<Device['id'], [string, number][]> = {
  scale: [
    ['Empty', 0],
    ['Dry tee', 184.2],
    ['Sprayed tee', 197.6],
    ['Dry hoodie', 522.4],
    ['Sprayed hoodie', 551.2],
  ],
  hygrometer: [
    ['Dry room', 34],
    ['Good room', 50],
    ['Humid room', 68],
  ],
  'room-thermometer': [
    ['Cool room', 17],
    ['Room', 21],
    ['Hot summer', 31],
  ],
  thermometer: [
    ['Room', 24],
    ['Pad of a plate at 158 °C', 136],
    ['Pad of a cold corner', 127],
  ],
};

/** One simulated device: what it says, and knobs that act like the world around it. */
export function DevicePanel({ device }: { device: Device }) {
  const [drive, { error }] = useDriveDeviceMutation();
  const [target, setTarget] = useState<number | null>(device.drive.target);
  const turn = (knobs: Parameters<typeof drive>[0]): void => void drive(knobs);
  const digits = device.id === 'hygrometer' ? 0 : 1;
  return (
    <Panel title={device.name} says={device.isSimulated ? t('simulated stand-in') : t('connected')} pad={16}>
      <Stack>
        <p style={{ fontSize: 40, fontWeight: 640, lineHeight: 1 }}>
          {device.value === null ? '–' : device.value.toFixed(digits)} {device.unit}
        </p>
        {device.fault ? (
          <Note tone="alarm">■ {device.fault}</Note>
        ) : (
          <Mark mark={device.isStable ? '●' : '○'} tone="calm">
            {device.isStable ? t('steady') : t('settling')}
          </Mark>
        )}
        <Row role="group" aria-label={t('Set it to')}>
          {PRESETS[device.id].map(([name, value]) => (
            <Button
              key={name}
              size="small"
              onClick={() => {
                setTarget(value);
                turn({ id: device.id, target: value });
              }}
            >
              {name}
            </Button>
          ))}
        </Row>
        <Form isRow onSubmit={() => target !== null && turn({ id: device.id, target })}>
          <NumberField
            label={t('True value')}
            unit={device.unit}
            width={140}
            value={target}
            problem={target === null ? t('A number.') : undefined}
            onChange={setTarget}
          />
          <Button type="submit">{t('Put it there')}</Button>
          <NumberField
            label={t('Noise')}
            unit={device.unit}
            width={120}
            value={device.drive.noise}
            onChange={(noise) => noise !== null && turn({ id: device.id, noise })}
          />
          <NumberField
            label={t('Drift per hour')}
            unit={device.unit}
            width={140}
            value={device.drive.driftPerHour}
            onChange={(driftPerHour) => driftPerHour !== null && turn({ id: device.id, driftPerHour })}
          />
        </Form>
        <CheckField
          label={t('Fault: it sends nothing')}
          isChecked={device.drive.hasFault}
          onChange={(hasFault) => turn({ id: device.id, hasFault })}
        />
        <Refusal words={error ? problemMessage(error) : ''} />
      </Stack>
    </Panel>
  );
}
