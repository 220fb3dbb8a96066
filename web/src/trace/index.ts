export { HeatTrace } from './HeatTrace.tsx';
export type { TraceLine } from './SimulatedLines.tsx';
export { Spark } from './Spark.tsx';
