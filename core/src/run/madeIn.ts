import type { Role } from '../work/index.ts';
import { shapeOf } from './lineShape.ts';
import { linesOf } from './needs.ts';
import type { RunPlan } from './runPlan.ts';
import type { RunState } from './runState.ts';

/** A step something went through, and what was done to it there. */
export interface MadeIn {
  role: Role;
  /** Its name: who was in it too is in the name. */
  step: string;
}

/** Where what became of a piece was decided: its film, its spray, its heat. */
const TELLING: readonly Role[] = ['print', 'melt', 'spray', 'bond', 'cure'];

/**
 * The telling steps each part went through, by part; of a piece those of what was joined to it too, in the order they
 * were done.
 */
export function madeIn(plan: RunPlan, state: RunState): (part: string) => MadeIn[] {
  const lines = linesOf(plan);
  const through = new Map<string, (MadeIn & { at: string })[]>();
  for (const { id, line, operation, parts, status, completedAt } of state.steps) {
    const own = lines.get(line);
    const role = own && shapeOf(own).byId.get(operation)?.role;
    if (status !== 'done' || completedAt === null || role === undefined || !TELLING.includes(role)) continue;
    for (const part of parts)
      through.set(part, [...(through.get(part) ?? []), { role, step: id, at: completedAt }]);
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
      .map(({ role, step }) => ({ role, step }));
}
