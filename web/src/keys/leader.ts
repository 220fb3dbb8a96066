/** How long `g` waits for its letter, ms. */
const WAITS_MS = 1500;

let startedAt: number | null = null;
let endedAt: number | null = null;

/** `g` was pressed: the next key is the second of the pair, and nobody else’s. */
export function startPair(nowMs: number): void {
  startedAt = nowMs;
  endedAt = null;
}

/** Whether a key pressed now is the second of a pair: for everyone who hears that key, whoever hears it first. */
export const isPairOpen = (nowMs: number): boolean =>
  startedAt !== null &&
  nowMs > startedAt &&
  nowMs - startedAt < WAITS_MS &&
  (endedAt === null || endedAt === nowMs);

export function endPair(nowMs: number): void {
  endedAt ??= nowMs;
}
