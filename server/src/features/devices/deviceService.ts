import { DomainError } from '@saltflat/contract';
import type { Device, DeviceDrive } from '@saltflat/contract';
import type { DeviceAdapter } from './deviceAdapter.ts';

export type DeviceService = ReturnType<typeof createDeviceService>;

/** Reads the devices and tells listeners once a second. */
export function createDeviceService(adapters: readonly DeviceAdapter[], now: () => number) {
  const listeners = new Set<(device: Device) => void>();
  const timer = setInterval(() => {
    for (const adapter of listeners.size > 0 ? adapters : []) tell(adapter);
  }, 1000);
  timer.unref();

  function tell(adapter: DeviceAdapter): void {
    const device = adapter.read(now());
    for (const listener of listeners) listener(device);
  }

  return {
    list: (): Device[] => adapters.map((adapter) => adapter.read(now())),
    drive: (id: string, knobs: DeviceDrive): Device => {
      const adapter = adapters.find((known) => known.id === id);
      if (!adapter) throw new DomainError('not-found', `There is no device “${id.slice(0, 40)}”.`);
      adapter.drive(knobs, now());
      tell(adapter);
      return adapter.read(now());
    },
    subscribe: (listener: (device: Device) => void): (() => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    stop: () => clearInterval(timer),
  };
}
