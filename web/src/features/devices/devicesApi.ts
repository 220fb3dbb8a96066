import type { Device, DeviceDrive } from '@saltflat/contract';
import { baseApi } from '../../api/baseApi.ts';

const devicesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    devices: build.query<Device[], void>({ query: () => '/devices' }),
    driveDevice: build.mutation<Device, { id: string } & DeviceDrive>({
      query: ({ id, ...body }) => ({ url: `/devices/${id}/drive`, method: 'POST', body }),
    }),
  }),
});

export const { useDevicesQuery, useDriveDeviceMutation } = devicesApi;
