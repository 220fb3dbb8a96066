export { DEMO_ART } from './art.ts';
export type { DemoArt } from './art.ts';
export { demoLine } from './line.ts';
export { DEMO_ORDERS } from './orders.ts';
export type { DemoLine, DemoOrder } from './orders.ts';
export { inventRun } from './runHistory.ts';
export { DEMO_PRESSURE_TESTS, DEMO_SURVEYS } from './pressChecks.ts';
export { DEMO_SPRAY_WEIGHINGS } from './sprayWeighings.ts';
export { DEMO_BLANKS, DEMO_LOTS, DEMO_MACHINES, DEMO_MATERIALS, DEMO_PACKETS } from './shop.ts';
