import type { Run } from '@saltflat/contract';
import { runPlanOf } from '@saltflat/contract/runPlan';
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

const plans = new WeakMap<Run['lines'][number]['route'], RunPlan>();

/** The plan of a run, the same as long as its route is. */
function planOf(run: Run): RunPlan {
  const first = run.lines[0]?.route;
  const known = first && plans.get(first);
  if (known) return known;
  const plan = runPlanOf(run);
  if (first) plans.set(first, plan);
  return plan;
}

interface Derived {
  sent: readonly unknown[];
  own: readonly OutboxEntry[];
  live: LiveRun;
}
const derived = new WeakMap<Run, Derived>();

/** Worked out again only for a run that something happened to: a tap on one of many is not a replay of all. */
function deriveLive(run: Run, waiting: readonly OutboxEntry[]): LiveRun {
  const own = waiting.filter(({ runId }) => runId === run.id);
  const known = derived.get(run);
  if (known?.sent === run.events && isSame(known.own, own)) return known.live;
  const plan = planOf(run);
  const state = deriveRun(plan, [...run.events, ...own.map(({ event }) => event)]);
  const live = { run, plan, state };
  derived.set(run, { sent: run.events, own, live });
  return live;
}

const isSame = (p: readonly OutboxEntry[], q: readonly OutboxEntry[]): boolean =>
  p.length === q.length && p.every((entry, i) => entry === q[i]);
