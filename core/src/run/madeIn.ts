import type { ReadyItem } from '../care/index.ts';
import { workedS } from '../work/index.ts';
import type { Role } from '../work/index.ts';
import { shapeOf } from './lineShape.ts';
import { linesOf, operationFor, shapeFor } from './needs.ts';
import type { Lines } from './needs.ts';
import type { RunPlan } from './runPlan.ts';
import { readiedKey } from './runState.ts';
import type { PartState, RunState, StepState } from './runState.ts';

/** A step something went through, and what was done to it there. */
export interface MadeIn {
  role: Role;
  /** Its name: who was in it too is in the name. */
  step: string;
  /** It was begun so long after the window before it had closed, s; only where it was. */
  lateS?: number;
  /** Of a print: what was left out or not right of what is looked at before it; only where somebody noted it. */
  missed?: ReadyItem[];
}

/** Where what became of a piece was decided: its film, its spray, its heat. */
const TELLING: readonly Role[] = ['print', 'melt', 'spray', 'bond', 'cure'];

/**
 * The telling steps each part went through, and those that were begun too late, by part; of a piece those of what was
 * joined to it too, in the order they were done.
 */
export function madeIn(plan: RunPlan, state: RunState): (part: string) => MadeIn[] {
  const lines = linesOf(plan);
  const through = new Map<string, (MadeIn & { at: string })[]>();
  const doneAt = timesOf(state, lines);
  for (const step of state.steps) {
    const { id, line, operation, parts, status, completedAt } = step;
    const own = lines.get(line);
    const role = own && shapeOf(own).byId.get(operation)?.role;
    if (status !== 'done' || completedAt === null || role === undefined) continue;
    const noted = role === 'print' ? state.readied[readiedKey(step)] : undefined;
    for (const part of parts) {
      const lateS = lateBy(step, state.parts[part], { lines, doneAt });
      if (lateS === 0 && !TELLING.includes(role)) continue;
      const told = { ...(lateS > 0 && { lateS }), ...(noted && { missed: noted.missed }) };
      through.set(part, [...(through.get(part) ?? []), { role, step: id, ...told, at: completedAt }]);
    }
  }
  const joined = new Map<string, string[]>();
  for (const { id, joinedTo } of Object.values(state.parts))
    if (joinedTo !== null) joined.set(joinedTo, [...(joined.get(joinedTo) ?? []), id]);
  const all = (part: string): (MadeIn & { at: string })[] => [
    ...(through.get(part) ?? []),
    ...(joined.get(part) ?? []).flatMap(all),
  ];
  return (part) =>
    all(part)
      .sort((p, q) => p.at.localeCompare(q.at))
      .map(({ at: _at, ...made }) => made);
}

/** When each part was done with each operation, by the name its own line gives that. */
type Times = ReadonlyMap<string, ReadonlyMap<string, string>>;

function timesOf({ steps, parts }: RunState, lines: Lines): Times {
  const times = new Map<string, Map<string, string>>();
  for (const step of steps) {
    if (step.status !== 'done' || step.completedAt === null) continue;
    for (const id of step.parts) {
      const operation = operationFor(parts[id], step, lines);
      const own = times.get(id) ?? new Map<string, string>();
      if (operation) own.set(operation.id, step.completedAt);
      times.set(id, own);
    }
  }
  return times;
}

/**
 * How long after the window of what was done to a part before a step was begun, s; 0 where it was in time. What nobody
 * started by a press was begun as long before its end as it is planned to take.
 */
function lateBy(
  step: StepState,
  part: PartState,
  { lines, doneAt }: { lines: Lines; doneAt: Times },
): number {
  const operation = operationFor(part, step, lines);
  const shape = shapeFor(part, lines);
  if (!operation || !shape || step.completedAt === null) return 0;
  const before = shape.chains.get(part.lane)?.[(shape.place.get(operation.id) ?? 0) - 1];
  const last = before && doneAt.get(part.id)?.get(before.id);
  const maxS = before?.waitAfter?.maxS;
  if (last === undefined || maxS === undefined || maxS === null) return 0;
  const isStarted = step.startedAt !== null && step.startedAt !== step.completedAt;
  const begunMs = isStarted
    ? Date.parse(step.startedAt ?? '')
    : Date.parse(step.completedAt) - 1000 * workedS(operation, step.parts.length);
  return Math.max(0, Math.round((begunMs - Date.parse(last)) / 1000 - maxS));
}
