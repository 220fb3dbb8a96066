import { nextActions } from '@saltflat/core/run';
import type { FloorAction, StepState } from '@saltflat/core/run';
import type { LiveRun } from './useRunState.ts';

/** A thing some run wants done, with whose it is. */
export interface Moment {
  live: LiveRun;
  action: FloorAction;
  title: string;
}

/** The most urgent thing of each run, and what its machines will want, soonest first. */
export function momentsOf(runs: readonly LiveRun[], nowMs: number): Moment[] {
  return runs
    .filter(({ state }) => state.finishedAt === null)
    .flatMap((live) => {
      const actions = nextActions(live.plan, live.state, nowMs);
      const wanted = actions.filter(
        (action, i) =>
          i === 0 || action.kind === 'complete' || (action.dueAt > nowMs && action.kind === 'start'),
      );
      return wanted.map((action) => ({ live, action, title: titleOf(live, action) }));
    })
    .sort(
      (p, q) =>
        Math.max(p.action.dueAt, nowMs) - Math.max(q.action.dueAt, nowMs) || p.action.dueAt - q.action.dueAt,
    );
}

/** Which part of the line a step is about: "piece 7", "load 2 of 3", or all of it. */
export function partOf({ piece, load, loads }: StepState): string {
  if (piece > 0) return `piece ${piece}`;
  return loads > 1 ? `load ${load} of ${loads}` : 'all';
}

/** "Press the transfer", as its route calls it. */
export function titleOf({ run }: LiveRun, { step }: FloorAction): string {
  return run.route.operations[step.index]?.title ?? step.operation;
}
