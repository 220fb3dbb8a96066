export { HeatTrace } from './HeatTrace.tsx';
export { Spark } from './Spark.tsx';
