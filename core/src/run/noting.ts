import type { RunEvent, RunEventPayload } from './events.ts';
import { shapeOf } from './lineShape.ts';
import type { Lines } from './needs.ts';
import { readStepId } from './runPlan.ts';
import type { RunLine, RunOperation } from './runPlan.ts';
import { readiedKey } from './runState.ts';
import type { RunState, StepState } from './runState.ts';

/** There is no such step in the run. */
export const NO_STEP = 'there is no such step';

/** The timed phase that runs, and since when. */
export function notePhase(step: StepState, phase: number, at: string): void {
  step.phase = phase;
  step.phaseAt = at;
}

/** What the scale said stands with the step, and when. */
export function noteReading(
  step: StepState,
  { what, massG }: NonNullable<RunEventPayload['reading']>,
  at: string,
): void {
  if (what === 'before') {
    step.beforeG = massG;
    step.beforeAt = at;
  } else {
    step.afterG = massG;
    step.afterAt = at;
  }
}

/**
 * What was looked at holds for all of a line's prints of that kind: no step begins by it.
 *
 * @returns why it cannot be noted, or `null`
 */
export function noteReady(
  { step, payload: { ready }, at, by }: RunEvent,
  state: RunState,
  lines: Lines,
  most: number,
): string | null {
  const read = readStepId(step ?? '', most);
  const line = read && lines.get(read.parts[0].line);
  if (!read || !line || !shapeOf(line).byId.has(read.operation)) return NO_STEP;
  if (!ready) return 'it says nothing of what was looked at';
  state.readied[readiedKey({ line: line.key, operation: read.operation })] = { ...ready, at, by };
  return null;
}

/** A step that nobody has begun. */
export const idleStep = (id: string, line: RunLine, operation: RunOperation, parts: string[]): StepState => ({
  id,
  line: line.key,
  operation: operation.id,
  index: shapeOf(line).index.get(operation.id) ?? 0,
  parts,
  status: 'idle',
  startedAt: null,
  completedAt: null,
  phase: 0,
  phaseAt: null,
  beforeG: null,
  afterG: null,
  beforeAt: null,
  afterAt: null,
  isAgain: parts.some((part) => part.includes('~')),
});
