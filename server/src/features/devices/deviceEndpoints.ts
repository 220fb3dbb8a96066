import { Device, DeviceDrive } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { DeviceService } from './deviceService.ts';

export const deviceEndpoints = (devices: DeviceService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/devices', summary: 'What each device says now', answer: Type.Array(Device) },
    () => Promise.resolve(devices.list()),
  ),
  endpoint(
    {
      method: 'post',
      path: '/devices/:id/drive',
      summary: 'Turn a simulated device’s knobs',
      body: DeviceDrive,
      answer: Device,
      textParams: true,
    },
    ({ params, body }) => Promise.resolve(devices.drive(params.id ?? '', body)),
  ),
];
