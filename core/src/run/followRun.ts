import { replayRun } from './deriveRun.ts';
import type { RunEvent } from './events.ts';
import type { Replay } from './replay.ts';
import type { RunPlan } from './runPlan.ts';
import type { RunState } from './runState.ts';

/**
 * A run's state kept up with its events, always as `deriveRun` gives it for all of them: an event that comes last in their
 * order is applied to what stands, O(1); one that comes earlier, or takes another back, replays them all.
 */
export class FollowedRun {
  private readonly plan: RunPlan;
  private readonly events: RunEvent[] = [];
  private readonly ids = new Set<string>();
  private readonly undone = new Set<string | undefined>();
  /** Each client's own count so far. */
  private readonly counts = new Map<string, number>();
  private latestMs = -Infinity;
  private replay: Replay;

  constructor(plan: RunPlan, events: readonly RunEvent[]) {
    this.plan = plan;
    for (const event of events) this.remember(event);
    this.replay = replayRun(plan, this.events);
  }

  /** Where the run stands. The same object changes with what is added. */
  get state(): RunState {
    return this.replay.state;
  }

  /** Takes up events in any order; those that are known already change nothing. */
  add(events: readonly RunEvent[]): void {
    let isInOrder = true;
    for (const event of events) {
      if (this.ids.has(event.id)) continue;
      isInOrder &&= this.comesLast(event);
      this.remember(event);
      if (isInOrder) this.replay.apply(event);
    }
    if (!isInOrder) this.replay = replayRun(this.plan, this.events);
  }

  /** Whether replaying all events would come to this one last, and would not leave it out. */
  private comesLast({ id, kind, clientId, clientSeq, at }: RunEvent): boolean {
    if (kind === 'undone' || this.undone.has(id)) return false;
    return Date.parse(at) > this.latestMs && clientSeq > (this.counts.get(clientId) ?? -Infinity);
  }

  private remember(event: RunEvent): void {
    const { id, kind, clientId, clientSeq, at, payload } = event;
    this.events.push(event);
    this.ids.add(id);
    if (kind === 'undone') this.undone.add(payload.eventId);
    this.counts.set(clientId, Math.max(clientSeq, this.counts.get(clientId) ?? -Infinity));
    this.latestMs = Math.max(this.latestMs, Date.parse(at));
  }
}
