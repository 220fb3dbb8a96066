export { NozzleFits } from './nozzleFits.ts';
export { SprayWeighingStore } from './sprayWeighingStore.ts';
export { sprayerEndpoints } from './sprayerEndpoints.ts';
export { SprayerService } from './sprayerService.ts';
export { StandInSprayers } from './standInSprayers.ts';
