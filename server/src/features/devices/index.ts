export { deviceEndpoints } from './deviceEndpoints.ts';
export { createDeviceService } from './deviceService.ts';
export { HYGROMETER, ROOM_THERMOMETER, SCALE, THERMOMETER, simulateDevice } from './simulatedDevice.ts';
