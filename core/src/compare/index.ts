export { compareProcesses } from './compareProcesses.ts';
export type { Comparison, ComparisonInput, ProcessOption } from './compareProcesses.ts';
