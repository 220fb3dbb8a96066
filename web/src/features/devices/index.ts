export { DevicePanel } from './DevicePanel.tsx';
export { useDevicesQuery } from './devicesApi.ts';
export { SprayerKnobs } from './SprayerKnobs.tsx';
export { PrinterKnobs } from './PrinterKnobs.tsx';
