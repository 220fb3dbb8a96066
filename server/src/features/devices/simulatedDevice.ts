import { seededRandom } from '@saltflat/core/work';
import type { Device, DeviceDrive } from '@saltflat/contract';
import type { DeviceAdapter } from './deviceAdapter.ts';

interface SimulatedShape {
  id: Device['id'];
  name: string;
  quantity: Device['quantity'];
  unit: string;
  /** Smallest step it shows. */
  resolution: number;
  /** Time constant with which it follows the true value, s. */
  lagS: number;
  start: Device['drive'];
  faultText: string;
}

/** A bench scale: settles within a second or two, drifts a little, shows hundredths of a gram. */
export const SCALE: SimulatedShape = {
  id: 'scale',
  name: 'Pretreatment scale',
  quantity: 'mass',
  unit: 'g',
  resolution: 0.1,
  lagS: 0.25,
  start: { target: 0, noise: 0.05, driftPerHour: 0.4, hasFault: false },
  faultText: 'The scale sends nothing: check its cable and power.',
};

/** A room hygrometer: slow, noisy by half a per cent. */
export const HYGROMETER: SimulatedShape = {
  id: 'hygrometer',
  name: 'Room hygrometer',
  quantity: 'humidity',
  unit: '%',
  resolution: 1,
  lagS: 20,
  start: { target: 47, noise: 0.3, driftPerHour: 0.5, hasFault: false },
  faultText: 'The hygrometer sends nothing: replace its battery.',
};

/** The room’s own thermometer, beside the hygrometer: as slow. */
export const ROOM_THERMOMETER: SimulatedShape = {
  id: 'room-thermometer',
  name: 'Room thermometer',
  quantity: 'temperature',
  unit: '°C',
  resolution: 0.5,
  lagS: 20,
  start: { target: 21, noise: 0.1, driftPerHour: 0.1, hasFault: false },
  faultText: 'The room thermometer sends nothing: replace its battery.',
};

/** An infrared thermometer pointed at a pad: quick, tenths of a degree, noisier than its digits. */
export const THERMOMETER: SimulatedShape = {
  id: 'thermometer',
  name: 'Infrared thermometer',
  quantity: 'temperature',
  unit: '°C',
  resolution: 0.1,
  lagS: 0.15,
  start: { target: 24, noise: 0.3, driftPerHour: 0, hasFault: false },
  faultText: 'The thermometer sends nothing: switch it on, or replace its battery.',
};

/**
 * A stand-in that behaves like the thing: lag, drift, noise, and a fault in which it says nothing.
 *
 * @param seed of its noise, so that tests can repeat it
 */
export function simulateDevice(shape: SimulatedShape, seed: number, startMs: number): DeviceAdapter {
  let drive = { ...shape.start };
  let from = drive.target; // shown value when the target last changed
  let changedMs = startMs;
  const random = seededRandom(seed);
  const noise = (): number => (random() - 0.5) * 2;
  const settled = (nowMs: number): number =>
    drive.target + (from - drive.target) * Math.exp(-(nowMs - changedMs) / 1000 / shape.lagS);

  return {
    id: shape.id,
    read: (nowMs) => {
      const drift = drive.target === 0 ? 0 : (drive.driftPerHour * (nowMs - startMs)) / 3_600_000;
      const raw = settled(nowMs) + drift + noise() * drive.noise;
      const value = Math.max(0, Math.round(raw / shape.resolution) * shape.resolution);
      return {
        id: shape.id,
        name: shape.name,
        isSimulated: true,
        quantity: shape.quantity,
        unit: shape.unit,
        value: drive.hasFault ? null : Math.round(value * 100) / 100,
        // steady as the thing itself judges it: what it shows would not change any more but for noise
        isStable: !drive.hasFault && Math.abs(settled(nowMs) - drive.target) < shape.resolution,
        fault: drive.hasFault ? shape.faultText : null,
        at: new Date(nowMs).toISOString(),
        drive: { ...drive },
      };
    },
    drive: (knobs: DeviceDrive, nowMs) => {
      if (knobs.target !== undefined && knobs.target !== drive.target) {
        from = settled(nowMs);
        changedMs = nowMs;
      }
      drive = { ...drive, ...knobs };
    },
  };
}
