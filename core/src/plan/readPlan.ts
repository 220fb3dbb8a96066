import type { Decoder, WhyOut } from './decoder.ts';
import type { PlannedOp } from './instance.ts';
import type { Problem } from './problem.ts';

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
export function readPlan({ instance, slotFrom, modeFrom, phaseFrom }: Problem, decoder: Decoder): Plan {
  const { places, setupNow } = decoder.timetable;
  const ops: PlannedOp[] = [];
  const leftOut: { id: string; why: WhyOut }[] = [];
  for (const [i, { id }] of instance.ops.entries()) {
    const why = decoder.whyOut(i);
    if (why !== null) {
      leftOut.push({ id, why });
      continue;
    }
    const mode = places.mode[i];
    const phases = phaseFrom[mode + 1] - phaseFrom[mode];
    ops.push({
      id,
      mode: mode - modeFrom[i],
      start: [...places.phaseStart.subarray(slotFrom[i], slotFrom[i] + phases)],
      setup: setupNow[i] < 0 ? null : setupNow[i],
    });
  }
  return { ops, score: decoder.score, leftOut };
}
