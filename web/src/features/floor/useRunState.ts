import type { Run } from '@saltflat/contract';
import { deriveRun } from '@saltflat/core/run';
import type { RunPlan, RunState } from '@saltflat/core/run';
import { useMemo } from 'react';
import { useOutbox } from './outboxSlice.ts';
import type { OutboxEntry } from './outboxSlice.ts';

export interface LiveRun {
  run: Run;
  plan: RunPlan;
  state: RunState;
}

/** Where runs stand, what this device has done but not yet sent included. */
export function useLiveRuns(runs: readonly Run[]): LiveRun[] {
  const { waiting } = useOutbox();
  return useMemo(() => runs.map((run) => deriveLive(run, waiting)), [runs, waiting]);
}

function deriveLive(run: Run, waiting: readonly OutboxEntry[]): LiveRun {
  const plan: RunPlan = { operations: run.route.operations, pieces: run.pieces };
  const own = waiting.filter(({ runId }) => runId === run.id).map(({ event }) => event);
  return { run, plan, state: deriveRun(plan, [...run.events, ...own]) };
}
