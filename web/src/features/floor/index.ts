export { FinishedRun } from './FinishedRun.tsx';
export { FloorView } from './FloorView.tsx';
export { useActiveRunsQuery, useRunQuery, useStartRunMutation } from './floorApi.ts';
export { codesIn, momentsOf, operationOf } from './moments.ts';
export { useOutbox } from './outboxSlice.ts';
export { useLiveRuns } from './useRunState.ts';
