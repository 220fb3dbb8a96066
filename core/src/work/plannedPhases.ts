import type { Operation } from './operation.ts';
import { aloneS, handsS, phaseS, plannedMode, unitsOf } from './times.ts';

/** A stretch of work as a day plan takes it: whole minutes, people in hundredths. */
export interface PlannedPhase {
  d: number;
  ops: number;
  /** Pauses while nobody is there. */
  brk: boolean;
  /** Longest wait after it, min. */
  wait: number;
}

const FOREVER_MIN = 24 * 60; // "as long as need be" for a piece waiting on its machine

/**
 * An operation in whole minutes for so many parts, the way that is planned. One unit after the other is a stream, whose
 * people count by their share of the cycle, to the next five in a hundred; a single one has exact phases.
 *
 * @param parts ≥ 1
 */
export function plannedPhases(
  operation: Pick<Operation, 'unit' | 'size' | 'modes'>,
  parts: number,
): PlannedPhase[] {
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

/** One piece after the other, some of it by hand: the people it takes are a share of the time. */
export function streamPhase(handsS: number, totalS: number): PlannedPhase {
  const share = totalS === 0 ? 100 : Math.min(100, Math.ceil((100 * handsS) / totalS / 5) * 5);
  return { d: Math.max(1, Math.ceil(totalS / 60)), ops: share, brk: true, wait: 0 };
}
