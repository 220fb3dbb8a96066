export { KeySheet } from './KeySheet.tsx';
export { useKeyNotes, useKeys } from './useKeys.ts';
