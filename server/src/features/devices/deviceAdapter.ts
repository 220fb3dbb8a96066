import type { Device, DeviceDrive } from '@saltflat/contract';

/** What the shop's software sees of a device, real or simulated. */
export interface DeviceAdapter {
  readonly id: Device['id'];
  /** What it says at this moment. */
  read: (nowMs: number) => Device;
  /** Turns a simulated device's knobs. A real device refuses. */
  drive: (knobs: DeviceDrive, nowMs: number) => void;
}
