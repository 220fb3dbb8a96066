import type { Operation, Route } from './documents.ts';
import { loadsOf } from './loads.ts';

/** An operation of a batch as a day plan takes it: phases in whole minutes and people in hundredths. */
export interface PlannedWork {
  operation: string;
  machineKind: Operation['machineKind'];
  /** Temperature its machine must have, °C; `null` where it has none to hold. */
  stateC: number | null;
  phases: { d: number; ops: number; brk: boolean; wait: number }[];
}

/** A wait between two operations, end to start, min. */
export interface PlannedLag {
  from: string;
  to: string;
  min: number;
  max: number | null;
}

const FOREVER_MIN = 24 * 60; // "as long as need be" for a piece waiting on its machine

/**
 * A batch of a route as a scheduling core reads it: an operation a row, its phases in minutes rounded up, the waits
 * between them rounded to the safe side (shortest up, longest down).
 *
 * @param pieces in this batch, ≥ 1
 */
export function planWork(
  { operations }: Pick<Route, 'operations'>,
  pieces: number,
): { work: PlannedWork[]; lags: PlannedLag[] } {
  return {
    work: operations.map((operation) => ({
      operation: operation.id,
      machineKind: operation.machineKind,
      stateC: operation.settings.find(({ key }) => key === 'tempC')?.value ?? null,
      phases: phasesOf(operation, pieces),
    })),
    lags: operations.slice(1).map(({ id }, i) => {
      const { id: from, waitAfter } = operations[i];
      return {
        from,
        to: id,
        min: Math.ceil((waitAfter?.minS ?? 0) / 60),
        max:
          waitAfter?.maxS == null
            ? null
            : Math.max(Math.ceil(waitAfter.minS / 60), Math.floor(waitAfter.maxS / 60)),
      };
    }),
  };
}

/** One piece or load after the other is a stream, whose people count by their share of the cycle; a batch has exact phases. */
function phasesOf(operation: Operation, pieces: number): PlannedWork['phases'] {
  const { per, perLoad, work, handsS, machineS } = operation;
  const isStream = per === 'piece' || loadsOf(pieces, perLoad) > 1;
  if (isStream) {
    const cycleS = handsS + machineS;
    const share = cycleS === 0 ? 100 : Math.min(100, Math.ceil((100 * handsS) / cycleS / 5) * 5);
    const totalS = per === 'piece' ? pieces * cycleS : cycleS;
    return [{ d: Math.max(1, Math.ceil(totalS / 60)), ops: share, brk: true, wait: 0 }];
  }
  return work
    .filter(({ durationS }) => durationS > 0)
    .map(({ durationS, people, canPause, maxWaitS }, i, all) => ({
      d: Math.max(1, Math.ceil(durationS / 60)),
      ops: Math.round(100 * people),
      brk: canPause,
      wait: i === all.length - 1 ? 0 : maxWaitS === null ? FOREVER_MIN : Math.ceil(maxWaitS / 60),
    }));
}
