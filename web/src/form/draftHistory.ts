/** Drafts that were, the one that is, and those taken back. */
export interface DraftHistory<D> {
  past: readonly D[];
  now: D;
  future: readonly D[];
  /** Changes of one kind in a row, a slider being drawn, are one step back. */
  lastKind: string;
}

const LONGEST_PAST = 100;

export const beginWith = <D>(now: D): DraftHistory<D> => ({ past: [], now, future: [], lastKind: '' });

/** The draft with a part changed; what changes nothing is no step. A change of its own kind joins the last of that kind. */
export function changed<D extends object>(
  before: DraftHistory<D>,
  part: Partial<D>,
  kind = '',
): DraftHistory<D> {
  const next = { ...before.now, ...part };
  if (JSON.stringify(next) === JSON.stringify(before.now)) return before;
  const isSameMove = kind !== '' && kind === before.lastKind;
  const past = isSameMove ? before.past : [...before.past, before.now].slice(-LONGEST_PAST);
  return { past, now: next, future: [], lastKind: kind };
}

export function undone<D>(before: DraftHistory<D>): DraftHistory<D> {
  const last = before.past.at(-1);
  return last === undefined
    ? before
    : { past: before.past.slice(0, -1), now: last, future: [before.now, ...before.future], lastKind: '' };
}

export function redone<D>(before: DraftHistory<D>): DraftHistory<D> {
  const [next, ...rest] = before.future;
  return next === undefined
    ? before
    : { past: [...before.past, before.now], now: next, future: rest, lastKind: '' };
}
