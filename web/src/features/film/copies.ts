import type { WaitingTransfers } from '@saltflat/contract';
import { countOf, itemOf, largestOf, nameOf, ownerOf } from '@saltflat/contract/filmJob';
import type { Placement } from '@saltflat/core/film';
import type { FilmDraft } from './filmJob.ts';

type Copies = Pick<FilmDraft, 'more' | 'placements' | 'locked'>;

/** Why one more of a piece cannot be printed; `null` where it can. */
export function whyNoMore(owner: WaitingTransfers, itemId: string): 'again' | 'size' | null {
  if (owner.again) return 'again';
  return itemId === itemOf(owner, largestOf(owner)) ? null : 'size';
}

/** So many beyond what a line wants; copies that are not wanted any more come off the film. */
export function withCount(draft: Copies, owner: WaitingTransfers, more: number): Copies {
  const largest = largestOf(owner);
  const item = itemOf(owner, largest);
  const copies = (owner.sizes[largest]?.slots.length ?? 0) - (draft.more[nameOf(owner)] ?? 0) + more;
  const isWanted = (key: string, itemId: string): boolean =>
    itemId !== item || Number(key.slice(item.length + 1)) < copies;
  const placements = draft.placements.filter(({ key, itemId }) => isWanted(key, itemId));
  const keys = new Set(placements.map(({ key }) => key));
  return {
    more: { ...draft.more, [nameOf(owner)]: more },
    placements,
    locked: draft.locked.filter((key) => keys.has(key)),
  };
}

/** One fewer, this one: the last takes its name, since copies are all alike. */
export function withoutOne(draft: Copies, owner: WaitingTransfers, own: Placement): Copies {
  const largest = largestOf(owner);
  const last = `${itemOf(owner, largest)}#${(owner.sizes[largest]?.slots.length ?? 0) - 1}`;
  const isLocked = draft.locked.includes(last);
  const placements = draft.placements.flatMap((known) => {
    if (known.key === own.key) return [];
    return [known.key === last ? { ...known, key: own.key } : known];
  });
  const locked = draft.locked.filter((key) => key !== own.key && key !== last);
  return {
    more: { ...draft.more, [nameOf(owner)]: (draft.more[nameOf(owner)] ?? 0) - 1 },
    placements,
    locked: isLocked && own.key !== last ? [...locked, own.key] : locked,
  };
}

/** Whose copy it is, and how many of that are beyond what is wanted. */
export function spareOf(
  transfers: readonly WaitingTransfers[],
  own: Placement,
  { more }: Pick<FilmDraft, 'more'>,
): { owner: WaitingTransfers; more: number } | null {
  const owner = ownerOf(transfers, own)?.owner;
  return owner ? { owner, more: more[nameOf(owner)] ?? 0 } : null;
}

/** Transfers of a print that its line has pieces for. */
export const wantedOf = (owner: WaitingTransfers): number => countOf(owner) - owner.spares;
