import { shapeOf } from './lineShape.ts';
import type { LineShape } from './lineShape.ts';
import type { RunLine, RunOperation, RunPlan } from './runPlan.ts';
import { servingKey } from './runState.ts';
import type { PartState, RunState, StepState } from './runState.ts';

/** The lines of a plan by their keys. */
export type Lines = ReadonlyMap<string, RunLine>;

const known = new WeakMap<RunPlan, Lines>();
export function linesOf(plan: RunPlan): Lines {
  let lines = known.get(plan);
  if (!lines) known.set(plan, (lines = new Map(plan.lines.map((line) => [line.key, line]))));
  return lines;
}

/** The operation of a step as its part's own line has it: on a shared sheet lines name theirs each. */
export function operationFor(
  part: PartState,
  step: Pick<StepState, 'line' | 'operation'>,
  lines: Lines,
): RunOperation | null {
  const shape = shapeFor(part, lines);
  const named = shape?.byId.get(step.operation);
  if (part.line === step.line || named?.lane === part.lane) return named?.lane === part.lane ? named : null;
  const host = lines.get(step.line);
  const role = host && shapeOf(host).byId.get(step.operation)?.role;
  return shape?.chains.get(part.lane)?.find((own) => own.role === role) ?? null;
}

export const shapeFor = ({ line }: Pick<PartState, 'line'>, lines: Lines): LineShape | null => {
  const own = lines.get(line);
  return own ? shapeOf(own) : null;
};

/** The part that is for a piece now in a lane. */
export type CurrentPart = (of: Pick<PartState, 'line' | 'piece'>, lane: string) => PartState | null;

const currentOf = (key: string, { parts, serving }: Pick<RunState, 'parts' | 'serving'>): PartState | null =>
  parts[serving[key] ?? key] ?? null;

/** It looked up by its name, where nobody has kept count. */
export const currentIn =
  ({ parts, serving }: Pick<RunState, 'parts' | 'serving'>): CurrentPart =>
  ({ line, piece }, lane) =>
    currentOf(servingKey(line, lane, piece), { parts, serving });

/** When a step may begin, and until when it should have. Times are ms since 1970 UTC. */
export interface Opening {
  dueAt: number;
  /** `null` when there is no hurry. */
  latestAt: number | null;
  /** The operation whose wait closes first; `null` without hurry. */
  closedBy: RunOperation | null;
}

/** What still keeps a step from beginning, in words; or when it may. */
export function openingOf(
  lines: Lines,
  { parts, serving }: Pick<RunState, 'parts' | 'serving'>,
  step: StepState,
  current: CurrentPart = currentIn({ parts, serving }),
): Opening | string {
  const opening: Opening = { dueAt: 0, latestAt: null, closedBy: null };
  for (const id of step.parts) {
    const part = parts[id];
    const operation = operationFor(part, step, lines);
    const shape = shapeFor(part, lines);
    if (!operation || !shape) return 'there is no such step';
    const place = shape.place.get(operation.id) ?? -1;
    if (part.done < place) return 'the step before it is not done';
    if (part.runningIn !== null && part.runningIn !== step.id) return 'it is at another station';
    follow(opening, part, shape.chains.get(part.lane)?.[place - 1]);
    for (const lane of operation.takes) {
      const joined = current(part, lane);
      const last = shape.chains.get(lane);
      if (!isReady(joined, shape, lane)) return 'what is joined here is not ready';
      follow(opening, joined, last?.[last.length - 1]);
    }
    for (const lane of operation.awaits)
      if (!isReady(current(part, lane), shape, lane)) return 'what it waits for is not ready';
  }
  return opening;
}

const isReady = (part: PartState | null, shape: LineShape, lane: string): part is PartState =>
  part !== null && !part.isLost && part.done === (shape.chains.get(lane)?.length ?? -1);

/** Takes the wait after what was done before into account. */
function follow(opening: Opening, { doneAt }: PartState, before: RunOperation | undefined): void {
  if (doneAt === null || before === undefined) return;
  const at = Date.parse(doneAt);
  const wait = before.waitAfter;
  opening.dueAt = Math.max(opening.dueAt, at + 1000 * (wait?.minS ?? 0));
  if (wait === null || wait.maxS === null) return;
  const latestAt = at + 1000 * wait.maxS;
  if (opening.latestAt === null || latestAt < opening.latestAt) {
    opening.latestAt = latestAt;
    opening.closedBy = before;
  }
}
