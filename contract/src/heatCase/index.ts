export { readHeatCase } from './readHeatCase.ts';
