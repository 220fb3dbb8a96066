import { spanOf } from '@saltflat/core/plan';
import type { MachineState, PlanMachine, PlanPicture } from '@saltflat/core/plan';
import { ROOM_C } from '@saltflat/core/work';

/** A stretch of a machine’s temperature: it holds, or goes from one to another. */
export interface HeatStretch {
  from: number;
  to: number;
  beforeC: number;
  afterC: number;
}

/** A press counts as colder than the room until it is hot all over: drawn as warm as the room. */
const shownC = (state: MachineState): number =>
  typeof state === 'number' ? Math.max(ROOM_C, state) : ROOM_C;

/** How warm a machine is through its windows, as a plan changes it; from its last work on it may be off. */
export function heatGround(
  { id, windows }: PlanMachine,
  { changes, ops }: Pick<PlanPicture, 'changes' | 'ops'>,
): HeatStretch[] {
  const own = changes.filter(({ machine }) => machine === id).sort((p, q) => p.from - q.from);
  const uses = ops.filter(({ machine }) => machine === id);
  return windows.flatMap(([from, to, state]) => {
    const last = Math.max(from, ...uses.map((op) => spanOf(op).to).filter((end) => from < end && end <= to));
    const stretches: HeatStretch[] = [];
    let [at, tempC] = [from, shownC(state)];
    for (const change of own) {
      if (change.from < from || change.from >= to) continue;
      if (change.from > at) stretches.push({ from: at, to: change.from, beforeC: tempC, afterC: tempC });
      stretches.push({ from: change.from, to: change.to, beforeC: tempC, afterC: shownC(change.after) });
      [at, tempC] = [change.to, shownC(change.after)];
    }
    if (last > at) stretches.push({ from: at, to: last, beforeC: tempC, afterC: tempC });
    return stretches;
  });
}
