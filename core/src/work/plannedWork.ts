import { needsOf, partsIn } from './lanes.ts';
import type { Laned } from './lanes.ts';
import type { MachineKind } from './references.ts';
import type { Operation } from './operation.ts';
import { aloneS, handsS, phaseS, plannedMode, unitsOf } from './times.ts';

/** An operation of a batch as a day plan takes it: phases in whole minutes and people in hundredths. */
export interface PlannedWork {
  operation: string;
  machineKind: MachineKind | null;
  /** Temperature its machine must have, °C; `null` where it has none to hold. */
  stateC: number | null;
  phases: { d: number; ops: number; brk: boolean; wait: number }[];
}

/** One piece after the other, some of it by hand: the people it takes are a share of the time. */
export function streamPhase(handsS: number, totalS: number): PlannedWork['phases'][number] {
  const share = totalS === 0 ? 100 : Math.min(100, Math.ceil((100 * handsS) / totalS / 5) * 5);
  return { d: Math.max(1, Math.ceil(totalS / 60)), ops: share, brk: true, wait: 0 };
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
  { lanes, operations }: Laned,
  pieces: number,
): { work: PlannedWork[]; lags: PlannedLag[] } {
  return {
    work: operations.map((operation) => ({
      operation: operation.id,
      machineKind: plannedMode(operation).machineKind,
      stateC: plannedMode(operation).stateC,
      phases: plannedPhases(operation, partsIn(lanes, operation.lane, pieces)),
    })),
    lags: operations.flatMap((operation) =>
      needsOf(operations, operation).map(({ from, wait }) => {
        const min = Math.ceil((wait?.minS ?? 0) / 60);
        const max = wait?.maxS == null ? null : Math.max(min, Math.floor(wait.maxS / 60));
        return { from, to: operation.id, min, max };
      }),
    ),
  };
}

/**
 * An operation in whole minutes for so many parts, the way that is planned. One unit after the other is a stream, whose
 * people count by their share of the cycle, to the next five in a hundred; a single one has exact phases.
 *
 * @param parts ≥ 1
 */
export function plannedPhases(
  operation: Pick<Operation, 'unit' | 'size' | 'modes'>,
  parts: number,
): PlannedWork['phases'] {
  const isStream = operation.unit === 'piece' || unitsOf(operation, parts).length > 1;
  if (isStream) {
    const [hands, alone] = [handsS(operation, parts), aloneS(operation, parts)];
    return [streamPhase(hands, hands + alone)];
  }
  return plannedMode(operation)
    .phases.map((phase) => ({ phase, s: phaseS(phase, parts) }))
    .filter(({ s }) => s > 0)
    .map(({ phase: { people, canPause, maxWaitS }, s }, i, all) => ({
      d: Math.max(1, Math.ceil(s / 60)),
      ops: Math.round(100 * people),
      brk: canPause,
      wait: i === all.length - 1 ? 0 : maxWaitS === null ? FOREVER_MIN : Math.ceil(maxWaitS / 60),
    }));
}
