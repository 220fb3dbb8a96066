export { DevicePanel } from './DevicePanel.tsx';
export { useDevicesQuery } from './devicesApi.ts';
export { PrinterKnobs } from './PrinterKnobs.tsx';
