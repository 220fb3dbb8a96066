export { FindBox } from './FindBox.tsx';
export { useFoundQuery } from './findApi.ts';
