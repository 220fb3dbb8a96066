export { FinishedRun } from './FinishedRun.tsx';
export { FloorView } from './FloorView.tsx';
export { useActiveRunsQuery, useReadyLinesQuery, useRunQuery, useStartRunMutation } from './floorApi.ts';
export { momentsOf } from './moments.ts';
export { useOutbox } from './outboxSlice.ts';
export { useLiveRuns } from './useRunState.ts';
