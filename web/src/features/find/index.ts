export { FindBox } from './FindBox.tsx';
