export { overruleOf } from './artStanding.ts';
export { LineStates, refuseOnFloor } from './lineStates.ts';
export { LineStore } from './lineStore.ts';
export { OrderState } from './orderState.ts';
export { PlanSweep } from './planSweep.ts';
