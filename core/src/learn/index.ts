export { fitInkLaydown, fitPowderLoading } from './laydownFit.ts';
export type { Weighing } from './laydownFit.ts';
export type { Belief } from './linearFit.ts';
export { expectedLoss, sparesFor } from './sparesFor.ts';
export type { Spoilage } from './sparesFor.ts';
