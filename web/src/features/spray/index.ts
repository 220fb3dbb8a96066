export { HandView } from './hand/HandView.tsx';
export { FitView } from './fit/FitView.tsx';
export { NozzleView } from './nozzles/NozzleView.tsx';
export { WeighingForm } from './fit/WeighingForm.tsx';
export { fluidsOf, sprayersOf } from './sprayers.ts';
export type { ShownSprayer } from './sprayers.ts';
