import type { Decoder, WhyOut } from './decoder.ts';
import type { PlannedOp } from './instance.ts';
import type { Problem } from './problem.ts';
import type { Places } from './timetable.ts';

/** What plans are compared by, in this order: the smaller the better. */
export interface PlanScore {
  /** Sum over orders of weight × minutes too late. */
  lateness: number;
  /** When the last operation ends, min. */
  finish: number;
  /** Minutes of all changes of machines, warm-ups included, and what each costs besides. */
  setup: number;
  /** Minutes by which what was planned before starts elsewhere, each counted up to an hour. */
  moved: number;
}

export interface Plan {
  /** In the order of the instance's operations. */
  ops: readonly PlannedOp[];
  score: PlanScore;
  /** Operations for which there is no place, and why. */
  leftOut: readonly { id: string; why: WhyOut }[];
}

/** The plan that was made last. */
export function readPlan(problem: Problem, decoder: Decoder): Plan {
  const { places, setupNow } = decoder.timetable;
  const ops: PlannedOp[] = [];
  const leftOut: { id: string; why: WhyOut }[] = [];
  for (const [op, { id }] of problem.instance.ops.entries()) {
    const why = decoder.whyOut(op);
    if (why === null) ops.push(plannedOp(problem, places, setupNow, op));
    else leftOut.push({ id, why });
  }
  return { ops, score: decoder.score, leftOut };
}

/** An operation as it lies in a timetable. */
export function plannedOp(
  { instance, slotFrom, modeFrom, phaseFrom }: Problem,
  { mode: modes, phaseStart }: Places,
  setupNow: Int32Array,
  op: number,
): PlannedOp {
  const mode = modes[op];
  const phases = phaseFrom[mode + 1] - phaseFrom[mode];
  return {
    id: instance.ops[op].id,
    mode: mode - modeFrom[op],
    start: [...phaseStart.subarray(slotFrom[op], slotFrom[op] + phases)],
    setup: setupNow[op] < 0 ? null : setupNow[op],
  };
}
