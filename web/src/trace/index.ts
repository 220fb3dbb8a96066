export { HeatTrace } from './HeatTrace.tsx';
export { Spark } from './Spark.tsx';
export { heatColour } from './heatColour.ts';
export type { TracePiece } from './layoutTrace.ts';
