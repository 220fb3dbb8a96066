import { previousStep } from './deriveRun.ts';
import type { RunState, StepState } from './deriveRun.ts';
import { countdownS } from './runPlan.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';

/** Something a person can do now or soon. Times are milliseconds since 1970, UTC. */
export interface FloorAction {
  step: StepState;
  operation: RunOperation;
  kind: 'start' | 'complete';
  /** From when it should be done. */
  dueAt: number;
  /** Until when it must have been started; `null` when there is no hurry. */
  latestAt: number | null;
}

/**
 * What the run wants done, most urgent first: finished machines before waiting pieces, closing windows before open ones,
 * pieces under way before new ones. A station holds one step at a time.
 *
 * @param nowMs the time to judge by, ms since 1970 UTC
 */
export function nextActions(plan: RunPlan, state: RunState, nowMs: number): FloorAction[] {
  const steps = new Map(state.steps.map((step) => [step.id, step]));
  const busy = new Set(
    state.steps
      .filter(({ status }) => status === 'running')
      .map(({ index }) => plan.operations[index].station),
  );
  const actions: FloorAction[] = [];
  for (const step of state.steps) {
    const operation = plan.operations[step.index];
    if (step.status === 'running') actions.push(completion(step, operation));
    if (step.status !== 'idle' || busy.has(operation.station)) continue;
    const start = beginning(plan, steps, step, operation);
    if (start !== null) actions.push(start);
  }
  return actions.sort((p, q) => compareUrgency(p, q, nowMs));
}

function completion(step: StepState, operation: RunOperation): FloorAction {
  return {
    step,
    operation,
    kind: 'complete',
    dueAt: Date.parse(step.startedAt ?? '') + 1000 * countdownS(operation, step),
    latestAt: null,
  };
}

function beginning(
  plan: RunPlan,
  steps: Map<string, StepState>,
  step: StepState,
  operation: RunOperation,
): FloorAction | null {
  const before = previousStep(plan, steps, step);
  if (before === null) return { step, operation, kind: 'start', dueAt: 0, latestAt: null };
  if (before.status !== 'done') return null;
  const doneAt = Date.parse(before.completedAt ?? '');
  if (before.index === step.index) return { step, operation, kind: 'start', dueAt: doneAt, latestAt: null }; // its next load
  const wait = plan.operations[before.index].waitAfter;
  const latestAt = wait && wait.maxS !== null ? doneAt + 1000 * wait.maxS : null;
  return { step, operation, kind: 'start', dueAt: doneAt + 1000 * (wait?.minS ?? 0), latestAt };
}

function compareUrgency(p: FloorAction, q: FloorAction, nowMs: number): number {
  const isDueP = p.dueAt <= nowMs;
  const isDueQ = q.dueAt <= nowMs;
  if (isDueP !== isDueQ) return isDueP ? -1 : 1;
  if (!isDueP && p.dueAt !== q.dueAt) return p.dueAt - q.dueAt;
  if (p.kind !== q.kind) return p.kind === 'complete' ? -1 : 1;
  const closingP = closesAt(p, nowMs);
  const closingQ = closesAt(q, nowMs);
  if (closingP !== closingQ) return closingP - closingQ;
  return q.step.index - p.step.index || p.step.piece - q.step.piece || p.step.load - q.step.load;
}

/** A window closing within two minutes comes before everything else that could be started. */
const CLOSING_SOON_MS = 120_000;
const NOT_CLOSING = Number.MAX_SAFE_INTEGER;

const closesAt = ({ latestAt }: FloorAction, nowMs: number): number =>
  latestAt !== null && latestAt - nowMs <= CLOSING_SOON_MS ? latestAt : NOT_CLOSING;
