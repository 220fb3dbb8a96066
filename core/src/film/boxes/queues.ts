import type { BoxKind } from './boxWork.ts';

/** The boxes that are still to be packed: of each kind, the places it has in a sequence, first to last. */
export interface Queues {
  /** Place of the next box of each kind, −1 where none is left. */
  first: Int32Array;
  /** Place of the next box of the same kind, by place. */
  next: Int32Array;
}

export const emptyQueues = (kinds: number, boxes: number): Queues => ({
  first: new Int32Array(kinds),
  next: new Int32Array(boxes),
});

/** Lines the boxes of a sequence up by kind. */
export function lineUp({ first, next }: Queues, sequence: Int32Array): void {
  first.fill(-1);
  for (let place = sequence.length - 1; place >= 0; place--) {
    const kind = sequence[place];
    next[place] = first[kind];
    first[kind] = place;
  }
}

/** Ranks of the kinds' priorities, the highest the largest: what a kind gains where early bins matter. */
export function priorityRanks(kinds: readonly BoxKind[]): Float64Array {
  const levels = [...new Set(kinds.map(({ priority }) => priority))].sort((p, q) => p - q);
  return Float64Array.from(kinds, ({ priority }) => levels.indexOf(priority));
}
