import type { UpkeepTask } from './upkeepTasks.ts';

/** Somebody did a task, or left it out and said so. */
export interface UpkeepRecord {
  /** ms since 1970. */
  atMs: number;
  isSkipped: boolean;
}

/** `never`: nobody has noted it yet. */
export type UpkeepStanding = 'never' | 'kept' | 'soon' | 'due';

export interface UpkeepDue {
  standing: UpkeepStanding;
  /** Of the interval that has gone by since it was done, 0–; `null` where it never was. */
  share: number | null;
}

const DAY_MS = 86_400_000;
/** A daily task done at eight is due at eight again, not at a minute past: a day's work begins a little earlier or later. */
const EARLY_MS = 4 * 3_600_000;
const SOON_SHARE = 0.8;

/** How long an interval of days lasts, ms. */
const lastsMs = (days: number): number => days * DAY_MS - EARLY_MS;

/**
 * Whether a task is due. What was left out on purpose is due again as if it had been done: it is told apart when it is
 * counted what came of it.
 *
 * @param used what the machine did since the newest record, in the task's unit; of no matter for days
 */
export function upkeepDue(
  every: UpkeepTask['every'],
  last: UpkeepRecord | null,
  { nowMs, used }: { nowMs: number; used: number },
): UpkeepDue {
  if (last === null) return { standing: 'never', share: null };
  const share = every.unit === 'days' ? (nowMs - last.atMs) / lastsMs(every.count) : used / every.count;
  const isLong = every.unit !== 'days' || every.count > 1; // a day is over before it can be soon
  return { standing: share >= 1 ? 'due' : isLong && share >= SOON_SHARE ? 'soon' : 'kept', share };
}

/** Pieces, and how many of them were not good. */
export interface PieceCount {
  pieces: number;
  spoiled: number;
}

export interface UpkeepCounts {
  /** While it was done in time. */
  kept: PieceCount;
  /** While it was left out, overdue, or not noted by anybody. */
  notKept: PieceCount;
}

/**
 * Counts what came of a machine's pieces while a task was kept and while it was not. Counts, nothing more: pieces of
 * one order spoil together, and who skips a task may be in a hurry otherwise too.
 *
 * @param records of the task, any order
 * @param pieces made on the machine: when they were judged, ms since 1970
 * @param usedBetween what the machine did meanwhile, in the task's unit; not asked for days
 */
export function upkeepCounts(
  every: UpkeepTask['every'],
  records: readonly UpkeepRecord[],
  pieces: readonly { atMs: number; isSpoiled: boolean }[],
  usedBetween: (fromMs: number, toMs: number) => number,
): UpkeepCounts {
  const counts: UpkeepCounts = { kept: { pieces: 0, spoiled: 0 }, notKept: { pieces: 0, spoiled: 0 } };
  const sorted = [...records].sort((p, q) => p.atMs - q.atMs);
  const made = [...pieces].sort((p, q) => p.atMs - q.atMs);
  let at = -1;
  for (const { atMs, isSpoiled } of made) {
    while (at + 1 < sorted.length && sorted[at + 1].atMs <= atMs) at++;
    const last = at < 0 ? null : sorted[at];
    const isKept =
      last !== null &&
      !last.isSkipped &&
      (every.unit === 'days'
        ? atMs - last.atMs <= every.count * DAY_MS
        : usedBetween(last.atMs, atMs) <= every.count);
    const own = isKept ? counts.kept : counts.notKept;
    own.pieces++;
    if (isSpoiled) own.spoiled++;
  }
  return counts;
}
