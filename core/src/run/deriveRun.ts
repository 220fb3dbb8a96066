import { compileSteps } from './compileSteps.ts';
import { orderEvents } from './events.ts';
import type { RunEvent } from './events.ts';
import { Replay } from './replay.ts';
import type { RunPlan } from './runPlan.ts';
import type { RunState } from './runState.ts';

/**
 * Replays a run's events to its state. The one reducer, used by server, browser and offline alike:
 * the same set of events gives the same state in whatever order they arrived. O(events · log events + steps).
 *
 * @param events any order, repeats allowed; never written
 */
export const deriveRun = (plan: RunPlan, events: readonly RunEvent[]): RunState =>
  replayRun(plan, events).state;

/** The same, ready for what comes after. */
export function replayRun(plan: RunPlan, events: readonly RunEvent[]): Replay {
  const ordered = orderEvents(events);
  const undone = new Set(
    ordered.filter(({ kind }) => kind === 'undone').map(({ payload }) => payload.eventId),
  );
  const replay = new Replay(plan, compileSteps(plan));
  for (const event of ordered) {
    if (event.kind !== 'undone' && !undone.has(event.id)) replay.apply(event);
  }
  return replay;
}
