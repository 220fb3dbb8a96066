export { useKeyNotes, useKeys } from './useKeys.ts';
