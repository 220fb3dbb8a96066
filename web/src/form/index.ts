export { compiled } from './compiled.ts';
export { numberIn, trimmed } from './check.ts';
export type { Filled } from './check.ts';
export { FilledText } from './FilledText.tsx';
export { keepDraft, readDraft } from './keptDraft.ts';
export { Overtaken } from './Overtaken.tsx';
export { useDraftForm } from './useDraftForm.ts';
export type { DraftForm } from './useDraftForm.ts';
export { useFilled } from './useFilled.ts';
