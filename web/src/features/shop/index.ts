export { ImportPanel } from './ImportPanel.tsx';
export { MethodsPanel } from './MethodsPanel.tsx';
export { RatesPanel } from './RatesPanel.tsx';
export { RecordEditor } from './RecordEditor.tsx';
export { RecordTable } from './RecordTable.tsx';
export { rowsOf, standInsOf } from './recordState.ts';
export { Followed } from './Followed.tsx';
export { usePutFirstMutation, useRetireRecordMutation } from './shopApi.ts';
export type { RecordList } from './shopApi.ts';
