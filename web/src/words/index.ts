export { rich } from './rich.tsx';
export { LANGUAGE, t } from './t.ts';
