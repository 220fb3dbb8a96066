import { formatDate } from '@saltflat/core/units';
import type { DateKind, Writing } from '@saltflat/core/units';
import { useMemo } from 'react';
import { useWriting } from '../units/writingSlice.ts';

/** A minute of a plan as this person reads it, by the clock of the shop. */
export type PlanTime = (minute: number, kind: DateKind) => string;

/** How minutes of a plan are read that begins at an instant, in the shop’s zone. What was read is known: drawings ask again and again. */
export function usePlanTime(epochMs: number, zone: string): PlanTime {
  const writing = useWriting();
  return useMemo(() => planTime(epochMs, zone, writing), [epochMs, zone, writing]);
}

function planTime(epochMs: number, zone: string, writing: Writing): PlanTime {
  const known = new Map<string, string>();
  return (minute, kind) => {
    const key = `${kind} ${minute}`;
    const shown = known.get(key) ?? formatDate(epochMs + 60_000 * minute, kind, writing, zone);
    known.set(key, shown);
    return shown;
  };
}
