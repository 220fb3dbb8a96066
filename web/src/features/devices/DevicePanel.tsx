import type { Device } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useDriveDeviceMutation } from './devicesApi.ts';

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
};

/** One simulated device: what it says, and knobs that act like the world around it. */
export function DevicePanel({ device }: { device: Device }) {
  const [drive, { error }] = useDriveDeviceMutation();
  const [target, setTarget] = useState(device.drive.target);
  const turn = (knobs: Parameters<typeof drive>[0]): void => void drive(knobs);
  const digits = device.id === 'scale' ? 1 : 0;
  return (
    <section className="panel" aria-label={device.name}>
      <header>
        <h2>{device.name}</h2>
        <span className="muted">{device.isSimulated ? 'simulated stand-in' : 'connected'}</span>
      </header>
      <div className="stack" style={{ padding: 16 }}>
        <p style={{ fontSize: 40, fontWeight: 640, lineHeight: 1 }}>
          {device.value === null ? '–' : device.value.toFixed(digits)} {device.unit}
        </p>
        <p>
          {device.fault ? (
            <span className="alarm">■ {device.fault}</span>
          ) : device.isStable ? (
            <span className="muted">● steady</span>
          ) : (
            <span className="muted">○ settling</span>
          )}
        </p>
        <div className="row" role="group" aria-label="Set it to">
          {PRESETS[device.id].map(([name, value]) => (
            <Button
              key={name}
              size="small"
              variant="outlined"
              onClick={() => {
                setTarget(value);
                turn({ id: device.id, target: value });
              }}
            >
              {name}
            </Button>
          ))}
        </div>
        <form
          className="row"
          onSubmit={(event) => {
            event.preventDefault();
            turn({ id: device.id, target });
          }}
        >
          <label>
            True value, {device.unit}{' '}
            <input
              type="number"
              step="0.1"
              value={target}
              onChange={(event) => setTarget(Number(event.target.value))}
              className="plain-input"
            />
          </label>
          <Button type="submit" size="small" variant="outlined">
            Put it there
          </Button>
          <label>
            Noise{' '}
            <input
              type="number"
              step="0.05"
              min="0"
              value={device.drive.noise}
              onChange={(event) => turn({ id: device.id, noise: Number(event.target.value) })}
              className="plain-input"
            />
          </label>
          <label>
            Drift per hour{' '}
            <input
              type="number"
              step="0.1"
              value={device.drive.driftPerHour}
              onChange={(event) => turn({ id: device.id, driftPerHour: Number(event.target.value) })}
              className="plain-input"
            />
          </label>
        </form>
        <label className="row">
          <input
            type="checkbox"
            checked={device.drive.hasFault}
            onChange={(event) => turn({ id: device.id, hasFault: event.target.checked })}
            style={{ width: 18, height: 18, accentColor: '#0B6B73' }}
          />
          Fault: it sends nothing
        </label>
        {error && (
          <p className="field-problem" role="alert">
            {problemMessage(error)}
          </p>
        )}
      </div>
    </section>
  );
}
