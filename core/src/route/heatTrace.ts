import type { Operation, Station } from './documents.ts';
import { ROOM_C } from './tradeRanges.ts';

/** One stretch of the heat trace: what one piece is commanded to go through. */
export interface TraceSegment {
  operation: string;
  station: Station;
  label: string;
  kind: 'heat' | 'rest' | 'window';
  isHandsOn: boolean;
  fromS: number;
  toS: number;
  tempC: number;
}

/**
 * Commanded temperature over time for one piece, operation by operation. What the plates are told, not what the
 * fabric feels: that is for a heat model.
 *
 * @returns segments without gaps, in time order, starting at 0 s
 */
export function traceHeat(operations: readonly Operation[]): TraceSegment[] {
  const segments: TraceSegment[] = [];
  let at = 0;
  const push = (segment: Omit<TraceSegment, 'fromS' | 'toS'>, durationS: number): void => {
    if (durationS <= 0) return;
    segments.push({ ...segment, fromS: at, toS: at + durationS });
    at += durationS;
  };
  for (const { id, station, phases, waitAfter } of operations) {
    for (const { kind, label, isHandsOn, tempC, durationS } of phases) {
      push({ operation: id, station, label, kind, isHandsOn, tempC }, durationS);
    }
    if (waitAfter === null) continue;
    push(
      { operation: id, station, label: 'rest', kind: 'rest', isHandsOn: false, tempC: ROOM_C },
      waitAfter.minS,
    );
    const slackS = waitAfter.maxS === null ? 0 : Math.min(60, waitAfter.maxS - waitAfter.minS);
    push(
      { operation: id, station, label: 'window', kind: 'window', isHandsOn: false, tempC: ROOM_C },
      slackS,
    );
  }
  return segments;
}
