export { keepDraft, readDraft } from './keptDraft.ts';
export { Overtaken } from './Overtaken.tsx';
export { useVersionedDraft } from './useVersionedDraft.ts';
