import type { Operation } from './operation.ts';
import type { Station } from './references.ts';
import { phaseS, plannedMode, unitsOf } from './times.ts';

/** Of the room, °C: what work rests at. */
export const ROOM_C = 22;

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
 * Commanded temperature over time for one piece and what it is made of, operation by operation, with a full unit where
 * several go together. What the plates are told, not what the fabric feels: that is for a heat model.
 *
 * @param pieces of the line, which a unit has no more of
 * @returns segments without gaps, in time order, starting at 0 s
 */
export function traceHeat(operations: readonly Operation[], pieces: number): TraceSegment[] {
  const segments: TraceSegment[] = [];
  let at = 0;
  const push = (segment: Omit<TraceSegment, 'fromS' | 'toS'>, durationS: number): void => {
    if (durationS <= 0) return;
    segments.push({ ...segment, fromS: at, toS: at + durationS });
    at += durationS;
  };
  for (const operation of operations) {
    const { id, station, waitAfter } = operation;
    const parts = unitsOf(operation, pieces)[0] ?? 1;
    for (const phase of plannedMode(operation).phases) {
      const { label, people, heat } = phase;
      const kind = heat ? 'heat' : 'rest';
      const tempC = heat?.tempC ?? ROOM_C;
      push({ operation: id, station, label, kind, isHandsOn: people > 0, tempC }, phaseS(phase, parts));
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
